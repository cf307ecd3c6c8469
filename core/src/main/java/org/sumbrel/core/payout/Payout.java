package org.sumbrel.core.payout;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.payout.PayoutStep.Kind;

/**
 * One transfer of a processor or marketplace and what it is made of: {@code net = previous balance
 * + sales − refunds − fees ± adjustments ± conversions ± chargebacks − reserve held + reserve
 * released}. What of the net is not paid out stands in the next payout as its previous balance.
 *
 * @param processor as the file names it; may be empty
 * @param number the processor's own number of it; may be empty
 * @param paidOn the day on which it was sent, where the file tells it
 * @param previousBalance what was left of the payout before; zero where the file is silent
 * @param claimedNet what the file says it comes to, where it says so
 */
public record Payout(
    String processor,
    String number,
    CurrencyUnit currency,
    Optional<LocalDate> from,
    Optional<LocalDate> until,
    Optional<LocalDate> paidOn,
    Money previousBalance,
    Optional<Money> claimedNet,
    List<PayoutItem> items) {

  public Payout {
    items = List.copyOf(items);
  }

  /** What it comes to. */
  public Money net() {
    return previousBalance.plus(sum(parts(), PayoutItem::net));
  }

  /** What the processor sent, as far as the file tells it; else all that it comes to. */
  public Money paidOut() {
    var transfers = items.stream().filter(i -> i.type() == PayoutItemType.TRANSFER).toList();
    if (!transfers.isEmpty()) {
      return sum(transfers, PayoutItem::net).negated();
    }
    return claimedNet.orElseGet(() -> net().isPositive() ? net() : Money.zero(currency));
  }

  /** What stays with the processor; negative where we owe it. */
  public Money carried() {
    return net().minus(paidOut());
  }

  /** What it is made of: every item but the transfer itself. */
  public List<PayoutItem> parts() {
    return items.stream().filter(i -> i.type() != PayoutItemType.TRANSFER).toList();
  }

  /** The way from the previous balance to the net; a kind of which there is nothing is left out. */
  public List<PayoutStep> steps() {
    var amounts = new EnumMap<Kind, Money>(Kind.class);
    var counts = new EnumMap<Kind, Integer>(Kind.class);
    if (!previousBalance.isZero()) {
      amounts.put(Kind.PREVIOUS_BALANCE, previousBalance);
    }
    for (var item : parts()) {
      add(amounts, counts, kindOf(item.type()), item.gross(), item.type().isFee());
      add(amounts, counts, Kind.FEES, item.fee().negated(), item.fee().isZero());
    }
    var steps = new ArrayList<PayoutStep>();
    var after = Money.zero(currency);
    for (var step : amounts.entrySet()) {
      after = after.plus(step.getValue());
      steps.add(
          new PayoutStep(
              step.getKey(), step.getValue(), counts.getOrDefault(step.getKey(), 0), after));
    }
    return steps;
  }

  private static void add(
      Map<Kind, Money> amounts,
      Map<Kind, Integer> counts,
      Kind kind,
      Money amount,
      boolean nothing) {
    if (!nothing) {
      amounts.merge(kind, amount, Money::plus);
      counts.merge(kind, 1, Integer::sum);
    }
  }

  /** The step that the gross of an item belongs to. */
  private static Kind kindOf(PayoutItemType type) {
    return switch (type) {
      case SALE -> Kind.SALES;
      case REFUND -> Kind.REFUNDS;
      case FEE, FEE_REFUND -> Kind.FEES;
      case CHARGEBACK, CHARGEBACK_REVERSAL -> Kind.CHARGEBACKS;
      case RESERVE_HELD -> Kind.RESERVE_HELD;
      case RESERVE_RELEASED -> Kind.RESERVE_RELEASED;
      case ADJUSTMENT -> Kind.ADJUSTMENTS;
      case CONVERSION -> Kind.CONVERSIONS;
      case TRANSFER, UNKNOWN -> Kind.UNKNOWN;
    };
  }

  /** In what it contradicts itself, as sentences; empty where in nothing. */
  public List<String> contradictions() {
    var found = new ArrayList<String>();
    claimedNet
        .filter(claimed -> !claimed.equals(net()))
        .ifPresent(
            claimed ->
                found.add(
                    name()
                        + " says it comes to "
                        + MoneyText.grouped(claimed)
                        + ", its items come to "
                        + MoneyText.grouped(net())
                        + ": "
                        + MoneyText.grouped(claimed.minus(net()).abs())
                        + (claimed.isGreaterThan(net()) ? " less" : " more")));
    claimedNet
        .filter(claimed -> !claimed.equals(paidOut()))
        .ifPresent(
            claimed ->
                found.add(
                    name()
                        + " says it comes to "
                        + MoneyText.grouped(claimed)
                        + " and lists "
                        + MoneyText.grouped(paidOut())
                        + " as paid out"));
    return found;
  }

  /** How it is spoken of. */
  public String name() {
    return number.isEmpty() ? "the payout" : "payout " + number;
  }

  private Money sum(Collection<PayoutItem> some, Function<PayoutItem, Money> part) {
    return MoneySum.of(currency, some, part);
  }
}
