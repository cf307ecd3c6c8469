/** Lists of exchange rates. */
package org.sumbrel.formats.rates;
