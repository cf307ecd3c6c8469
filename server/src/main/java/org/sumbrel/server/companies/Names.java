package org.sumbrel.server.companies;

import org.sumbrel.server.api.BadRequest;

/** What companies, accounts and tax codes may be called. */
final class Names {

  private static final int LONGEST = 200;

  private Names() {}

  /**
   * The name, without blanks around it.
   *
   * @param what is called so
   * @throws BadRequest where it is empty or too long
   */
  static String checked(String what, String name) {
    if (name.isBlank() || name.length() > LONGEST) {
      throw new BadRequest("A " + what + "'s name has between 1 and " + LONGEST + " characters.");
    }
    return name.strip();
  }
}
