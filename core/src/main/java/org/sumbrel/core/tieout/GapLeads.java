package org.sumbrel.core.tieout;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.function.Function;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.sums.ExactSets;

/**
 * Where the gap of a tie-out may come from, by the rules that bookkeepers hold to (common
 * practice): a gap that nine divides is often two digits in the wrong order, half of it an amount
 * with the wrong sign, all of it an amount that is missing or stands twice; and some amounts may
 * add up to it. Every lead is held against the figures: it is named only where putting it right
 * would close the gap to the cent.
 */
public final class GapLeads {

  private static final int MOST_OF_A_KIND = 5;
  private static final int MOST_ADDED = 60;
  private static final int MOST_IN_A_SET = 4;
  private static final int DAYS_OF_A_TWIN = 7;
  private static final long BUDGET = 1_000_000;

  private GapLeads() {}

  /** What kind of slip it would be. */
  public enum Slip {
    /** Two neighbouring digits in the wrong order. */
    TRANSPOSED,
    /** Two alike within a week, of which one is too many. */
    TWICE,
    /** It is known and not counted; counted, it would close the gap. */
    MISSING,
    /** It is counted; without it there would be no gap. */
    TOO_MANY,
    /** One like it is counted, and one more would close the gap. */
    ONE_MORE,
    WRONG_SIGN,
    /** The point one place too far to the left or to the right. */
    SHIFTED,
    ADDS_UP
  }

  /** Where a figure stands. */
  public enum Place {
    /** What the bank says stands on the account, as it was read or typed. */
    BALANCE,
    /** A movement of the bank that the books have explained. */
    EXPLAINED,
    /** A movement of the bank that nobody has explained. */
    WAITING,
    /** What is known of the bank and not counted: announced, taken out, left out of an intake. */
    UNCOUNTED,
    /** A line of the books that belongs to no movement. */
    LINE
  }

  /** A figure that may be wrong, in its sign. */
  public record Figure(Place place, String id, LocalDate on, String words, Money amount) {

    private long minor() {
      return amount.getAmountMinorLong();
    }

    private boolean counted() {
      return place == Place.EXPLAINED || place == Place.WAITING || place == Place.LINE;
    }

    /** What would have to stand here instead for the gap to be gone. */
    private long ought(long gap) {
      return place == Place.BALANCE ? minor() - gap : minor() + gap;
    }
  }

  /**
   * A lead.
   *
   * @param figures those it is about
   * @param sentence that says it with the figures
   */
  public record Lead(Slip slip, List<Figure> figures, String sentence) {}

  /**
   * The leads for a gap, the likeliest kinds first; of a kind at most five, the latest first.
   *
   * @param gap what the bank shows more than the books, with all that is explained
   */
  public static List<Lead> of(Money gap, List<Figure> figures) {
    var leads = new ArrayList<Lead>();
    if (gap.isZero()) {
      return leads;
    }
    var minor = gap.getAmountMinorLong();
    add(leads, figures, f -> transposed(f, minor));
    add(leads, figures, f -> twice(f, minor, figures));
    add(leads, figures, f -> missing(f, minor));
    add(leads, figures, f -> tooMany(f, minor, leads));
    add(leads, figures, f -> oneMore(f, minor));
    add(leads, figures, f -> wrongSign(f, minor));
    add(leads, figures, f -> shifted(f, minor));
    leads.addAll(addsUp(gap, figures));
    return leads;
  }

  private static void add(List<Lead> leads, List<Figure> figures, Function<Figure, Lead> slipAt) {
    var found =
        figures.stream()
            .filter(f -> f.minor() != 0)
            .map(slipAt)
            .filter(Objects::nonNull)
            .sorted(Comparator.comparing((Lead lead) -> lead.figures().get(0).on()).reversed())
            .limit(MOST_OF_A_KIND)
            .toList();
    leads.addAll(found);
  }

  private static Lead says(Slip slip, Figure figure, String what) {
    return new Lead(
        slip,
        List.of(figure),
        figure.words() + ": " + MoneyText.grouped(figure.amount()) + " " + what);
  }

  private static Lead otherwise(Slip slip, Figure figure, long ought, String why) {
    var instead = Money.ofMinor(figure.amount().getCurrencyUnit(), ought);
    return says(slip, figure, "may be " + MoneyText.grouped(instead) + ", " + why);
  }

  private static Lead transposed(Figure figure, long gap) {
    var ought = figure.ought(gap);
    var may =
        figure.place() != Place.UNCOUNTED
            && gap % 9 == 0
            && Long.signum(ought) == Long.signum(figure.minor())
            && neighboursSwapped(Math.abs(figure.minor()), Math.abs(ought));
    return may
        ? otherwise(
            Slip.TRANSPOSED,
            figure,
            ought,
            "with two digits in the other order; nine divides the gap.")
        : null;
  }

  /** Whether two figures differ by two neighbouring digits that have changed places. */
  static boolean neighboursSwapped(long one, long other) {
    var width = Math.max(Long.toString(one).length(), Long.toString(other).length());
    var a = padded(one, width);
    var b = padded(other, width);
    var first = 0;
    while (first < width && a.charAt(first) == b.charAt(first)) {
      first++;
    }
    return first + 1 < width
        && a.charAt(first) == b.charAt(first + 1)
        && a.charAt(first + 1) == b.charAt(first)
        && a.substring(first + 2).equals(b.substring(first + 2));
  }

  private static String padded(long figure, int width) {
    var digits = Long.toString(figure);
    return "0".repeat(width - digits.length()) + digits;
  }

  private static Lead shifted(Figure figure, long gap) {
    var ought = figure.ought(gap);
    var may =
        figure.place() != Place.UNCOUNTED
            && ought != 0
            && (ought == figure.minor() * 10 || figure.minor() == ought * 10);
    return may ? otherwise(Slip.SHIFTED, figure, ought, "with the point in another place.") : null;
  }

  private static Lead wrongSign(Figure figure, long gap) {
    return figure.counted() && figure.ought(gap) == -figure.minor()
        ? otherwise(
            Slip.WRONG_SIGN, figure, -figure.minor(), "with the other sign; it is half of the gap.")
        : null;
  }

  private static Lead twice(Figure figure, long gap, List<Figure> all) {
    if (!figure.counted() || figure.ought(gap) != 0) {
      return null;
    }
    return all.stream()
        .filter(
            other ->
                other != figure
                    && other.counted()
                    && other.amount().equals(figure.amount())
                    && !other.on().isAfter(figure.on())
                    && !other.on().isBefore(figure.on().minusDays(DAYS_OF_A_TWIN)))
        .findFirst()
        .map(
            other ->
                new Lead(
                    Slip.TWICE,
                    List.of(figure, other),
                    figure.words()
                        + ": "
                        + MoneyText.grouped(figure.amount())
                        + " stands there twice within a week; one may be too many."))
        .orElse(null);
  }

  private static Lead missing(Figure figure, long gap) {
    return figure.place() == Place.UNCOUNTED && figure.minor() == gap
        ? says(Slip.MISSING, figure, "is known and not counted; it is the whole gap.")
        : null;
  }

  private static Lead tooMany(Figure figure, long gap, List<Lead> before) {
    var told =
        before.stream().anyMatch(l -> l.slip() == Slip.TWICE && l.figures().contains(figure));
    return figure.counted() && figure.ought(gap) == 0 && !told
        ? says(Slip.TOO_MANY, figure, "is counted; the bank's balance may be without it.")
        : null;
  }

  private static Lead oneMore(Figure figure, long gap) {
    return figure.counted() && figure.minor() == gap
        ? says(Slip.ONE_MORE, figure, "is counted once; one more like it may be missing.")
        : null;
  }

  /** Sets of what nobody has explained, or is not counted, that close the gap together. */
  private static List<Lead> addsUp(Money gap, List<Figure> figures) {
    var leads = new ArrayList<Lead>();
    for (var place : List.of(Place.WAITING, Place.UNCOUNTED)) {
      var some =
          figures.stream()
              .filter(f -> f.place() == place && f.minor() != 0)
              .sorted(Comparator.comparing(Figure::on).reversed())
              .limit(MOST_ADDED)
              .toList();
      var target = place == Place.WAITING ? gap.negated() : gap;
      if (some.size() > 1) {
        sets(some, target.getAmountMinorLong()).forEach(set -> leads.add(added(set, target)));
      }
    }
    return leads;
  }

  private static List<List<Figure>> sets(List<Figure> some, long target) {
    var amounts = some.stream().mapToLong(Figure::minor).toArray();
    // each further amount makes it less likely
    var values = new double[amounts.length];
    Arrays.fill(values, -1);
    return ExactSets.find(amounts, values, target, MOST_OF_A_KIND, -MOST_IN_A_SET - 0.5, BUDGET)
        .sets()
        .stream()
        .map(set -> Arrays.stream(set.indices()).mapToObj(some::get).toList())
        .filter(set -> set.size() > 1)
        .toList();
  }

  private static Lead added(List<Figure> set, Money target) {
    return new Lead(
        Slip.ADDS_UP,
        set,
        set.size()
            + " amounts that "
            + (set.get(0).place() == Place.WAITING ? "wait" : "are not counted")
            + " come to "
            + MoneyText.grouped(target)
            + " together.");
  }
}
