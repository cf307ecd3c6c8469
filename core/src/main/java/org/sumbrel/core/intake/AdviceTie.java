package org.sumbrel.core.intake;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import org.joda.money.Money;

/**
 * Finds which money a remittance advice is about, whichever came first.
 *
 * <p>By its trace number, where that stands in what the bank says of the money, whatever the
 * amounts; else by amount and date, where one advice and one entry fit each other and no others, or
 * the payer's name tells which.
 */
public final class AdviceTie {

  /** Money may be booked so many days before the date an advice gives, or after. */
  static final int DAYS_BEFORE = 5;

  static final int DAYS_AFTER = 15;

  /** Where an advice gives no date, its money may have come so long before it. */
  static final int DAYS_BEFORE_UNDATED = 45;

  /** A shorter trace may stand in a text by accident. */
  static final int SHORTEST_TRACE = 5;

  private static final double SAME_NAME = 0.6;
  private static final Pattern BREAKS = Pattern.compile("[^A-Z0-9]+");

  private AdviceTie() {}

  /**
   * An advice that is tied to no money yet.
   *
   * @param day of the payment, or the day on which it was taken in where it says none
   * @param dated whether it says the day
   */
  public record Advice(
      Long key, String trace, LocalDate day, boolean dated, Money total, String payer) {}

  /**
   * Money that no advice is tied to yet.
   *
   * @param told all that the bank says of it, references included
   * @param waiting whether nobody has explained it yet
   */
  public record Arrived(
      Long key, LocalDate bookedOn, Money amount, String payer, String told, boolean waiting) {}

  /** How an advice and its money found each other. */
  public enum By {
    TRACE,
    AMOUNT_AND_DATE,
    NAME
  }

  /** An advice and its money. */
  public record Tie(Long advice, Long entry, By by) {}

  /** The ties that are beyond doubt; each advice and each entry is in one at most. */
  public static List<Tie> of(Collection<Advice> advices, Collection<Arrived> entries) {
    var ties = new ArrayList<Tie>();
    var looseAdvices = new ArrayList<>(advices);
    var looseEntries = new ArrayList<>(entries);
    looseAdvices.sort(Comparator.comparing(Advice::key));
    looseEntries.sort(Comparator.comparing(Arrived::key));
    byTrace(looseAdvices, looseEntries, ties);
    byAmount(looseAdvices, looseEntries, ties);
    return ties;
  }

  private static void byTrace(List<Advice> advices, List<Arrived> entries, List<Tie> ties) {
    var words = new HashMap<Arrived, Set<String>>();
    for (var advice : List.copyOf(advices)) {
      var trace = plain(advice.trace());
      if (trace.length() < SHORTEST_TRACE) {
        continue;
      }
      var fit =
          entries.stream()
              .filter(
                  e ->
                      sameCurrency(advice, e)
                          && words.computeIfAbsent(e, AdviceTie::words).contains(trace))
              .toList();
      var same = fit.stream().filter(e -> e.amount().equals(advice.total())).toList();
      var meant = same.size() == 1 ? same : fit;
      if (meant.size() == 1) {
        tie(advice, meant.get(0), By.TRACE, advices, entries, ties);
      }
    }
  }

  private static void byAmount(List<Advice> advices, List<Arrived> entries, List<Tie> ties) {
    for (var advice : List.copyOf(advices)) {
      var fit = entries.stream().filter(e -> fits(advice, e)).toList();
      var named = fit.stream().filter(e -> sameName(advice, e)).toList();
      if (fit.size() == 1 && rivals(advice, fit.get(0), advices).isEmpty()) {
        tie(advice, fit.get(0), By.AMOUNT_AND_DATE, advices, entries, ties);
      } else if (named.size() == 1
          && rivals(advice, named.get(0), advices).stream()
              .noneMatch(a -> sameName(a, named.get(0)))) {
        tie(advice, named.get(0), By.NAME, advices, entries, ties);
      }
    }
  }

  /** Other advices that would fit the same money. */
  private static List<Advice> rivals(Advice advice, Arrived entry, List<Advice> advices) {
    return advices.stream().filter(a -> a != advice && fits(a, entry)).toList();
  }

  private static boolean fits(Advice advice, Arrived entry) {
    var days = ChronoUnit.DAYS.between(advice.day(), entry.bookedOn());
    return entry.waiting()
        && entry.amount().equals(advice.total())
        && days >= -(advice.dated() ? DAYS_BEFORE : DAYS_BEFORE_UNDATED)
        && days <= DAYS_AFTER;
  }

  private static boolean sameName(Advice advice, Arrived entry) {
    return Likeness.of(advice.payer(), entry.payer()) >= SAME_NAME;
  }

  private static boolean sameCurrency(Advice advice, Arrived entry) {
    return advice.total().getCurrencyUnit().equals(entry.amount().getCurrencyUnit());
  }

  private static void tie(
      Advice advice,
      Arrived entry,
      By by,
      List<Advice> advices,
      List<Arrived> entries,
      List<Tie> ties) {
    ties.add(new Tie(advice.key(), entry.key(), by));
    advices.remove(advice);
    entries.remove(entry);
  }

  private static Set<String> words(Arrived entry) {
    var words = new HashSet<String>();
    for (var word : BREAKS.split(entry.told().toUpperCase(Locale.ROOT))) {
      words.add(word);
    }
    return words;
  }

  private static String plain(String trace) {
    return BREAKS.matcher(trace.toUpperCase(Locale.ROOT)).replaceAll("");
  }
}
