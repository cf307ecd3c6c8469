package org.sumbrel.formats.x12;

import java.util.List;

/**
 * One segment of an X12 transaction set.
 *
 * @param elements from the first behind the tag
 * @param position in the interchange, from 1
 */
record X12Segment(String tag, List<String> elements, int line, int position) {

  X12Segment {
    elements = List.copyOf(elements);
  }

  /** The element, counted from 1 as the standard does; empty where it is left out. */
  String element(int number) {
    return number <= elements.size() ? elements.get(number - 1).strip() : "";
  }

  /** Where it stands, for a sentence. */
  String place() {
    return "segment " + position + " (" + tag + ")";
  }
}
