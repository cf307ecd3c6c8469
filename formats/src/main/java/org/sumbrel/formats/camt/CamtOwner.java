package org.sumbrel.formats.camt;

/**
 * Whose account a statement is about.
 *
 * @param account its number, or empty
 * @param name of its owner, or empty where the file does not give it
 */
record CamtOwner(String account, String name) {

  /** Whether a party is the owner: by the account, or by the name where it has none. */
  boolean is(String partyName, String partyAccount) {
    return partyAccount.isEmpty()
        ? !name.isEmpty() && name.equalsIgnoreCase(partyName)
        : partyAccount.equals(account);
  }
}
