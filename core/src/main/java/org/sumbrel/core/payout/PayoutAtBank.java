package org.sumbrel.core.payout;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.joda.money.Money;
import org.sumbrel.core.receivables.WrittenForm;

/**
 * Tells of what waits at the bank whether a processor seems to have sent it, and which payout it
 * is, by what the bank says, by amount and by day.
 */
public final class PayoutAtBank {

  /** A payout is at the bank within so many days of being sent. */
  private static final long DAYS_APART = 7;

  /** An entry that says nothing of a processor is a payout's only if it is of about its day. */
  private static final long DAYS_APART_IF_SILENT = 3;

  /** A shorter name stands in too many texts by chance. */
  private static final int SHORTEST_NAME = 4;

  private static final Pattern WORD = Pattern.compile("(?i)\\bpay-?outs?\\b");

  private PayoutAtBank() {}

  /**
   * Money that waits.
   *
   * @param says whatever the bank says of it: the payer, the text
   */
  public record Entry(String id, LocalDate on, Money amount, String says) {}

  /**
   * A payout that its file tells of.
   *
   * @param amount what the bank has not shown of it
   */
  public record Sent(String id, String processor, LocalDate on, Money amount) {}

  /**
   * What an entry seems to be.
   *
   * @param processor the one that its text names; empty where it names none that is known
   * @param sentId the payout that it seems to be; empty where no file tells of one
   * @param whole whether it is the whole of that payout; else it may be a part of it
   */
  public record Seen(
      String entryId, Optional<String> processor, Optional<String> sentId, boolean whole) {}

  /**
   * The entries that seem to be payouts, in their order. The whole of a payout is one entry only;
   * where a processor is named, it may also be a part of a payout that came to more.
   *
   * @param processors that are known by name
   */
  public static List<Seen> among(
      List<Entry> entries, List<Sent> sent, Collection<String> processors) {
    var seen = new ArrayList<Seen>();
    var taken = new HashSet<String>();
    for (var entry : entries) {
      if (!entry.amount().isPositive()) {
        continue;
      }
      var named = named(entry, processors);
      var speaks = named.isPresent() || WORD.matcher(entry.says()).find();
      var near =
          sent.stream()
              .filter(s -> !taken.contains(s.id()))
              .filter(s -> named.isEmpty() || named.get().equals(s.processor()))
              .filter(s -> apart(entry, s) <= (speaks ? DAYS_APART : DAYS_APART_IF_SILENT))
              .sorted(Comparator.comparing(s -> apart(entry, s)))
              .toList();
      var whole = near.stream().filter(s -> s.amount().equals(entry.amount())).findFirst();
      whole.ifPresent(s -> taken.add(s.id()));
      var part =
          named.isEmpty()
              ? Optional.<Sent>empty()
              : near.stream().filter(s -> isPart(entry, s)).findFirst();
      if (speaks || whole.isPresent()) {
        seen.add(
            new Seen(entry.id(), named, whole.or(() -> part).map(Sent::id), whole.isPresent()));
      }
    }
    return seen;
  }

  private static boolean isPart(Entry entry, Sent sent) {
    return sent.amount().getCurrencyUnit().equals(entry.amount().getCurrencyUnit())
        && sent.amount().isGreaterThan(entry.amount());
  }

  private static long apart(Entry entry, Sent sent) {
    return Math.abs(ChronoUnit.DAYS.between(sent.on(), entry.on()));
  }

  private static Optional<String> named(Entry entry, Collection<String> processors) {
    var said = WrittenForm.compact(entry.says());
    return processors.stream()
        .filter(name -> WrittenForm.compact(name).length() >= SHORTEST_NAME)
        .filter(name -> said.contains(WrittenForm.compact(name)))
        .max(Comparator.comparing(String::length));
  }
}
