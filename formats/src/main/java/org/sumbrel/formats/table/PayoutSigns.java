package org.sumbrel.formats.table;

import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.sumbrel.core.payout.PayoutItem;
import org.sumbrel.core.payout.PayoutItemType;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.table.PayoutTable.PayoutLine;

/**
 * How a payout file writes what goes away from us.
 *
 * @param signed whether refunds, chargebacks, reserves and transfers are written as negative; else
 *     the type alone says so
 * @param feesNegative whether a fee that is kept is written as negative
 */
record PayoutSigns(boolean signed, boolean feesNegative) {

  /** As the lines show it, all together. */
  static PayoutSigns of(List<PayoutLine> lines) {
    return new PayoutSigns(
        lines.stream().anyMatch(PayoutSigns::writtenNegative), feesNegative(lines));
  }

  private static boolean writtenNegative(PayoutLine line) {
    var away =
        line.type().filter(t -> t.sign() < 0 || t == PayoutItemType.FEE).isPresent()
            && line.gross().or(line::net).isPresent();
    return away && line.gross().or(line::net).orElseThrow().isNegative();
  }

  /** The lines' own arithmetic says it; where it is silent, the signs of the fees on sales do. */
  private static boolean feesNegative(List<PayoutLine> lines) {
    var votes = 0;
    var negative = 0;
    for (var line : lines) {
      if (line.fee().isEmpty() || line.fee().get().isZero() || line.gross().isEmpty()) {
        continue;
      }
      var fee = line.fee().get();
      if (line.net().isPresent()) {
        votes += line.net().get().equals(line.gross().get().plus(fee)) ? 1 : 0;
        votes -= line.net().get().equals(line.gross().get().minus(fee)) ? 1 : 0;
      }
      if (line.type().filter(t -> t == PayoutItemType.SALE).isPresent()) {
        negative += fee.isNegative() ? 1 : -1;
      }
    }
    return votes == 0 ? negative > 0 : votes > 0;
  }

  /** The item of a line. */
  PayoutItem item(PayoutLine line, Reading reading) {
    var type = line.type().orElseThrow();
    var fee = type.isFee() ? ownFee(line, type) : fee(line, type);
    var zero = Money.zero(line.currency());
    var gross = type.isFee() ? zero : gross(line, type, fee);
    return new PayoutItem(
        line.line(),
        line.id(),
        type,
        line.word(),
        line.reference(),
        line.related(),
        line.on(),
        gross,
        fee,
        within(line, line.tax(), gross, reading),
        within(line, line.feeTax(), fee, reading),
        line.method(),
        line.payer(),
        line.text());
  }

  /** What the line says it comes to; empty where it does not say so beside its gross. */
  Optional<Money> net(PayoutLine line) {
    var type = line.type().orElseThrow();
    return type.isFee() || line.gross().isEmpty()
        ? Optional.empty()
        : line.net().map(net -> towardsUs(net, type));
  }

  private Money gross(PayoutLine line, PayoutItemType type, Money fee) {
    return line.gross()
        .map(gross -> towardsUs(gross, type))
        .orElseGet(
            () ->
                line.net()
                    .map(net -> towardsUs(net, type).plus(fee))
                    .orElse(Money.zero(line.currency())));
  }

  private Money towardsUs(Money amount, PayoutItemType type) {
    if (signed || type.sign() == 0) {
      return amount;
    }
    return type.sign() > 0 ? amount.abs() : amount.abs().negated();
  }

  /** The fee in a column of its own. */
  private Money fee(PayoutLine line, PayoutItemType type) {
    var kept = line.fee().map(f -> feesNegative ? f.negated() : f);
    if (kept.isEmpty()) {
      return Money.zero(line.currency());
    }
    // without signs, only the net tells whether the fee of a refund came back
    var back = kept.get().negated();
    var comesBack =
        !signed
            && line.gross().isPresent()
            && line.net().isPresent()
            && towardsUs(line.net().get(), type)
                .equals(towardsUs(line.gross().get(), type).minus(back));
    return comesBack && !back.isZero() ? back : kept.get();
  }

  /** The fee of a line that is nothing but a fee, whichever column tells it. */
  private Money ownFee(PayoutLine line, PayoutItemType type) {
    var told = line.net().filter(n -> !n.isZero()).or(() -> line.gross().filter(g -> !g.isZero()));
    if (told.isPresent() && signed) {
      return told.get().negated();
    }
    var amount =
        told.orElseGet(
            () ->
                line.fee()
                    .map(f -> feesNegative ? f.negated() : f)
                    .orElse(Money.zero(line.currency())));
    if (told.isEmpty() && amount.isNegative()) {
      return amount;
    }
    return type == PayoutItemType.FEE ? amount.abs() : amount.abs().negated();
  }

  private static Money within(PayoutLine line, Optional<Money> told, Money whole, Reading reading) {
    var tax = told.map(Money::abs).orElse(Money.zero(line.currency()));
    if (!tax.isZero() && !tax.isLessThan(whole.abs())) {
      reading.wrong(
          line.line(), "a tax of " + tax.getAmount() + " is not contained in " + whole.getAmount());
      return Money.zero(line.currency());
    }
    return whole.isNegative() ? tax.negated() : tax;
  }
}
