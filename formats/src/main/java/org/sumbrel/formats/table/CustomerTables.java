package org.sumbrel.formats.table;

import java.util.Arrays;
import java.util.List;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.receivables.AliasRow;
import org.sumbrel.formats.receivables.CustomerRow;
import org.sumbrel.formats.receivables.PastPaymentRow;

/** Lists about customers: themselves, what payers call themselves, who paid before. */
final class CustomerTables {

  private CustomerTables() {}

  static List<CustomerRow> customers(TableProfile profile, List<TableRow> rows, Reading reading) {
    return rows.stream()
        .map(row -> new ProfiledRow(profile, row, reading))
        .map(
            r ->
                new CustomerRow(
                    r.required(CustomerFields.ID),
                    r.required(CustomerFields.NAME),
                    r.text(CustomerFields.PARENT),
                    r.texts(CustomerFields.ACCOUNTS).stream()
                        .flatMap(cell -> Arrays.stream(cell.split(";")))
                        .map(String::strip)
                        .filter(a -> !a.isEmpty())
                        .toList(),
                    r.terms(CustomerFields.TERMS),
                    r.yes(CustomerFields.OLDEST_FIRST),
                    r.line()))
        .toList();
  }

  static List<AliasRow> aliases(TableProfile profile, List<TableRow> rows, Reading reading) {
    return rows.stream()
        .map(row -> new ProfiledRow(profile, row, reading))
        .map(
            r ->
                new AliasRow(
                    r.required(CustomerFields.PAYER_TEXT), r.required(CustomerFields.ID), r.line()))
        .toList();
  }

  static List<PastPaymentRow> history(TableProfile profile, List<TableRow> rows, Reading reading) {
    return rows.stream()
        .map(row -> new ProfiledRow(profile, row, reading))
        .map(
            r ->
                new PastPaymentRow(
                    r.text(CustomerFields.PAYER_NAME),
                    r.text(CustomerFields.PAYER_ACCOUNT),
                    r.required(CustomerFields.ID),
                    r.line()))
        .toList();
  }
}
