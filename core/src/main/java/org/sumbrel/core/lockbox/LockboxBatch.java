package org.sumbrel.core.lockbox;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.money.MoneyText;

/**
 * Cheques that the bank deposits together, with the batch's own count and total.
 *
 * @param number as the bank counts its batches
 * @param lockbox the number of the box at the bank
 * @param depositedOn the day of the deposit
 * @param claimedCheques how many the bank says there are, where it says so
 * @param claimedTotal what the bank says they come to, where it says so
 */
public record LockboxBatch(
    String number,
    String lockbox,
    CurrencyUnit currency,
    Optional<LocalDate> depositedOn,
    Optional<Integer> claimedCheques,
    Optional<Money> claimedTotal,
    List<LockboxCheque> cheques) {

  public LockboxBatch {
    cheques = List.copyOf(cheques);
  }

  /** What the cheques come to. */
  public Money total() {
    return MoneySum.of(currency, cheques, LockboxCheque::amount);
  }

  /** What a batch is to one that is known by the same number, lockbox and day. */
  public enum Again {
    /** It holds the same cheques: the file came twice. */
    SAME,
    /** It holds some of the same cheques, and others: one of the two is wrong. */
    CONTRADICTS,
    /** It holds none of them: the bank counts its batches anew with each file. */
    ANOTHER
  }

  /**
   * What it is to a known batch.
   *
   * @param known the faces of that batch's cheques
   */
  public Again comparedWith(Collection<LockboxCheque.Face> known) {
    var left = new ArrayList<>(known);
    var common = 0;
    for (var cheque : cheques) {
      if (left.remove(cheque.face())) {
        common++;
      }
    }
    if (common == cheques.size() && left.isEmpty()) {
      return Again.SAME;
    }
    return common == 0 ? Again.ANOTHER : Again.CONTRADICTS;
  }

  /** In what the batch contradicts its own cheques, as sentences; empty where in nothing. */
  public List<String> contradictions() {
    var found = new ArrayList<String>();
    claimedCheques
        .filter(claimed -> claimed != cheques.size())
        .ifPresent(
            claimed ->
                found.add(
                    "batch "
                        + number
                        + " says it holds "
                        + claimed
                        + " cheques, "
                        + cheques.size()
                        + " are in it"));
    claimedTotal
        .filter(claimed -> !claimed.equals(total()))
        .ifPresent(
            claimed ->
                found.add(
                    "batch "
                        + number
                        + " says it comes to "
                        + MoneyText.grouped(claimed)
                        + ", its cheques come to "
                        + MoneyText.grouped(total())
                        + ": "
                        + MoneyText.grouped(claimed.minus(total()).abs())
                        + (claimed.isGreaterThan(total()) ? " less" : " more")));
    return found;
  }
}
