/** Remittance advice, whatever format it came in. */
package org.sumbrel.formats.remittance;
