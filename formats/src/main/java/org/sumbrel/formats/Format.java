package org.sumbrel.formats;

/** The formats that can be told apart. */
public enum Format {
  OFX("ofx"),
  STATEMENT_CSV("csv"),
  INVOICES_CSV("invoices-csv"),
  CUSTOMERS_CSV("customers-csv"),
  ALIASES_CSV("aliases-csv"),
  HISTORY_CSV("history-csv");

  private final String word;

  Format(String word) {
    this.word = word;
  }

  /** The word for it on the command line and in the API. */
  public String word() {
    return word;
  }
}
