package org.sumbrel.core.receivables;

import java.time.LocalDate;
import org.joda.money.Money;

/** What grows old on an account: it was due on a day, and so much of it is open. */
public interface Aged {

  LocalDate dueOn();

  /** In the item's own sign. */
  Money open();
}
