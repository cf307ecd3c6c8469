/**
 * Money that is in the office: cheques, cash and card slips, how they are banked together, and how
 * the deposit is recognised in what the bank shows.
 */
package org.sumbrel.core.deposit;
