package org.sumbrel.formats.deposit;

import static org.assertj.core.api.Assertions.assertThat;

import com.lowagie.text.pdf.PdfReader;
import com.lowagie.text.pdf.parser.PdfTextExtractor;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.deposit.CashCount;
import org.sumbrel.core.deposit.Deposit;
import org.sumbrel.core.deposit.DepositLine;
import org.sumbrel.core.deposit.HeldReceipt;
import org.sumbrel.core.receivables.PaidBy;

/**
 * A deposit slip as a bank takes it: cash by denomination, each cheque, the total. The order is
 * common practice; no published form was at hand.
 */
class DepositSlipWritersTest {

  private static final LocalDate DAY = LocalDate.of(2026, 5, 27);

  private static Money usd(String amount) {
    return Money.parse("USD " + amount);
  }

  private static HeldReceipt held(String id, PaidBy method, String amount, String from) {
    var number = method == PaidBy.CHEQUE ? id : "";
    return new HeldReceipt(id, method, DAY, usd(amount), from, number, Optional.empty());
  }

  private static DepositSlip slip() {
    var deposit =
        Deposit.of(
            "1",
            CurrencyUnit.USD,
            DAY,
            List.of(
                held("2214", PaidBy.CHEQUE, "1880.00", "Café Žižka & Søn"),
                held("371", PaidBy.CHEQUE, "640.00", "=Bakehouse"),
                held("till", PaidBy.CASH, "140.50", "Mill shop")),
            List.of(
                new DepositLine(
                    DepositLine.Kind.KEPT_BACK, usd("-40.00"), Optional.empty(), "float"),
                new DepositLine(
                    DepositLine.Kind.TO_ACCOUNT,
                    usd("7.00"),
                    Optional.of("4"),
                    "deposit on bags")));
    var count = new CashCount(CurrencyUnit.USD, Map.of(usd("50.00"), 2, usd("0.25"), 2));
    return new DepositSlip(
        "Larkstow Mill Ltd", "Copperbeck Savings Bank, Operating USD", "0412", deposit, count);
  }

  @Test
  void isATableOfReceiptsAndLinesWithItsTotal() throws IOException {
    var out = new ByteArrayOutputStream();
    DepositSlipCsv.write(slip(), out);
    assertThat(out.toString(StandardCharsets.UTF_8).lines())
        .containsExactly(
            "slip,date,what,reference,from,amount,currency",
            "0412,2026-05-27,cheque,2214,Café Žižka & Søn,1880.00,USD",
            "0412,2026-05-27,cheque,371,'=Bakehouse,640.00,USD",
            "0412,2026-05-27,cash,,Mill shop,140.50,USD",
            "0412,2026-05-27,kept back,,float,-40.00,USD",
            "0412,2026-05-27,to account,,deposit on bags,7.00,USD",
            "0412,2026-05-27,total,,,2627.50,USD");
  }

  @Test
  void isAPaperWithCashByDenominationAndEachCheque() throws IOException {
    var out = new ByteArrayOutputStream();
    DepositSlipPdf.write(slip(), out);
    var text = new PdfTextExtractor(new PdfReader(out.toByteArray())).getTextFromPage(1);
    assertThat(text)
        .contains("Deposit slip 0412", "27 May 2026", "Café Žižka & Søn")
        .containsSubsequence("Cash in all", "100.50", "Cheque 2214", "1,880.00")
        .containsSubsequence("2 in all", "2,520.00", "deposit on bags", "Total", "2,627.50");
  }
}
