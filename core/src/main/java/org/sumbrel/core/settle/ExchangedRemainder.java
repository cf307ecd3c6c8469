package org.sumbrel.core.settle;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.joda.money.Money;
import org.sumbrel.core.exchange.RateUsed.Source;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.core.settle.RemainderOption.Kind;

/**
 * The ways to treat what is left of a receipt that counts in other currencies or for other
 * companies: fees, roundings and what stays on account where the receipt is; discounts, write-offs
 * and claims where the items are; what is left between two currencies is an exchange difference.
 */
record ExchangedRemainder(Draft draft, Policies policies, Authority authority) {

  /** What is owed or granted where the items are. */
  private static final Set<Kind> WHERE_THE_ITEMS_ARE =
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
    RemainderOption.of(own, policies.of(own.place()), authority).stream()
        .filter(o -> !theirs(left, o.kind()))
        .forEach(options::add);
    if (left.isNegative() && !lastIsOwn()) {
      theirs().map(this::whereTheItemsAre).ifPresent(options::addAll);
    }
    lastExchanged().map(e -> exchange(own, e, left)).ifPresent(o -> options.add(at(options), o));
    return options;
  }

  /** Against the bank's own figures something else is likelier, against a day's rate this is. */
  private int at(List<RemainderOption> options) {
    return lastExchanged()
        .flatMap(Exchanged::reference)
        .filter(used -> used.source() == Source.BANK)
        .map(used -> options.size())
        .orElse(0);
  }

  /** Whether a way to treat what is missing is one where the item is that was added last. */
  private boolean theirs(Money left, Kind kind) {
    return left.isNegative() && !lastIsOwn() && WHERE_THE_ITEMS_ARE.contains(kind);
  }

  /** Whether the item that was added last is in the receipt's own currency and company. */
  private boolean lastIsOwn() {
    var applications = draft.applications();
    return !applications.isEmpty()
        && applications.get(applications.size() - 1).place().equals(draft.place());
  }

  /** What is left, taken as a worse or better rate than the one it is held against. */
  private RemainderOption exchange(Draft own, Exchanged wanted, Money left) {
    var given = wanted.given().plus(left);
    if (given.getAmount().signum() != wanted.given().getAmount().signum()) {
      return new RemainderOption(
          Kind.EXCHANGE, left.abs(), "nothing would be left that counts there", "", "");
    }
    var after = own.exchanging(wanted.giving(given));
    var all = LimitedKind.EXCHANGE.in(after);
    var policy = policies.of(own.place());
    var mine = LimitedKind.EXCHANGE.refusal(all, after.tally(), policy.limits(authority));
    var supervisors = LimitedKind.EXCHANGE.refusal(all, after.tally(), policy.supervisor());
    return mine.isEmpty() || supervisors.isEmpty()
        ? new RemainderOption(Kind.EXCHANGE, left.abs(), "", mine, "")
        : new RemainderOption(Kind.EXCHANGE, left.abs(), supervisors, "", "");
  }

  private List<RemainderOption> whereTheItemsAre(Draft part) {
    return RemainderOption.of(part, policies.of(part.place()), authority).stream()
        .filter(o -> WHERE_THE_ITEMS_ARE.contains(o.kind()))
        .toList();
  }

  /** What counts where the item is that was added last of those elsewhere. */
  private Exchanged last() {
    return last(e -> true).orElse(draft.exchanges().get(draft.exchanges().size() - 1));
  }

  /** The last of those in another currency, where there is one. */
  private Optional<Exchanged> lastExchanged() {
    return last(e -> e.reference().isPresent());
  }

  private Optional<Exchanged> last(Predicate<Exchanged> which) {
    for (var at = draft.applications().size() - 1; at >= 0; at--) {
      var where = draft.applications().get(at).place();
      for (var exchange : draft.exchanges()) {
        if (exchange.place().equals(where) && which.test(exchange)) {
          return Optional.of(exchange);
        }
      }
    }
    return draft.exchanges().stream().filter(which).reduce((earlier, later) -> later);
  }

  /**
   * The part of the last item's place, as if all had been received there that is left for it, at
   * the rate it is held against; empty where that is nothing.
   */
  private Optional<Draft> theirs() {
    return available()
        .map(left -> draft.counting(last().companyId(), last().there(left)))
        .filter(part -> !part.receipt().amount().isZero());
  }

  /** What of the receipt is left for what counts there. */
  private Optional<Money> available() {
    return Optional.of(last().given().plus(draft.tally().left())).filter(Money::isPositive);
  }

  Draft taken(Kind kind, Optional<ClaimReason> reason) {
    RemainderOption.allowed(options(), kind, draft);
    var left = draft.tally().left();
    if (kind == Kind.EXCHANGE) {
      var wanted = lastExchanged().orElseThrow();
      return draft.exchanging(wanted.giving(wanted.given().plus(left)));
    }
    if (theirs(left, kind)) {
      var before = theirs().orElseThrow();
      var after =
          RemainderOption.taken(before, kind, reason, policies.of(before.place()), authority);
      var tally = after.tally();
      var counted = tally.received().minus(tally.left());
      // where both agree there, all that is left of the receipt is what counts there
      var exchanged =
          tally.left().isZero()
              ? new Exchanged(
                  last().companyId(), available().orElseThrow(), counted, last().reference())
              : last().counting(counted);
      return draft.with(before, after).exchanging(exchanged);
    }
    var own = draft.parts().get(0);
    return draft.with(
        own, RemainderOption.taken(own, kind, reason, policies.of(own.place()), authority));
  }
}
