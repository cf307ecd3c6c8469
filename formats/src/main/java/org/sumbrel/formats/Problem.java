package org.sumbrel.formats;

/**
 * Something wrong with a file.
 *
 * @param line where, counted from 1; 0 where it is about the file as a whole
 * @param message what is wrong and what was expected, as a sentence without its full stop
 */
public record Problem(int line, String message) {}
