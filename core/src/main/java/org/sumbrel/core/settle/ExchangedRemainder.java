package org.sumbrel.core.settle;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.joda.money.Money;
import org.sumbrel.core.exchange.RateUsed.Source;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.core.settle.RemainderOption.Kind;

/**
 * The ways to treat what is left of a receipt that counts in other currencies: fees, roundings and
 * what stays on account in the receipt's currency; discounts, write-offs and claims in that of the
 * items; what is left between both is an exchange difference.
 */
record ExchangedRemainder(Draft draft, Policies policies, Authority authority) {

  /** What is owed or granted in the currency of the items. */
  private static final Set<Kind> IN_THEIR_CURRENCY =
      Set.of(
          Kind.TAKE_DISCOUNT,
          Kind.GRANT_DISCOUNT,
          Kind.BILL_BACK_DISCOUNT,
          Kind.WRITE_OFF,
          Kind.CLAIM,
          Kind.LEAVE_OWING);

  List<RemainderOption> options() {
    var own = draft.parts().get(0);
    var left = own.tally().left();
    if (left.isZero()) {
      return List.of();
    }
    var options = new ArrayList<RemainderOption>();
    RemainderOption.of(own, policies.of(own.currency()), authority).stream()
        .filter(o -> left.isPositive() || !IN_THEIR_CURRENCY.contains(o.kind()))
        .forEach(options::add);
    if (left.isNegative()) {
      theirs().map(this::inTheirCurrency).ifPresent(options::addAll);
    }
    // against the bank's own figures something else is likelier, against a day's rate this is
    var byTheBank = last().reference().source() == Source.BANK;
    options.add(byTheBank ? options.size() : 0, exchange(own, left));
    return options;
  }

  /** What is left, taken as a worse or better rate than the one it is held against. */
  private RemainderOption exchange(Draft own, Money left) {
    var wanted = last();
    var given = wanted.given().plus(left);
    if (given.getAmount().signum() != wanted.given().getAmount().signum()) {
      return new RemainderOption(
          Kind.EXCHANGE, left.abs(), "nothing would be left that counts there", "", "");
    }
    var after = own.exchanging(new Exchanged(given, wanted.counted(), wanted.reference()));
    var all = LimitedKind.EXCHANGE.in(after);
    var policy = policies.of(own.currency());
    var mine = LimitedKind.EXCHANGE.refusal(all, after.tally(), policy.limits(authority));
    var supervisors = LimitedKind.EXCHANGE.refusal(all, after.tally(), policy.supervisor());
    return mine.isEmpty() || supervisors.isEmpty()
        ? new RemainderOption(Kind.EXCHANGE, left.abs(), "", mine, "")
        : new RemainderOption(Kind.EXCHANGE, left.abs(), supervisors, "", "");
  }

  private List<RemainderOption> inTheirCurrency(Draft part) {
    return RemainderOption.of(part, policies.of(part.currency()), authority).stream()
        .filter(o -> IN_THEIR_CURRENCY.contains(o.kind()))
        .toList();
  }

  /** What counts in the currency of the item that was added last. */
  private Exchanged last() {
    for (var at = draft.applications().size() - 1; at >= 0; at--) {
      var unit = draft.applications().get(at).amount().getCurrencyUnit();
      for (var exchange : draft.exchanges()) {
        if (exchange.currency().equals(unit)) {
          return exchange;
        }
      }
    }
    return draft.exchanges().get(draft.exchanges().size() - 1);
  }

  /**
   * The part of the last item's currency, as if all had been received there that is left for it, at
   * the rate it is held against; empty where that is nothing.
   */
  private Optional<Draft> theirs() {
    return available()
        .map(left -> draft.counting(last().reference().rate().inverse().of(left)))
        .filter(part -> !part.receipt().amount().isZero());
  }

  /** What of the receipt is left for what counts there. */
  private Optional<Money> available() {
    return Optional.of(last().given().plus(draft.tally().left())).filter(Money::isPositive);
  }

  Draft taken(Kind kind, Optional<ClaimReason> reason) {
    RemainderOption.allowed(options(), kind, draft);
    var wanted = last();
    if (kind == Kind.EXCHANGE) {
      var given = wanted.given().plus(draft.tally().left());
      return draft.exchanging(new Exchanged(given, wanted.counted(), wanted.reference()));
    }
    if (draft.tally().left().isNegative() && IN_THEIR_CURRENCY.contains(kind)) {
      var before = theirs().orElseThrow();
      var after =
          RemainderOption.taken(before, kind, reason, policies.of(before.currency()), authority);
      var tally = after.tally();
      var counted = tally.received().minus(tally.left());
      // where both agree there, all that is left of the receipt is what counts there
      var exchanged =
          tally.left().isZero()
              ? new Exchanged(available().orElseThrow(), counted, wanted.reference())
              : Exchanged.atRate(counted, wanted.reference());
      return draft.with(before, after).exchanging(exchanged);
    }
    var own = draft.parts().get(0);
    return draft.with(
        own, RemainderOption.taken(own, kind, reason, policies.of(own.currency()), authority));
  }
}
