package org.sumbrel.server.payouts;

import java.util.Arrays;
import java.util.stream.Collectors;
import org.sumbrel.core.payout.Join;

/** What an item belongs to, as it is kept and sent: a kind, and the id of what it is. */
record JoinText(Kind kind, Long target) {

  /** What an item may belong to. */
  enum Kind {
    NOTHING,
    INVOICE,
    RECEIPT,
    SALE,
    /** A chargeback of a sale that opens again the invoice which that has paid. */
    REOPEN,
    NEW,
    LOOSE,
    ASKED
  }

  static JoinText of(Join join) {
    if (join instanceof Join.ToInvoice to) {
      return new JoinText(Kind.INVOICE, Long.valueOf(to.itemId()));
    }
    if (join instanceof Join.ToReceipt to) {
      return new JoinText(Kind.RECEIPT, Long.valueOf(to.receiptId()));
    }
    if (join instanceof Join.ToSale to) {
      return new JoinText(to.reopens() ? Kind.REOPEN : Kind.SALE, Long.valueOf(to.saleId()));
    }
    if (join instanceof Join.NewSale) {
      return new JoinText(Kind.NEW, null);
    }
    if (join instanceof Join.Loose) {
      return new JoinText(Kind.LOOSE, null);
    }
    return new JoinText(join instanceof Join.Asked ? Kind.ASKED : Kind.NOTHING, null);
  }

  /** What this says; where it is to be asked, of these candidates. */
  Join toJoin(String candidates, String why) {
    return switch (kind) {
      case NOTHING -> new Join.Nothing();
      case INVOICE -> new Join.ToInvoice(target.toString());
      case RECEIPT -> new Join.ToReceipt(target.toString());
      case SALE -> new Join.ToSale(target.toString());
      case REOPEN -> new Join.ToSale(target.toString(), true);
      case NEW -> new Join.NewSale();
      case LOOSE -> new Join.Loose();
      case ASKED ->
          new Join.Asked(
              Arrays.stream(candidates.split(";")).map(c -> read(c).toJoin("", "")).toList(), why);
    };
  }

  /** The candidates of what is to be asked, as one text; empty for all else. */
  static String candidates(Join join) {
    return join instanceof Join.Asked asked
        ? asked.candidates().stream()
            .limit(40)
            .map(c -> of(c).written())
            .collect(Collectors.joining(";"))
        : "";
  }

  static String why(Join join) {
    return join instanceof Join.Asked asked ? asked.why() : "";
  }

  private String written() {
    return kind + (target == null ? "" : " " + target);
  }

  private static JoinText read(String written) {
    var parts = written.split(" ");
    return new JoinText(Kind.valueOf(parts[0]), parts.length == 1 ? null : Long.valueOf(parts[1]));
  }
}
