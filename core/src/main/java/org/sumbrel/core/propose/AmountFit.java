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
      List<Part> parts, List<Adjustment> adjustments, long onAccount, List<Evidence> evidence) {}

  /**
   * What the items come to before a fee or a small difference: in full, or less what is taken off
   * for paying early.
   *
   * @param discount taken in time
   * @param lateness what is taken though it is too late
   */
  private record Basis(long sum, long discount, long lateness) {

    /** The code of a fit that explains a rest beside what the basis explains. */
    String code(String rest) {
      return "amount." + (lateness > 0 ? "late_discount_" : discount > 0 ? "discount_" : "") + rest;
    }

    /** Two reasons at once are less usual than either. */
    double weight(double rest) {
      return rest
          + (lateness > 0 ? Weights.LATE_DISCOUNT_TOO : discount > 0 ? Weights.DISCOUNT_TOO : 0);
    }
  }

  /** In minor units. */
  private static final long ROUND = 5_000;

  private final Policy policy;
  private final UsualDifferences usual;
  private final List<Candidate> set;
  private final long received;
  private final long open;
  private final long discount;
  private final CurrencyUnit currency;
  private final String text;
  private final TextWords words;

  AmountFit(
      Receipt receipt,
      Policy policy,
      UsualDifferences usual,
      TextWords words,
      List<Candidate> set,
      long open,
      long discount) {
    this.policy = policy;
    this.usual = usual;
    this.set = set;
    this.received = receipt.amount().getAmountMinorLong();
    this.currency = receipt.amount().getCurrencyUnit();
    this.text = receipt.text();
    this.words = words;
    this.open = open;
    this.discount = discount;
  }

  /** The ways that settle every item of the set in full. */
  List<Fit> whole() {
    var fits = new ArrayList<Fit>(2);
    for (var basis : bases()) {
      var missing = basis.sum() - received;
      if (missing == 0) {
        fits.add(new Fit(parts(basis), adjustments(basis), 0, addUp(basis)));
      }
      if (missing > 0) {
        usual
            .fee(missing, basis.sum())
            .ifPresent(terms -> fits.add(lessFee(basis, terms, money(missing))));
      }
      var reasoned = basis.lateness() > 0 && words.reason().isPresent();
      if (missing != 0 && !reasoned && usual.mayWriteOff(missing, open)) {
        fits.add(writtenOff(basis, missing));
      }
    }
    return fits;
  }

  private List<Basis> bases() {
    var late = 0L;
    for (var candidate : set) {
      late += candidate.late();
    }
    if (discount == 0 && late == 0) {
      return List.of(new Basis(open, 0, 0));
    }
    var bases = new ArrayList<Basis>(4);
    bases.add(new Basis(open, 0, 0));
    if (discount > 0) {
      bases.add(new Basis(open - discount, discount, 0));
    }
    if (late > 0) {
      bases.add(new Basis(open - late, 0, late));
      if (discount > 0) {
        bases.add(new Basis(open - discount - late, discount, late));
      }
    }
    return bases;
  }

  /** What is taken of each item; a discount taken too late is treated as the company does. */
  private List<Part> parts(Basis basis) {
    var late = basis.lateness() > 0 ? policy.customs().lateDiscount() : Shortage.CLAIM;
    return set.stream()
        .map(
            c -> {
              var inTime = basis.discount() > 0 ? c.discount() : 0;
              return switch (late) {
                case CLAIM -> new Part(c, c.open(), inTime);
                case GRANT -> new Part(c, c.open(), inTime + c.late());
                case LEAVE_OPEN -> new Part(c, c.open() - c.late(), inTime);
              };
            })
        .toList();
  }

  private List<Adjustment> adjustments(Basis basis) {
    return basis.lateness() > 0 && policy.customs().lateDiscount() == Shortage.CLAIM
        ? List.of(
            new ClaimRaised(money(basis.lateness()), owner(), ClaimReason.UNEARNED_DISCOUNT, ""))
        : List.of();
  }

  private List<Evidence> addUp(Basis basis) {
    if (basis.lateness() == 0) {
      return addUp(parts(basis));
    }
    var says =
        words(basis.lateness()) + " less than open: the discount, though the day for it has passed";
    return List.of(new Evidence("amount.late_discount", says, Weights.AMOUNT_LATE_DISCOUNT));
  }

  private Fit writtenOff(Basis basis, long missing) {
    var says =
        words(Math.abs(missing))
            + (missing > 0 ? " less" : " more")
            + " than open"
            + beside(basis)
            + ", small enough to write off";
    return new Fit(
        parts(basis),
        with(basis, SmallWriteOff.of(money(missing))),
        0,
        List.of(
            new Evidence(basis.code("write_off"), says, basis.weight(Weights.AMOUNT_LESS_LITTLE))));
  }

  private List<Adjustment> with(Basis basis, Adjustment more) {
    var all = new ArrayList<>(adjustments(basis));
    all.add(more);
    return List.copyOf(all);
  }

  private String beside(Basis basis) {
    var off = basis.discount() + basis.lateness();
    return off == 0
        ? ""
        : " with the discount of " + words(off) + (basis.lateness() > 0 ? " taken too late" : "");
  }

  private String owner() {
    return set.get(set.size() - 1).item().customerId();
  }

  /** A payment that is short and says why, where that is usually claimed. */
  private Optional<Fit> claimed(long missing) {
    var reason = words.reason();
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
            List.of(new ClaimRaised(money(missing), owner(), reason.get().reason(), "")),
            0,
            List.of(new Evidence("amount.claim", says, Weights.AMOUNT_CLAIMED))));
  }

  private Fit lessFee(Basis basis, FeeTerms terms, Money fee) {
    var fixed = terms.percent().signum() == 0;
    var less = MoneyText.grouped(fee) + " less than open" + beside(basis) + "; ";
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
        parts(basis),
        with(basis, kept),
        0,
        List.of(new Evidence(basis.code("fee"), says, basis.weight(Weights.AMOUNT_LESS_FEE))));
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
              List.of(),
              0,
              List.of(
                  meantAsPart()
                      ? new Evidence("amount.part_meant", says, Weights.AMOUNT_PART_MEANT)
                      : new Evidence("amount.part", says, Weights.AMOUNT_PART))));
    }
    if (missing < 0 && open > 0) {
      var says = words(-missing) + " more than open; kept on account";
      var stated =
          text.contains(MoneyText.plain(money(-missing))) || text.contains(words(-missing));
      return List.of(
          new Fit(
              inFull(),
              List.of(),
              -missing,
              List.of(
                  stated
                      ? new Evidence(
                          "amount.over_stated",
                          says + ", though the text has just this amount for something",
                          Weights.AMOUNT_OVER_STATED)
                      : new Evidence("amount.over", says, Weights.AMOUNT_OVER))));
    }
    return List.of();
  }

  /** A round sum, or one that the text calls a part: common practice, no source. */
  private boolean meantAsPart() {
    return received % ROUND == 0 || words.callsItPart();
  }

  private List<Part> inFull() {
    return set.stream().map(c -> new Part(c, c.open(), 0)).toList();
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
