/** Exchange rates: where they come from, which counts on a day. */
package org.sumbrel.server.rates;
