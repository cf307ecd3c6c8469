/**
 * Payouts of processors and marketplaces: taken in, joined to what is known, booked, taken back.
 */
package org.sumbrel.server.payouts;
