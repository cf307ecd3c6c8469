/** The day sheet: what a day's work came to, in figures that each lead to what they are made of. */
package org.sumbrel.server.daysheet;
