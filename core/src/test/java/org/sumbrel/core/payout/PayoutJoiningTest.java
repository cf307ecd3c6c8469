package org.sumbrel.core.payout;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.receivables.CreditNote;
import org.sumbrel.core.receivables.Invoice;

/** What the items of a payout belong to. */
class PayoutJoiningTest {

  private static final LocalDate DAY = LocalDate.of(2026, 5, 26);

  private static Money usd(String amount) {
    return Money.of(CurrencyUnit.USD, new BigDecimal(amount));
  }

  private static PayoutItem item(
      PayoutItemType type, String id, String reference, String related, String gross) {
    var zero = usd("0");
    return new PayoutItem(
        1,
        id,
        type,
        "",
        reference,
        related,
        Optional.of(DAY),
        usd(gross),
        zero,
        zero,
        zero,
        "",
        "",
        "");
  }

  private static PayoutItem sale(String id, String reference, String gross) {
    return item(PayoutItemType.SALE, id, reference, "", gross);
  }

  private static Invoice invoice(String id, String number, String order, String open) {
    return new Invoice(
        id, "1", "c", number, DAY, DAY, usd("1000"), usd(open), order, "", Optional.empty());
  }

  private static List<Join> join(
      List<Invoice> invoices,
      List<RecordedSale> recorded,
      List<KnownSale> earlier,
      PayoutItem... items) {
    var ids = new ArrayList<String>();
    for (var n = 0; n < items.length; n++) {
      ids.add("s" + n);
    }
    return PayoutJoining.among(invoices, List.of(), recorded, earlier).join(List.of(items), ids);
  }

  @Test
  void paysOutACreditNoteThatARefundNamesOnlyOnceAndNeverBeyondIt() {
    var credit =
        new CreditNote("9", "1", "c", "CN-0000880", DAY, DAY, usd("-100.00"), usd("-60.00"));
    var refund = item(PayoutItemType.REFUND, "1", "cn 0000880", "", "-40.00");
    assertThat(
            PayoutJoining.among(List.of(), List.of(credit), List.of(), List.of())
                .join(List.of(refund, refund), List.of("a", "b")))
        .containsExactly(new Join.ToInvoice("9"), new Join.Loose());
  }

  @Test
  void findsTheInvoiceByItsNumberOrItsOrder() {
    var open =
        List.of(
            invoice("1", "LM-0020412", "PO-77", "100.00"),
            invoice("2", "LM-0020413", "WEB 9", "50.00"));
    assertThat(
            join(
                open,
                List.of(),
                List.of(),
                sale("a", "lm 0020412", "100.00"),
                sale("b", "WEB-9", "50.00"),
                sale("c", "WEB-10", "50.00")))
        .containsExactly(new Join.ToInvoice("1"), new Join.ToInvoice("2"), new Join.NewSale());
  }

  @Test
  void takesTheInvoiceOfAnOrderThatIsOpenWithTheAmount() {
    var open =
        List.of(invoice("1", "LM-1", "PO-77", "100.00"), invoice("2", "LM-2", "PO-77", "60.00"));
    assertThat(join(open, List.of(), List.of(), sale("a", "PO-77", "60.00")))
        .containsExactly(new Join.ToInvoice("2"));
  }

  @Test
  void doesNotPayAnInvoiceTwice() {
    var open = List.of(invoice("1", "LM-1", "", "100.00"));
    var joins =
        join(open, List.of(), List.of(), sale("a", "LM-1", "100.00"), sale("b", "LM-1", "100.00"));
    assertThat(joins.get(0)).isEqualTo(new Join.ToInvoice("1"));
    assertThat(joins.get(1))
        .isEqualTo(
            new Join.Asked(
                List.of(new Join.NewSale()),
                "LM-1 is settled already; this may be the same sale a second time."));
  }

  @Test
  void findsWhatIsRecordedAlreadyBeforeAnythingElse() {
    var open = List.of(invoice("1", "LM-1", "", "100.00"));
    var recorded =
        List.of(new RecordedSale("r", DAY.minusDays(20), usd("100.00"), List.of("LM-1"), ""));
    assertThat(join(open, recorded, List.of(), sale("a", "LM-1", "100.00")))
        .containsExactly(new Join.ToReceipt("r"));
  }

  @Test
  void asksWhereAReceiptOfTheSameAmountSaysNothing() {
    var recorded =
        List.of(
            new RecordedSale("near", DAY.minusDays(2), usd("40.00"), List.of(), ""),
            new RecordedSale("far", DAY.minusDays(9), usd("40.00"), List.of(), ""),
            new RecordedSale("other", DAY, usd("40.00"), List.of("WEB-2"), ""));
    assertThat(join(List.of(), recorded, List.of(), sale("a", "WEB-1", "40.00")))
        .containsExactly(
            new Join.Asked(
                List.of(new Join.ToReceipt("near"), new Join.NewSale()),
                "A receipt of the same amount was recorded on 24 May 2026; it may be this sale."));
  }

  @Test
  void asksWhereTheInvoiceIsOpenWithAnotherAmount() {
    var open = List.of(invoice("1", "LM-1", "", "100.00"));
    assertThat(join(open, List.of(), List.of(), sale("a", "LM-1", "80.00")))
        .containsExactly(
            new Join.Asked(
                List.of(new Join.ToInvoice("1"), new Join.NewSale()),
                "Of LM-1 100.00 are open, the sale is of 80.00."));
  }

  @Test
  void joinsARefundToItsSaleByTheProcessorsNumberOrTheReference() {
    var earlier = List.of(new KnownSale("old", "900", "WEB-5", usd("30.00")));
    assertThat(
            join(
                List.of(),
                List.of(),
                earlier,
                sale("901", "WEB-6", "70.00"),
                item(PayoutItemType.REFUND, "902", "", "900", "-10.00"),
                item(PayoutItemType.REFUND, "903", "WEB-6", "", "-70.00"),
                item(PayoutItemType.CHARGEBACK, "904", "WEB-5", "", "-20.00"),
                // more than is left of that sale
                item(PayoutItemType.REFUND, "905", "WEB-5", "", "-1.00"),
                item(PayoutItemType.FEE_REFUND, "906", "", "900", "0"),
                item(PayoutItemType.RESERVE_HELD, "907", "", "", "-5.00")))
        .containsExactly(
            new Join.NewSale(),
            new Join.ToSale("old"),
            new Join.ToSale("s0"),
            new Join.ToSale("old"),
            new Join.Loose(),
            new Join.ToSale("old"),
            new Join.Nothing());
  }

  @Test
  void asksWhichOfSeveralSalesIsTakenBack() {
    var joins =
        join(
            List.of(),
            List.of(),
            List.of(),
            sale("1", "WEB-6", "70.00"),
            sale("2", "WEB-6", "70.00"),
            sale("3", "WEB-6", "25.00"),
            item(PayoutItemType.REFUND, "4", "WEB-6", "", "-25.00"),
            item(PayoutItemType.REFUND, "5", "WEB-6", "", "-20.00"));
    assertThat(joins.get(3)).isEqualTo(new Join.ToSale("s2"));
    assertThat(joins.get(4))
        .isEqualTo(
            new Join.Asked(
                List.of(new Join.ToSale("s0"), new Join.ToSale("s1")),
                "2 sales have the reference WEB-6."));
  }
}
