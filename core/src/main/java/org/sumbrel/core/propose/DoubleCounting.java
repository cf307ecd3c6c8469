package org.sumbrel.core.propose;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.receivables.WrittenForm;

/**
 * Why booking a receipt to an account would count income twice: an open invoice it can pay, or the
 * same money that was settled before. Income was counted when the invoice was written.
 */
public final class DoubleCounting {

  private static final int DAYS = 14;
  private static final int MOST_OF_A_KIND = 3;

  private DoubleCounting() {}

  /**
   * Something that speaks against booking the receipt to an account.
   *
   * @param items what it would pay instead; empty where it was settled before
   * @param amount what those items have open, or what was settled
   * @param settlementId the earlier settlement, if it is one
   * @param sentence for the clerk, with the figures
   */
  public record Finding(
      List<OpenItem> items, Money amount, Optional<String> settlementId, String sentence) {}

  /**
   * A receipt that was settled before.
   *
   * @param payer as it was sent
   */
  public record Earlier(
      String settlementId, String payer, String payerAccount, Money amount, LocalDate receivedOn) {}

  /**
   * What speaks against it, strongest first; empty where nothing does.
   *
   * @param explanations the items of each explanation of the engine, best first
   * @param sameAmount open items whose balance is the amount, whoever owes them
   * @param payersItems what the payer has open, where the payer is known
   * @param payerName how the payer is called, where known
   * @param earlier receipts of the same amount that were settled before
   */
  public static List<Finding> of(
      Receipt receipt,
      List<List<OpenItem>> explanations,
      Collection<? extends OpenItem> sameAmount,
      Collection<? extends OpenItem> payersItems,
      String payerName,
      Collection<Earlier> earlier) {
    var findings = new ArrayList<Finding>();
    var named = new HashSet<String>();
    for (var items : explanations) {
      if (!items.isEmpty() && findings.size() < MOST_OF_A_KIND) {
        items.forEach(i -> named.add(i.id()));
        findings.add(open(receipt, items, explained(items)));
      }
    }
    sameAmount.stream()
        .filter(i -> i.open().equals(receipt.amount()) && !named.contains(i.id()))
        .limit(MOST_OF_A_KIND)
        .forEach(
            i -> {
              named.add(i.id());
              var sentence = i.number() + " has exactly " + words(i.open()) + " open.";
              findings.add(open(receipt, List.of(i), sentence));
            });
    earlier.stream()
        .filter(e -> isTheSame(e, receipt))
        .limit(MOST_OF_A_KIND)
        .forEach(e -> findings.add(settled(e)));
    var owing =
        payersItems.stream()
            .filter(i -> i.open().isPositive())
            .filter(i -> i.open().getCurrencyUnit().equals(receipt.amount().getCurrencyUnit()))
            .map(OpenItem.class::cast)
            .toList();
    if (findings.isEmpty() && !owing.isEmpty()) {
      var sum = MoneySum.of(receipt.amount().getCurrencyUnit(), owing, OpenItem::open);
      findings.add(
          new Finding(
              owing,
              sum,
              Optional.empty(),
              payerName
                  + " owes "
                  + words(sum)
                  + " in "
                  + owing.size()
                  + (owing.size() == 1 ? " open item." : " open items.")));
    }
    return findings;
  }

  private static Finding open(Receipt receipt, List<OpenItem> items, String sentence) {
    var sum = MoneySum.of(receipt.amount().getCurrencyUnit(), items, OpenItem::open);
    return new Finding(List.copyOf(items), sum, Optional.empty(), sentence);
  }

  private static String explained(List<OpenItem> items) {
    var names =
        items.stream()
            .limit(4)
            .map(i -> i.number() + " of " + words(i.open()))
            .collect(Collectors.joining(" and "));
    var more = items.size() > 4 ? " and " + (items.size() - 4) + " more" : "";
    return names + more + (items.size() == 1 ? " is open" : " are open") + " and would explain it.";
  }

  private static boolean isTheSame(Earlier earlier, Receipt receipt) {
    var near = Math.abs(earlier.receivedOn().toEpochDay() - receipt.receivedOn().toEpochDay());
    var samePayer =
        !receipt.payerAccount().isBlank() && receipt.payerAccount().equals(earlier.payerAccount())
            || !receipt.payerName().isBlank()
                && WrittenForm.compact(receipt.payerName())
                    .equals(WrittenForm.compact(earlier.payer()));
    return earlier.amount().equals(receipt.amount()) && near <= DAYS && samePayer;
  }

  private static Finding settled(Earlier earlier) {
    return new Finding(
        List.of(),
        earlier.amount(),
        Optional.of(earlier.settlementId()),
        words(earlier.amount())
            + " from the same payer came on "
            + DayText.of(earlier.receivedOn())
            + " and is settled with settlement "
            + earlier.settlementId()
            + ".");
  }

  private static String words(Money amount) {
    return MoneyText.grouped(amount);
  }
}
