/** Remittance advice that comes in no format at all. */
package org.sumbrel.formats.remittance;
