package org.sumbrel.core.propose;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.money.IncludedTax;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.propose.Composition.Part;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.settle.Adjustment;
import org.sumbrel.core.settle.ClaimRaised;
import org.sumbrel.core.settle.Customs.Shortage;
import org.sumbrel.core.settle.FeeTerms;
import org.sumbrel.core.settle.FeeWithheld;
import org.sumbrel.core.settle.FeeWithheld.KeptBy;
import org.sumbrel.core.settle.Policy;
import org.sumbrel.core.settle.SmallWriteOff;

/**
 * How the balances of a set of items can come to the amount received. All amounts in minor units.
 */
final class AmountFit {

  /** One way: what is taken of each item, what explains the difference, and the sentence for it. */
  record Fit(
      List<Part> parts, Optional<Adjustment> adjustment, long onAccount, List<Evidence> evidence) {}

  private final Policy policy;
  private final List<Candidate> set;
  private final long received;
  private final long open;
  private final long discount;
  private final CurrencyUnit currency;
  private final String text;

  AmountFit(Receipt receipt, Policy policy, List<Candidate> set, long open, long discount) {
    this.policy = policy;
    this.set = set;
    this.received = receipt.amount().getAmountMinorLong();
    this.currency = receipt.amount().getCurrencyUnit();
    this.text = receipt.text();
    this.open = open;
    this.discount = discount;
  }

  /** The ways that settle every item of the set in full. */
  List<Fit> whole() {
    var fits = new ArrayList<Fit>();
    if (open == received) {
      fits.add(new Fit(inFull(), Optional.empty(), 0, addUp(inFull())));
    }
    if (discount > 0 && open - discount == received) {
      fits.add(new Fit(discounted(), Optional.empty(), 0, addUp(discounted())));
    }
    var missing = open - received;
    var late = set.stream().mapToLong(Candidate::late).sum();
    if (late > 0 && missing == late) {
      fits.add(discountTakenLate(inFull(), late));
    } else if (late > 0 && missing == late + discount) {
      fits.add(discountTakenLate(discounted(), late));
    }
    if (missing > 0) {
      var fee = money(missing);
      policy.usualFees().stream()
          .filter(terms -> terms.of(money(open)).equals(fee))
          .findFirst()
          .ifPresent(terms -> fits.add(lessFee(terms, fee)));
    }
    if (missing != 0 && withinClerksLimit(missing)) {
      var says =
          words(Math.abs(missing))
              + (missing > 0 ? " less" : " more")
              + " than open, small enough to write off";
      fits.add(
          new Fit(
              inFull(),
              Optional.of(SmallWriteOff.of(money(missing))),
              0,
              List.of(new Evidence("amount.write_off", says, Weights.AMOUNT_LESS_LITTLE))));
    }
    return fits;
  }

  private Fit discountTakenLate(List<Part> parts, long late) {
    var says = words(late) + " less than open: the discount, though the day for it has passed";
    var why = List.of(new Evidence("amount.late_discount", says, Weights.AMOUNT_LATE_DISCOUNT));
    return switch (policy.customs().lateDiscount()) {
      case CLAIM ->
          new Fit(
              parts,
              Optional.of(new ClaimRaised(money(late), owner(), ClaimReason.UNEARNED_DISCOUNT, "")),
              0,
              why);
      case GRANT ->
          new Fit(
              parts.stream()
                  .map(
                      p -> new Part(p.candidate(), p.amount(), p.discount() + p.candidate().late()))
                  .toList(),
              Optional.empty(),
              0,
              why);
      case LEAVE_OPEN ->
          new Fit(
              parts.stream()
                  .map(
                      p -> new Part(p.candidate(), p.amount() - p.candidate().late(), p.discount()))
                  .toList(),
              Optional.empty(),
              0,
              why);
    };
  }

  private String owner() {
    return set.get(set.size() - 1).item().customerId();
  }

  /** A payment that is short and says why, where that is usually claimed. */
  private Optional<Fit> claimed(long missing) {
    var reason = ReasonInText.of(text);
    if (reason.isEmpty()
        || policy.customs().shortWithReason() != Shortage.CLAIM
        || missing * 2 > open) {
      return Optional.empty();
    }
    var says =
        words(missing)
            + " less than open, and the text gives a reason: \""
            + reason.get().written()
            + "\"";
    return Optional.of(
        new Fit(
            inFull(),
            Optional.of(new ClaimRaised(money(missing), owner(), reason.get().reason(), "")),
            0,
            List.of(new Evidence("amount.claim", says, Weights.AMOUNT_CLAIMED))));
  }

  private boolean withinClerksLimit(long missing) {
    return policy.clerk().writeOff().allows(money(missing), money(open));
  }

  private Fit lessFee(FeeTerms terms, Money fee) {
    var fixed = terms.percent().signum() == 0;
    var less = MoneyText.grouped(fee) + " less than open; ";
    var says =
        fixed
            ? less + "banks are known to keep " + MoneyText.grouped(fee)
            : less + "processors are known to keep " + terms;
    var kept =
        new FeeWithheld(
            fee,
            fixed ? KeptBy.BANK : KeptBy.PROCESSOR,
            IncludedTax.in(fee, policy.feeTaxPercent()));
    return new Fit(
        inFull(),
        Optional.of(kept),
        0,
        List.of(new Evidence("amount.fee", says, Weights.AMOUNT_LESS_FEE)));
  }

  /** The ways that leave something: of the last item owing, or of the money on account. */
  List<Fit> loose() {
    var last = set.get(set.size() - 1);
    var missing = open - received;
    if (missing > 0) {
      var claim = claimed(missing);
      if (claim.isPresent()) {
        return List.of(claim.get());
      }
    }
    if (missing > 0 && last.open() > missing) {
      var parts = new ArrayList<>(inFull());
      parts.set(parts.size() - 1, new Part(last, last.open() - missing, 0));
      var says =
          words(last.open() - missing)
              + " of "
              + words(last.open())
              + " for "
              + last.item().number()
              + "; "
              + words(missing)
              + " stays open";
      return List.of(
          new Fit(
              parts,
              Optional.empty(),
              0,
              List.of(new Evidence("amount.part", says, Weights.AMOUNT_PART))));
    }
    if (missing < 0 && open > 0) {
      var says = words(-missing) + " more than open; kept on account";
      return List.of(
          new Fit(
              inFull(),
              Optional.empty(),
              -missing,
              List.of(new Evidence("amount.over", says, Weights.AMOUNT_OVER))));
    }
    return List.of();
  }

  private List<Part> inFull() {
    return set.stream().map(c -> new Part(c, c.open(), 0)).toList();
  }

  private List<Part> discounted() {
    return set.stream().map(c -> new Part(c, c.open(), c.discount())).toList();
  }

  /**
   * The sentence for parts that come to the amount to the cent, with the discounts taken in them.
   */
  static List<Evidence> addUp(List<Part> parts) {
    var discounted = parts.stream().filter(p -> p.discount() > 0).toList();
    var sum =
        switch (parts.size()) {
          case 1 -> "the amount to the cent";
          case 2 -> "the two add up to the cent";
          default -> "the " + parts.size() + " add up to the cent";
        };
    if (discounted.isEmpty()) {
      return List.of(new Evidence("amount.exact", sum, Weights.AMOUNT_EXACT));
    }
    var discounts =
        discounted.stream()
            .map(
                p ->
                    MoneyText.grouped(
                            Candidate.money(
                                p.candidate().item().open().getCurrencyUnit(), p.discount()))
                        + " on "
                        + p.candidate().item().number())
            .collect(Collectors.joining(", "));
    return List.of(
        new Evidence(
            "amount.discount",
            sum + " with the discount taken in time: " + discounts,
            Weights.AMOUNT_DISCOUNTED));
  }

  private Money money(long minor) {
    return Candidate.money(currency, minor);
  }

  private String words(long minor) {
    return MoneyText.grouped(money(minor));
  }
}
