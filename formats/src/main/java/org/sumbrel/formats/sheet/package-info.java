/** Tables that go out, written alike as CSV and as a spreadsheet. */
package org.sumbrel.formats.sheet;
