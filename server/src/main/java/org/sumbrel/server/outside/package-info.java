/** Simulated stand-ins for what is outside, for demonstrations: a bank that delivers statements. */
package org.sumbrel.server.outside;
