package org.sumbrel.server.access;

import java.util.Map;
import java.util.Optional;

/**
 * What belongs to a company, and how it is told to which: by the names under which calls speak of
 * it.
 */
enum OwnedThing {
  COMPANY("select id from company where id = :id"),
  ATTACHMENT(
      "select n.company_id from attachment a join note n on n.id = a.note_id where a.id = :id"),
  BANK_ACCOUNT("select company_id from bank_account where id = :id"),
  BANK_ENTRY("select company_id from bank_entry where id = :id"),
  CHEQUE_PICTURE("select company_id from cheque_picture where id = :id"),
  CLOSED_PERIOD("select company_id from closed_period where id = :id"),
  CORRECTION("select company_id from correction where id = :id"),
  CUSTOMER("select company_id from customer where id = :id"),
  DEPOSIT("select company_id from deposit where id = :id"),
  INTAKE("select company_id from intake where id = :id"),
  ITEM_UPDATE("select company_id from item_update where id = :id"),
  JOURNAL_ENTRY("select company_id from journal_entry where id = :id"),
  JOURNAL_EXPORT("select company_id from journal_export where id = :id"),
  LEDGER_ACCOUNT("select company_id from ledger_account where id = :id"),
  LEFT_OUT(
      "select i.company_id from left_out l join intake i on i.id = l.intake_id where l.id = :id"),
  LOCKBOX_BATCH("select company_id from lockbox_batch where id = :id"),
  NOTE("select company_id from note where id = :id"),
  OPEN_ITEM("select company_id from open_item where id = :id"),
  PAYER_ALIAS("select company_id from payer_alias where id = :id"),
  PAYOUT("select company_id from payout where id = :id"),
  POSTING_RUN("select company_id from posting_run where id = :id"),
  PROFILE("select company_id from profile where id = :id"),
  REMITTANCE_ADVICE("select company_id from remittance_advice where id = :id"),
  /** Of the company that received the money and of those whose items it settles. */
  SETTLEMENT(
      "select company_id from settlement where id = :id"
          + " union select company_id from settlement_elsewhere where settlement_id = :id"),
  TAKINGS("select company_id from takings where id = :id"),
  TIE_OUT("select company_id from tie_out where id = :id"),
  TIE_OUT_ERROR("select company_id from tie_out_error where id = :id"),
  TREATMENT("select company_id from treatment where id = :id"),
  UNATTENDED_RULE("select company_id from unattended_rule where id = :id");

  /** What {@code {id}} is in a path, by the words before it. */
  private static final Map<String, OwnedThing> BY_PATH =
      Map.ofEntries(
          Map.entry("attachments", ATTACHMENT),
          Map.entry("bank-accounts", BANK_ACCOUNT),
          Map.entry("chart", LEDGER_ACCOUNT),
          Map.entry("closed-periods", CLOSED_PERIOD),
          Map.entry("companies", COMPANY),
          Map.entry("corrections", CORRECTION),
          Map.entry("customers", CUSTOMER),
          Map.entry("deposits", DEPOSIT),
          Map.entry("entries", BANK_ENTRY),
          Map.entry("intakes", INTAKE),
          Map.entry("item-updates", ITEM_UPDATE),
          Map.entry("journal-entries", JOURNAL_ENTRY),
          Map.entry("journal-exports", JOURNAL_EXPORT),
          Map.entry("ledger-accounts", LEDGER_ACCOUNT),
          Map.entry("left-out", LEFT_OUT),
          Map.entry("lockbox-batches", LOCKBOX_BATCH),
          Map.entry("notes", NOTE),
          Map.entry("open-items", OPEN_ITEM),
          Map.entry("payer-aliases", PAYER_ALIAS),
          Map.entry("payouts", PAYOUT),
          Map.entry("profiles", PROFILE),
          Map.entry("receipts", BANK_ENTRY),
          Map.entry("receipts/pictures", CHEQUE_PICTURE),
          Map.entry("remittances", REMITTANCE_ADVICE),
          Map.entry("runs", POSTING_RUN),
          Map.entry("settlements", SETTLEMENT),
          Map.entry("takings", TAKINGS),
          Map.entry("tie-out-errors", TIE_OUT_ERROR),
          Map.entry("tie-outs", TIE_OUT),
          Map.entry("treatments", TREATMENT),
          Map.entry("unattended/rules", UNATTENDED_RULE));

  /** What a name of a parameter, or of a part of what is sent, speaks of. */
  private static final Map<String, OwnedThing> BY_NAME =
      Map.ofEntries(
          Map.entry("accountId", LEDGER_ACCOUNT),
          Map.entry("accountOf", CUSTOMER),
          Map.entry("bankAccount", BANK_ACCOUNT),
          Map.entry("bankAccountId", BANK_ACCOUNT),
          Map.entry("chargeFeeTo", CUSTOMER),
          Map.entry("company", COMPANY),
          Map.entry("companyId", COMPANY),
          Map.entry("customer", CUSTOMER),
          Map.entry("customerId", CUSTOMER),
          Map.entry("debit", BANK_ENTRY),
          Map.entry("debitId", BANK_ENTRY),
          Map.entry("depositIds", DEPOSIT),
          Map.entry("entryId", BANK_ENTRY),
          Map.entry("entryIds", BANK_ENTRY),
          Map.entry("except", BANK_ENTRY),
          Map.entry("feeDebit", BANK_ENTRY),
          Map.entry("feeDebitId", BANK_ENTRY),
          Map.entry("intake", INTAKE),
          Map.entry("itemId", OPEN_ITEM),
          Map.entry("itemIds", OPEN_ITEM),
          Map.entry("ledgerAccountId", LEDGER_ACCOUNT),
          Map.entry("onAccountCustomerId", CUSTOMER),
          Map.entry("otherBankAccountId", BANK_ACCOUNT),
          Map.entry("otherEntryId", BANK_ENTRY),
          Map.entry("pictureId", CHEQUE_PICTURE),
          Map.entry("receiptIds", BANK_ENTRY),
          Map.entry("settlementId", SETTLEMENT),
          Map.entry("treatmentId", TREATMENT));

  private final String companies;

  OwnedThing(String companies) {
    this.companies = companies;
  }

  /** A query for the companies of the one with an id. */
  String companies() {
    return companies;
  }

  /**
   * What a variable of a path speaks of.
   *
   * @param pattern such as {@code /api/entries/{id}/ways}
   */
  static Optional<OwnedThing> inPath(String pattern, String variable) {
    if (!variable.equals("id")) {
      // of the sales of a payout it is the payout that tells
      return pattern.startsWith("/api/payouts/") ? Optional.empty() : named(variable);
    }
    var before = pattern.substring("/api/".length(), pattern.indexOf("/{id}"));
    return Optional.ofNullable(BY_PATH.get(before));
  }

  static Optional<OwnedThing> named(String name) {
    return Optional.ofNullable(BY_NAME.get(name));
  }

  /** A thing that is spoken of as a word and its number, such as {@code entry-12}. */
  record Spoken(OwnedThing thing, Long id) {

    private static final Map<String, OwnedThing> WORDS =
        Map.of("entry", BANK_ENTRY, "account", CUSTOMER, "customer", CUSTOMER, "item", OPEN_ITEM);

    static Optional<Spoken> read(String words) {
      var dash = words.lastIndexOf('-');
      var thing = dash < 0 ? null : WORDS.get(words.substring(0, dash));
      return thing == null || !words.substring(dash + 1).matches("[0-9]{1,18}")
          ? Optional.empty()
          : Optional.of(new Spoken(thing, Long.valueOf(words.substring(dash + 1))));
    }
  }
}
