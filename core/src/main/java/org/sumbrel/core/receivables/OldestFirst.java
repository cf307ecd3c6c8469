package org.sumbrel.core.receivables;

import java.util.Comparator;

/**
 * The order in which money without a word is applied: due dates, then issue dates, then numbers.
 */
public final class OldestFirst {

  public static final Comparator<OpenItem> ORDER =
      Comparator.comparing(OpenItem::dueOn)
          .thenComparing(OpenItem::issuedOn)
          .thenComparing(OpenItem::number)
          .thenComparing(OpenItem::id);

  private OldestFirst() {}
}
