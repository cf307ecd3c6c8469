package org.sumbrel.core.deposit;

import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import org.joda.money.Money;
import org.sumbrel.core.deposit.DepositMatch.Kind;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.PaidBy;
import org.sumbrel.core.settle.FeeTerms;
import org.sumbrel.core.sums.ExactSets;

/**
 * Finds which deposits a bank entry shows, over any age: by amount, by the slip's number, by the
 * days between; those that nearly fit with what would fill the gap; and receipts in the pouch of
 * which somebody forgot to make a deposit.
 */
public final class DepositMatching {

  /** Weights of what speaks for a match, by judgement; no data stands behind them. */
  private static final double SLIP = 6;

  private static final double AMOUNT = 5;
  private static final double SOON = 2;
  private static final double BEFORE = -4;
  private static final double EACH_MORE = -1;
  private static final double LOOKS_LIKE_ONE = 1;

  private static final int SOON_DAYS = 5;
  private static final int MOST = 5;
  private static final int MOST_TOGETHER = 3;
  private static final int MOST_IN_POUCH = 12;
  private static final long MOST_STEPS = 200_000;

  /** A deposit that differs by more than this part of it is not near. */
  private static final double NEAR = 0.25;

  private static final Pattern LOOKS =
      Pattern.compile(
          "\\b(DEPOSITS?|COUNTER|LODGE?MENT|CASH|CHE(CK|QUE)S|EINZAHLUNG|REMISE|MERCHANT|CARDS?)\\b");

  private final List<InTransit> deposits;
  private final List<HeldReceipt> pouch;
  private final List<FeeTerms> usualFees;

  /**
   * A finder over what is in transit to one bank account, and what is in the pouch.
   *
   * @param usualFees what banks and acquirers are known to take
   */
  public DepositMatching(
      List<InTransit> deposits, List<HeldReceipt> pouch, List<FeeTerms> usualFees) {
    this.deposits = List.copyOf(deposits);
    this.pouch = List.copyOf(pouch);
    this.usualFees = List.copyOf(usualFees);
  }

  /** Whether the bank's words speak of a deposit. */
  public static boolean looksLikeOne(BankCredit entry) {
    return LOOKS.matcher(entry.text().toUpperCase(Locale.ROOT)).find();
  }

  /**
   * What may explain an entry, the likeliest first.
   *
   * @param others entries of the same account that nothing explains yet
   */
  public List<DepositMatch> matches(BankCredit entry, List<BankCredit> others) {
    var found = new ArrayList<DepositMatch>();
    for (var deposit : deposits) {
      single(entry, deposit).ifPresent(found::add);
      inParts(entry, deposit, others).ifPresent(found::add);
    }
    found.addAll(together(entry));
    if (found.stream().noneMatch(m -> m.gap().isZero())) {
      found.addAll(inPouch(entry));
    }
    return found.stream()
        .filter(m -> m.weight() > 0)
        .sorted(Comparator.comparingDouble(DepositMatch::weight).reversed())
        .limit(MOST)
        .toList();
  }

  private Optional<DepositMatch> single(BankCredit entry, InTransit deposit) {
    var gap = entry.amount().minus(deposit.left());
    var reasons = new ArrayList<String>();
    var weight = named(entry, deposit, reasons) + days(entry, deposit, reasons);
    if (gap.isZero()) {
      reasons.add(0, "the amount to the cent");
      return Optional.of(
          match(Kind.AGREES, entry, deposit, gap, reasons, List.of(), weight + AMOUNT));
    }
    var fixes = fixes(gap, deposit);
    var share = gap.getAmount().abs().doubleValue() / deposit.left().getAmount().doubleValue();
    if (share > NEAR && weight < SLIP) {
      return Optional.empty();
    }
    reasons.add(
        0,
        MoneyText.grouped(gap.abs())
            + (gap.isPositive() ? " more" : " less")
            + " than this deposit of "
            + MoneyText.grouped(deposit.left()));
    var fits = fixes.isEmpty() ? 0 : AMOUNT / 2;
    return Optional.of(
        match(
            Kind.NEAR,
            entry,
            deposit,
            gap,
            reasons,
            fixes,
            weight + fits + AMOUNT * (0.3 - share)));
  }

  private static DepositMatch match(
      Kind kind,
      BankCredit entry,
      InTransit deposit,
      Money gap,
      List<String> reasons,
      List<DepositMatch.Fix> fixes,
      double weight) {
    return new DepositMatch(
        kind,
        List.of(deposit.id()),
        List.of(entry.id()),
        List.of(),
        gap,
        List.copyOf(reasons),
        fixes,
        weight);
  }

  /** Whether the slip's number stands in the bank's words. */
  private static double named(BankCredit entry, InTransit deposit, List<String> reasons) {
    var slip = deposit.slip().strip();
    if (slip.length() < 3
        || !Pattern.compile(
                "(?<![A-Z0-9])0*" + Pattern.quote(slip.replaceFirst("^0+", "")) + "(?![A-Z0-9])",
                Pattern.CASE_INSENSITIVE)
            .matcher(entry.text())
            .find()) {
      return looksLikeOne(entry) ? LOOKS_LIKE_ONE : 0;
    }
    reasons.add("the slip's number " + slip + " stands in what the bank says");
    return SLIP;
  }

  private static double days(BankCredit entry, InTransit deposit, List<String> reasons) {
    var days = ChronoUnit.DAYS.between(deposit.deposit().on(), entry.on());
    if (days < 0) {
      reasons.add(
          "but it was to be banked on "
              + DayText.of(deposit.deposit().on())
              + ", after the bank shows it");
      return BEFORE;
    }
    reasons.add(
        days == 0
            ? "banked on the same day"
            : "banked " + (days == 1 ? "a day" : days + " days") + " before");
    return days <= SOON_DAYS ? SOON : 0;
  }

  /** With another entry that shows the rest of it. */
  private static Optional<DepositMatch> inParts(
      BankCredit entry, InTransit deposit, List<BankCredit> others) {
    var rest = deposit.left().minus(entry.amount());
    if (!rest.isPositive()) {
      return Optional.empty();
    }
    return others.stream()
        .filter(o -> !o.id().equals(entry.id()) && o.amount().equals(rest))
        .filter(o -> !o.on().isBefore(deposit.deposit().on()))
        .findFirst()
        .map(
            other -> {
              var reasons = new ArrayList<String>();
              reasons.add(
                  "with the "
                      + MoneyText.grouped(other.amount())
                      + " of "
                      + DayText.of(other.on())
                      + " it is this deposit to the cent");
              var weight =
                  named(entry, deposit, reasons)
                      + days(entry, deposit, reasons)
                      + AMOUNT
                      + EACH_MORE;
              return new DepositMatch(
                  Kind.IN_PARTS,
                  List.of(deposit.id()),
                  List.of(entry.id(), other.id()),
                  List.of(),
                  Money.zero(entry.amount().getCurrencyUnit()),
                  reasons,
                  List.of(),
                  weight);
            });
  }

  /** Deposits that come to the entry together. */
  private List<DepositMatch> together(BankCredit entry) {
    var some =
        deposits.stream()
            .filter(d -> !d.deposit().on().isAfter(entry.on()))
            .filter(d -> d.left().isLessThan(entry.amount()))
            .toList();
    var amounts = some.stream().mapToLong(d -> d.left().getAmountMinorLong()).toArray();
    var found = new ArrayList<DepositMatch>();
    for (var set : sets(amounts, entry.amount(), MOST_TOGETHER)) {
      var chosen = Arrays.stream(set).mapToObj(some::get).toList();
      var reasons = new ArrayList<String>();
      reasons.add("these " + chosen.size() + " deposits come to it to the cent");
      var weight = AMOUNT + EACH_MORE * (chosen.size() - 1);
      var last = chosen.stream().max(Comparator.comparing(d -> d.deposit().on())).orElseThrow();
      weight += days(entry, last, reasons);
      for (var deposit : chosen) {
        weight += named(entry, deposit, reasons) / chosen.size();
      }
      found.add(
          new DepositMatch(
              Kind.TOGETHER,
              chosen.stream().map(InTransit::id).toList(),
              List.of(entry.id()),
              List.of(),
              Money.zero(entry.amount().getCurrencyUnit()),
              reasons,
              List.of(),
              weight));
    }
    return found;
  }

  private List<DepositMatch> inPouch(BankCredit entry) {
    var some =
        pouch.stream()
            .filter(r -> !r.receivedOn().isAfter(entry.on()) && r.bankable(entry.on()))
            .filter(r -> r.amount().getCurrencyUnit().equals(entry.amount().getCurrencyUnit()))
            .toList();
    var found = new ArrayList<DepositMatch>();
    for (var set : setsOfReceipts(some, entry.amount())) {
      var weight = AMOUNT / 2 + EACH_MORE * 0.5 * (set.size() - 1);
      found.add(
          new DepositMatch(
              Kind.IN_POUCH,
              List.of(),
              List.of(entry.id()),
              set.stream().map(HeldReceipt::id).toList(),
              Money.zero(entry.amount().getCurrencyUnit()),
              List.of(make(set)),
              List.of(),
              weight + (looksLikeOne(entry) ? SOON : 0)));
    }
    return found;
  }

  private static String make(List<HeldReceipt> set) {
    if (set.size() == 1) {
      var one = set.get(0);
      return one.name()
          + " of "
          + MoneyText.grouped(one.amount())
          + " in the pouch is exactly this";
    }
    return amounts(set) + " in the pouch make exactly this";
  }

  private static String amounts(List<HeldReceipt> set) {
    var words = set.stream().map(r -> MoneyText.grouped(r.amount())).toList();
    return String.join(", ", words.subList(0, words.size() - 1))
        + " and "
        + words.get(words.size() - 1);
  }

  /** What would make this deposit agree with what the bank shows. */
  private List<DepositMatch.Fix> fixes(Money gap, InTransit deposit) {
    var fixes = new ArrayList<DepositMatch.Fix>();
    if (!deposit.begun()) {
      forgotten(gap, deposit).ifPresent(fixes::add);
      tooMuch(gap, deposit).ifPresent(fixes::add);
    }
    fee(gap, deposit).ifPresent(fixes::add);
    cash(gap, deposit).ifPresent(fixes::add);
    return fixes;
  }

  private Optional<DepositMatch.Fix> forgotten(Money gap, InTransit deposit) {
    if (!gap.isPositive()) {
      return Optional.empty();
    }
    var some =
        pouch.stream()
            .filter(r -> (r.method() == PaidBy.CARD) == deposit.deposit().isBatch())
            .filter(r -> r.bankable(deposit.deposit().on()))
            .filter(r -> !r.receivedOn().isAfter(deposit.deposit().on()))
            .toList();
    return setsOfReceipts(some, gap).stream()
        .findFirst()
        .map(
            set ->
                new DepositMatch.Fix(
                    DepositMatch.Fix.What.PUT_IN,
                    set.stream().map(HeldReceipt::id).toList(),
                    Optional.empty(),
                    set.size() == 1
                        ? set.get(0).name()
                            + " of "
                            + MoneyText.grouped(set.get(0).amount())
                            + " is still in the pouch; with it the deposit agrees"
                        : amounts(set) + " are still in the pouch; with them the deposit agrees"));
  }

  private static Optional<DepositMatch.Fix> tooMuch(Money gap, InTransit deposit) {
    return deposit
        .deposit()
        .worth(gap.negated())
        .map(
            one -> {
              var twin =
                  deposit.deposit().receipts().stream()
                      .anyMatch(
                          r ->
                              r != one
                                  && r.amount().equals(one.amount())
                                  && r.from().equals(one.from()));
              return new DepositMatch.Fix(
                  DepositMatch.Fix.What.TAKE_OUT,
                  List.of(one.id()),
                  Optional.empty(),
                  one.name()
                      + " of "
                      + MoneyText.grouped(one.amount())
                      + " from "
                      + one.from()
                      + (twin
                          ? " stands twice in it with the same amount; without one of them it agrees"
                          : " is in it; without it, if the bank refused it, the deposit agrees"));
            });
  }

  private Optional<DepositMatch.Fix> fee(Money gap, InTransit deposit) {
    var batch = deposit.deposit().isBatch();
    var kind = batch ? DepositLine.Kind.PROCESSING_FEE : DepositLine.Kind.BANK_FEE;
    return usualFees.stream()
        .filter(fee -> fee.of(deposit.left()).equals(gap.negated()))
        .findFirst()
        .map(
            fee ->
                new DepositMatch.Fix(
                    DepositMatch.Fix.What.ADD_LINE,
                    List.of(),
                    Optional.of(new DepositLine(kind, gap, Optional.empty(), "")),
                    (batch ? "acquirers" : "banks")
                        + " are known to keep "
                        + fee
                        + (fee.percent().signum() == 0
                            ? ""
                            : ", which is " + MoneyText.grouped(gap.abs()))));
  }

  private static Optional<DepositMatch.Fix> cash(Money gap, InTransit deposit) {
    var cash = deposit.deposit().cash();
    var counted = cash.plus(gap);
    if (!cash.isPositive() || counted.isNegative()) {
      return Optional.empty();
    }
    var says =
        "the cash of it is "
            + MoneyText.grouped(cash)
            + "; if the bank counted "
            + MoneyText.grouped(counted)
            + ", it agrees"
            + why(gap, cash, counted);
    return Optional.of(
        new DepositMatch.Fix(
            DepositMatch.Fix.What.ADD_LINE,
            List.of(),
            Optional.of(
                new DepositLine(DepositLine.Kind.CASH_DIFFERENCE, gap, Optional.empty(), "")),
            says));
  }

  /** How a count goes wrong: a note more or less, or two figures that changed places. */
  private static String why(Money gap, Money cash, Money counted) {
    if (CashCount.denominations(gap.getCurrencyUnit()).contains(gap.abs())) {
      return ": the difference is one piece of " + MoneyText.grouped(gap.abs());
    }
    return swapped(MoneyText.plain(cash), MoneyText.plain(counted))
        ? ": two figures have changed places"
        : "";
  }

  private static boolean swapped(String one, String other) {
    if (one.length() != other.length()) {
      return false;
    }
    var at = 0;
    while (at < one.length() && one.charAt(at) == other.charAt(at)) {
      at++;
    }
    return at + 1 < one.length()
        && one.charAt(at) == other.charAt(at + 1)
        && one.charAt(at + 1) == other.charAt(at)
        && one.substring(at + 2).equals(other.substring(at + 2));
  }

  private static List<List<HeldReceipt>> setsOfReceipts(List<HeldReceipt> some, Money target) {
    var amounts = some.stream().mapToLong(r -> r.amount().getAmountMinorLong()).toArray();
    return sets(amounts, target, MOST_IN_POUCH).stream()
        .map(set -> Arrays.stream(set).mapToObj(some::get).toList())
        .toList();
  }

  /** The smallest sets that come to the target. */
  private static List<int[]> sets(long[] amounts, Money target, int most) {
    if (amounts.length == 0) {
      return List.of();
    }
    var values = new double[amounts.length];
    Arrays.fill(values, EACH_MORE);
    return ExactSets.find(
            amounts, values, target.getAmountMinorLong(), MOST, EACH_MORE * most - 0.5, MOST_STEPS)
        .sets()
        .stream()
        .map(ExactSets.Chosen::indices)
        .filter(set -> set.length <= most)
        .toList();
  }
}
