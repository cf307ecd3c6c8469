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

  /** A payout that its file tells of and that is not booked. */
  public record Sent(String id, String processor, LocalDate on, Money amount) {}

  /**
   * What an entry seems to be.
   *
   * @param processor the one that its text names; empty where it names none that is known
   * @param sentId the payout that it seems to be; empty where no file tells of one
   */
  public record Seen(String entryId, Optional<String> processor, Optional<String> sentId) {}

  /**
   * The entries that seem to be payouts, in their order. A payout is found for one entry only.
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
      var found =
          sent.stream()
              .filter(s -> !taken.contains(s.id()) && s.amount().equals(entry.amount()))
              .filter(s -> named.isEmpty() || named.get().equals(s.processor()))
              .filter(s -> apart(entry, s) <= (speaks ? DAYS_APART : DAYS_APART_IF_SILENT))
              .min(Comparator.comparing(s -> apart(entry, s)));
      found.ifPresent(s -> taken.add(s.id()));
      if (speaks || found.isPresent()) {
        seen.add(new Seen(entry.id(), named, found.map(Sent::id)));
      }
    }
    return seen;
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
