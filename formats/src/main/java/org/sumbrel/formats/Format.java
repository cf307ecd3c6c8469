package org.sumbrel.formats;

/** The formats that can be told apart. */
public enum Format {
  OFX("ofx", "an OFX statement", true),
  CAMT_052("camt.052", "a camt.052 account report", true),
  CAMT_053("camt.053", "a camt.053 statement", true),
  CAMT_054("camt.054", "a camt.054 notification", true),
  MT940("mt940", "an MT940 statement", true),
  MT942("mt942", "an MT942 interim report", true),
  BAI2("bai2", "a BAI2 balance report", true),
  STATEMENT_CSV("csv", "a statement as CSV", true),
  INVOICES_CSV("invoices-csv", "a list of invoices", true),
  CUSTOMERS_CSV("customers-csv", "a list of customers", true),
  ALIASES_CSV("aliases-csv", "a list of aliases", true),
  HISTORY_CSV("history-csv", "a list of past payments", true),
  RATES_CSV("rates-csv", "a list of exchange rates", true),
  REMITTANCE_CSV("remittance-csv", "a remittance advice as CSV", true),
  LOCKBOX_BAI("lockbox-bai", "a BAI lockbox file", true),
  LOCKBOX_CSV("lockbox-csv", "a lockbox list as CSV", true),
  PAYOUT_CSV("payout-csv", "a payout file as CSV", true),
  X12_820("x12-820", "an X12 820 remittance advice", true),
  X12_823("x12-823", "an X12 823 lockbox", true),
  UBL_INVOICE("ubl-invoice", "a UBL invoice", true),
  UBL_CREDIT_NOTE("ubl-credit-note", "a UBL credit note", true);

  private final String word;
  private final String described;
  private final boolean readable;

  Format(String word, String described, boolean readable) {
    this.word = word;
    this.described = described;
    this.readable = readable;
  }

  /** The word for it on the command line and in the API. */
  public String word() {
    return word;
  }

  /** What a file of it is, for a sentence. */
  public String described() {
    return described;
  }

  /** Whether there is a reader for it. */
  public boolean readable() {
    return readable;
  }

  /** Whether it reports the movements of an account. */
  public boolean isStatement() {
    return switch (this) {
      case OFX, CAMT_052, CAMT_053, CAMT_054, MT940, MT942, BAI2, STATEMENT_CSV -> true;
      default -> false;
    };
  }
}
