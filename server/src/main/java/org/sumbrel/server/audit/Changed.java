package org.sumbrel.server.audit;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;

/**
 * What became of one thing within one act: several changes of its row, and of rows that are a part
 * of it, are one.
 */
final class Changed {

  /** What was done to it. */
  enum Kind {
    MADE,
    CHANGED,
    REMOVED
  }

  private final String what;
  private final String thing;
  private Object companyId;
  private String currency;
  private boolean made;
  private boolean removed;
  private final Map<String, Object> before = new LinkedHashMap<>();
  private final Map<String, Object> after = new LinkedHashMap<>();

  Changed(String what, String thing) {
    this.what = what;
    this.thing = thing;
  }

  String what() {
    return what;
  }

  String thing() {
    return thing;
  }

  Object companyId() {
    return companyId;
  }

  /** The currency of its amounts; null where it has none. */
  String currency() {
    return currency;
  }

  void of(Object company, Object money) {
    if (company != null) {
      companyId = company;
    }
    if (money != null) {
      currency = money.toString();
    }
  }

  void isMade() {
    made = true;
    removed = false;
  }

  void isRemoved() {
    removed = true;
  }

  /** A column has another value; of several changes the first before and the last after count. */
  void column(String name, Object old, Object fresh) {
    if (!after.containsKey(name) && !before.containsKey(name)) {
      before.put(name, old);
    }
    after.put(name, fresh);
  }

  Kind kind() {
    return made ? Kind.MADE : removed ? Kind.REMOVED : Kind.CHANGED;
  }

  /** Whether nothing is other than before: made and removed again, or put back. */
  boolean isNothing() {
    return made && removed || !made && !removed && differences().isEmpty();
  }

  /** Columns that are other than before, with what they were. */
  Map<String, Object> before() {
    var values = differences();
    values.replaceAll((name, fresh) -> before.get(name));
    values.values().removeIf(Objects::isNull);
    return values;
  }

  /** Columns that are other than before, with what they are. */
  Map<String, Object> after() {
    var values = differences();
    if (kind() != Kind.CHANGED) {
      values.values().removeIf(Objects::isNull);
    }
    return values;
  }

  private Map<String, Object> differences() {
    var values = new LinkedHashMap<>(after);
    values.entrySet().removeIf(e -> Objects.equals(e.getValue(), before.get(e.getKey())));
    return values;
  }
}
