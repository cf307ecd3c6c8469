/** One search line over entries, open items and settled ones; suggestions, saved searches. */
package org.sumbrel.server.find;
