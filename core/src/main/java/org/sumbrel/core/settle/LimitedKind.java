package org.sumbrel.core.settle;

import java.util.Optional;
import java.util.function.Function;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneySum;

/** The differences that have a limit. */
enum LimitedKind {
  WRITE_OFF("written off", Limits::writeOff),
  FEE("taken as a fee", Limits::fee),
  UNEARNED_DISCOUNT("granted as a late discount", Limits::unearnedDiscount),
  REFUND("promised back", Limits::refund),
  EXCHANGE("taken as an exchange difference", Limits::exchange);

  private final String done;
  private final Function<Limits, Tolerance> limit;

  LimitedKind(String done, Function<Limits, Tolerance> limit) {
    this.done = done;
    this.limit = limit;
  }

  /** What would be done with the amount, in words. */
  String done() {
    return done;
  }

  static Optional<LimitedKind> of(Adjustment adjustment) {
    if (adjustment instanceof SmallWriteOff) {
      return Optional.of(WRITE_OFF);
    }
    if (adjustment instanceof FeeWithheld) {
      return Optional.of(FEE);
    }
    if (adjustment instanceof UnearnedDiscount) {
      return Optional.of(UNEARNED_DISCOUNT);
    }
    return adjustment instanceof RefundPromised ? Optional.of(REFUND) : Optional.empty();
  }

  /** All of this kind in a draft, together: several small ones count as one large one. */
  Money in(Draft draft) {
    if (this == EXCHANGE) {
      return MoneySum.of(draft.currency(), draft.exchanges(), Exchanged::shortage);
    }
    return MoneySum.of(
        draft.currency(),
        draft.adjustments().stream().filter(a -> of(a).filter(k -> k == this).isPresent()).toList(),
        Adjustment::amount);
  }

  /** Why {@code amount} of it is beyond somebody's limits; empty where it is not. */
  String refusal(Money amount, Tally tally, Limits limits) {
    var own = limit.apply(limits);
    return switch (this) {
      case REFUND -> own.refusal(amount, tally.received(), "what was received");
      // a fee is kept of money on account as well
      case FEE ->
          own.refusal(
              amount,
              tally.applied().plus(tally.elsewhere()).plus(tally.onAccount()),
              tally.onAccount().isZero() ? "what is applied" : "what is applied and kept");
      case EXCHANGE -> own.refusal(amount, tally.exchanged(), "what counts in another currency");
      case WRITE_OFF, UNEARNED_DISCOUNT -> own.refusal(amount, tally.applied(), "what is applied");
    };
  }
}
