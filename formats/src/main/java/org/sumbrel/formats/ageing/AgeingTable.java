package org.sumbrel.formats.ageing;

import java.io.IOException;
import org.sumbrel.core.receivables.Ageing.Bucket;
import org.sumbrel.formats.sheet.SheetWriter;

/** Writes an ageing as a table, a customer on each row, without a total. */
public final class AgeingTable {

  private AgeingTable() {}

  /**
   * @throws IOException where the stream takes no more
   */
  public static void write(AgeingSheet sheet, SheetWriter out) throws IOException {
    out.head(
        "customer",
        "name",
        "not_due",
        "days_1_30",
        "days_31_60",
        "days_61_90",
        "over_90",
        "total",
        "currency",
        "as_of");
    for (var line : sheet.lines()) {
      out.row(
          line.number(),
          line.customer(),
          line.of(Bucket.NOT_DUE),
          line.of(Bucket.DAYS_1_TO_30),
          line.of(Bucket.DAYS_31_TO_60),
          line.of(Bucket.DAYS_61_TO_90),
          line.of(Bucket.OVER_90),
          line.total(),
          sheet.currency().getCode(),
          sheet.asOf());
    }
  }
}
