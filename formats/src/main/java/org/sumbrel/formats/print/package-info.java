/** What all printed papers share. */
package org.sumbrel.formats.print;
