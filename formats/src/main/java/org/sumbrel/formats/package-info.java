/**
 * Readers of open formats: a file's bytes become its content, or a list of what is wrong with it.
 */
package org.sumbrel.formats;
