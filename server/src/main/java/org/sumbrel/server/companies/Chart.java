package org.sumbrel.server.companies;

import java.util.List;
import org.sumbrel.core.journal.AccountRole;

/** The chart of accounts that a new company starts with; its bank accounts come on top. */
final class Chart {

  record Account(String code, String name, AccountRole role) {}

  static final List<Account> USUAL =
      List.of(
          new Account("1050", "Receipts on hand", AccountRole.RECEIPTS_ON_HAND),
          new Account("1055", "Receipts to apply", AccountRole.RECEIPTS_TO_APPLY),
          new Account("1060", "Cash on hand", AccountRole.CASH_ON_HAND),
          new Account("1070", "Processor clearing", AccountRole.PROCESSOR_CLEARING),
          new Account("1090", "Own transfers under way", AccountRole.OWN_TRANSFERS),
          new Account("1100", "Accounts receivable", AccountRole.RECEIVABLE),
          new Account("1150", "Claims on customers", AccountRole.CLAIMS),
          new Account("1190", "Unapplied receipts", AccountRole.UNAPPLIED_RECEIPTS),
          new Account("2150", "Refunds due", AccountRole.REFUNDS_DUE),
          new Account("2200", "Tax", AccountRole.TAX),
          new Account("3900", "Opening balances", AccountRole.OPENING_BALANCES),
          new Account("4000", "Sales", AccountRole.SALES),
          new Account("4050", "Sales refunds", AccountRole.SALES_REFUNDS),
          new Account("4800", "Other income", AccountRole.OTHER),
          new Account("4900", "Discounts allowed", AccountRole.DISCOUNTS_ALLOWED),
          new Account("6100", "Bank fees", AccountRole.BANK_FEES),
          new Account("6110", "Processing fees", AccountRole.PROCESSING_FEES),
          new Account("6120", "Chargebacks", AccountRole.CHARGEBACKS),
          new Account("6180", "Cash differences", AccountRole.CASH_DIFFERENCES),
          new Account("6190", "Small write-offs", AccountRole.SMALL_WRITE_OFFS),
          new Account("6195", "Rounding differences", AccountRole.ROUNDING_DIFFERENCES),
          new Account("6500", "Other expenses", AccountRole.OTHER),
          new Account("7100", "Interest income", AccountRole.OTHER),
          new Account("7500", "Exchange differences", AccountRole.EXCHANGE_DIFFERENCES),
          new Account("7590", "Currency conversion", AccountRole.CURRENCY_CONVERSION),
          new Account("9900", "Suspense", AccountRole.SUSPENSE));

  private Chart() {}
}
