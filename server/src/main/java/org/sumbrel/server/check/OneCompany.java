package org.sumbrel.server.check;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What belongs to something is of the same company as that. A receipt may settle items of another
 * company; then the application is of the item's company, and the journal of each is its own.
 */
final class OneCompany {

  /** A column that names a row of another table; both tables say whose their rows are. */
  private record Belonging(String table, String column, String to) {

    String broken() {
      return "select '"
          + words(table)
          + " ' || t."
          + key()
          + " || ' of company ' || t.company_id || ' belongs to "
          + words(to)
          + " ' || x.id || ' of company ' || x.company_id from "
          + table
          + " t join "
          + to
          + " x on x.id = t."
          + column
          + " where x.company_id <> t.company_id";
    }

    /** A receipt that was recorded is an entry, and has its number. */
    private String key() {
      return table.equals("held_receipt") ? "entry_id" : "id";
    }

    private static String words(String table) {
      return table.replace('_', ' ');
    }
  }

  private static final List<Belonging> ALL =
      Stream.of(
              "bank_account.ledger_account_id ledger_account",
              "bank_entry.bank_account_id bank_account",
              "customer.parent_id customer",
              "deposit.bank_account_id bank_account",
              "deposit.journal_entry_id journal_entry",
              "held_receipt.deposit_id deposit",
              "held_receipt.entry_id bank_entry",
              "journal_entry.reverses_id journal_entry",
              "lockbox_batch.bank_account_id bank_account",
              "lockbox_batch.deposit_id deposit",
              "open_item.customer_id customer",
              "payer_alias.customer_id customer",
              "payout.deposit_id deposit",
              "payout.settlement_id settlement",
              "remittance_advice.entry_id bank_entry",
              "returned_receipt.debit_id bank_entry",
              "returned_receipt.entry_id bank_entry",
              "settlement.entry_id bank_entry",
              "settlement.journal_entry_id journal_entry",
              "settlement.on_account_customer_id customer",
              "settlement.reversal_entry_id journal_entry",
              "settlement.sent_from_id bank_account",
              "settlement.transfer_with_id bank_account",
              "settlement_adjustment.ledger_account_id ledger_account",
              "settlement_application.item_id open_item",
              "takings.journal_entry_id journal_entry",
              "tie_out.bank_account_id bank_account",
              "treatment.bank_account_id bank_account",
              "unattended_rule.bank_account_id bank_account",
              "unattended_rule.customer_id customer")
          .map(line -> line.split("[. ]"))
          .map(part -> new Belonging(part[0], part[1], part[2]))
          .toList();

  /** A line is of its entry's company. */
  private static final String LINES =
      """
      select 'journal line ' || l.id || ' of company ' || e.company_id || ' is on ledger account ' || a.id || ' of company ' || a.company_id
      from journal_line l join journal_entry e on e.id = l.journal_entry_id join ledger_account a on a.id = l.ledger_account_id
      where a.company_id <> e.company_id
      """;

  static final StoredRule RULE =
      new StoredRule(
          "What belongs to an account, a customer, an entry or a journal is of its company",
          "select (select count(*) from journal_line) + (select count(*) from bank_entry) + (select count(*) from open_item)",
          Stream.concat(ALL.stream().map(Belonging::broken), Stream.of(LINES))
              .collect(Collectors.joining(" union all ")));

  private OneCompany() {}
}
