package org.sumbrel.core.propose;

/**
 * A place in a receipt's text that the engine recognised.
 *
 * @param start index of its first character
 * @param end index after its last
 * @param itemId what it points at; empty where it is the amount that arrived
 * @param exact whether it stands there as it is, rather than read into it
 */
public record TextMark(int start, int end, String itemId, boolean exact) {}
