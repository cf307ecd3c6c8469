/** Writers of what a customer is sent: his statement as PDF and CSV. */
package org.sumbrel.formats.account;
