package org.sumbrel.server.notes;

import java.util.Locale;
import java.util.regex.Pattern;
import org.sumbrel.server.api.BadRequest;

/**
 * What a note is about: a bank entry and its draft, an item of an account, a customer and the draft
 * on his account; in addresses {@code entry-12}, {@code item-45}, {@code customer-7}.
 */
record Subject(Kind kind, Long id) {

  enum Kind {
    ENTRY,
    ITEM,
    CUSTOMER
  }

  private static final Pattern WRITTEN = Pattern.compile("(entry|item|customer)-(\\d{1,18})");

  static Subject read(String written) {
    var matcher = WRITTEN.matcher(written);
    if (!matcher.matches()) {
      throw new BadRequest(
          "\"" + written + "\" is not written like entry-12, item-45 or customer-7.");
    }
    return new Subject(
        Kind.valueOf(matcher.group(1).toUpperCase(Locale.ROOT)), Long.valueOf(matcher.group(2)));
  }

  @Override
  public String toString() {
    return kind.name().toLowerCase(Locale.ROOT) + "-" + id;
  }
}
