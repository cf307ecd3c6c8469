package org.sumbrel.core.treat;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * What a treatment would have done in the past, before it is kept.
 *
 * @param right entries that went to the same accounts by hand
 * @param elsewhere entries that went to other accounts
 * @param undecided entries that wait or were shelved
 * @param wrong entries that settled invoices, went to a deposit or a payout: it would have taken
 *     money that is no income
 * @param beyondCap entries that fit but are larger than the cap; it would not have taken them
 */
public record Trial(
    List<Treatable> right,
    List<Treatable> elsewhere,
    List<Treatable> undecided,
    List<Treatable> wrong,
    List<Treatable> beyondCap) {

  /** What became of an entry. */
  public enum Became {
    /** It settled invoices, or was explained by a deposit or a payout. */
    PAYMENT,
    TO_ACCOUNTS,
    NOTHING_YET
  }

  /**
   * An entry of the past.
   *
   * @param accounts the ledger accounts that it went to, where it went to any
   */
  public record Past(Treatable entry, Became became, Set<String> accounts) {}

  /** What the treatment would have done with these, on or not. */
  public static Trial of(Treatment treatment, List<Past> past) {
    var trial =
        new Trial(
            new ArrayList<>(),
            new ArrayList<>(),
            new ArrayList<>(),
            new ArrayList<>(),
            new ArrayList<>());
    for (var one : past) {
      if (treatment.condition().fits(one.entry())) {
        trial.group(treatment, one).add(one.entry());
      }
    }
    return trial;
  }

  private List<Treatable> group(Treatment treatment, Past one) {
    if (!treatment.withinCap(one.entry().amount())) {
      return beyondCap;
    }
    return switch (one.became()) {
      case PAYMENT -> wrong;
      case NOTHING_YET -> undecided;
      case TO_ACCOUNTS ->
          treatment.shares().stream().allMatch(s -> one.accounts().contains(s.accountId()))
              ? right
              : elsewhere;
    };
  }

  /** How many it would have taken. */
  public int caught() {
    return right.size() + elsewhere.size() + undecided.size() + wrong.size();
  }
}
