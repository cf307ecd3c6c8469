package org.sumbrel.core.journal;

import static org.sumbrel.core.Books.COMPANY;
import static org.sumbrel.core.Books.TODAY;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.Consumer;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.Books;
import org.sumbrel.core.exchange.Rate;
import org.sumbrel.core.exchange.RateUsed;
import org.sumbrel.core.exchange.RateUsed.Source;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.settle.Application;
import org.sumbrel.core.settle.Authority;
import org.sumbrel.core.settle.Draft;
import org.sumbrel.core.settle.Exchanged;
import org.sumbrel.core.settle.Place;
import org.sumbrel.core.settle.Policies;
import org.sumbrel.core.settle.Policy;
import org.sumbrel.core.settle.RemainderOption;
import org.sumbrel.core.settle.Settlement;

/**
 * A receipt of one company and items of several, in random currencies at random rates, all made
 * from one number.
 */
final class RandomPlaces {

  static final Policies STANDARD = where -> Policy.standard(where.currency());

  /** ISO 4217 gives them two, two, no and three digits. */
  private static final List<CurrencyUnit> UNITS =
      List.of(CurrencyUnit.EUR, CurrencyUnit.USD, CurrencyUnit.JPY, CurrencyUnit.of("KWD"));

  /** About what one of each is worth in dollars. */
  private static final Map<CurrencyUnit, Double> IN_DOLLARS =
      Map.of(
          CurrencyUnit.EUR,
          1.08,
          CurrencyUnit.USD,
          1.0,
          CurrencyUnit.JPY,
          0.0065,
          CurrencyUnit.of("KWD"),
          3.25);

  final Random random;
  final List<Application> applications = new ArrayList<>();
  private final Map<String, ValuedBooks> books = new HashMap<>();
  private final List<Exchanged> exchanges = new ArrayList<>();
  private final CurrencyUnit received;

  /**
   * The case.
   *
   * @param companies whose items there may be; the receipt is that of {@link Books#COMPANY}
   */
  RandomPlaces(long seed, List<String> companies) {
    random = new Random(seed);
    received = any();
    for (var company : companies) {
      var own = any();
      var day = new HashMap<CurrencyUnit, Rate>();
      UNITS.stream().filter(u -> !u.equals(own)).forEach(u -> day.put(u, about(u, own)));
      books.put(company, new ValuedBooks(own, day, new HashMap<>()));
    }
    for (var n = 0; n < 1 + random.nextInt(5); n++) {
      addItem("I" + n, companies.get(random.nextInt(companies.size())));
    }
    var counted = new LinkedHashMap<Place, Money>();
    applications.forEach(a -> counted.merge(a.place(), a.amount(), Money::plus));
    counted.remove(new Place(COMPANY, received));
    counted.forEach(this::counts);
  }

  private void addItem(String id, String company) {
    var unit = any();
    var open = Money.ofMinor(unit, 1_000 + random.nextInt(5_000_000));
    var item = Books.of(company, Books.invoice(id, "c-" + company, open));
    var own = books.get(company);
    own.worth().put(id, unit.equals(own.books()) ? open : about(unit, own.books()).of(open));
    var part =
        random.nextBoolean()
            ? open
            : Money.ofMinor(unit, 1 + random.nextInt((int) open.getAmountMinorLong()));
    applications.add(Application.of(item, part));
  }

  private void counts(Place where, Money counted) {
    if (where.currency().equals(received)) {
      exchanges.add(Exchanged.in(where.companyId(), counted));
      return;
    }
    var used = new RateUsed(about(where.currency(), received), Source.TABLE, "");
    if (used.rate().of(counted).isPositive()) {
      exchanges.add(Exchanged.atRate(where.companyId(), counted, used));
    } else {
      applications.removeIf(a -> a.place().equals(where));
    }
  }

  CurrencyUnit any() {
    return UNITS.get(random.nextInt(UNITS.size()));
  }

  private Rate about(CurrencyUnit from, CurrencyUnit to) {
    var middle = IN_DOLLARS.get(from) / IN_DOLLARS.get(to);
    return new Rate(
        from,
        to,
        BigDecimal.valueOf(middle * (0.95 + random.nextDouble() / 10))
            .setScale(8, RoundingMode.HALF_EVEN));
  }

  ValuedBooks kept(String company) {
    return books.get(company);
  }

  CurrencyUnit books(String company) {
    return kept(company).books();
  }

  Optional<Rate> rate(String company, CurrencyUnit from) {
    return Optional.ofNullable(kept(company).day().get(from));
  }

  /** What all of it takes, and sometimes a little less or more, treated in one of its ways. */
  Settlement settlement(Consumer<RemainderOption.Kind> treated) {
    var draft = draft();
    var ways = RemainderOption.of(draft, STANDARD, Authority.SUPERVISOR);
    var allowed = ways.stream().filter(RemainderOption::allowed).toList();
    if (!allowed.isEmpty()) {
      var way = allowed.get(random.nextInt(allowed.size())).kind();
      draft = RemainderOption.taken(draft, way, Optional.empty(), STANDARD, Authority.SUPERVISOR);
      treated.accept(way);
    }
    return draft.settle(STANDARD, Authority.SUPERVISOR);
  }

  private Draft draft() {
    var own =
        MoneySum.of(
            received,
            applications.stream()
                .filter(a -> a.place().equals(new Place(COMPANY, received)))
                .toList(),
            Application::amount);
    var takes = own.plus(MoneySum.of(received, exchanges, Exchanged::given));
    var off = Money.ofMinor(received, random.nextInt(61) - 30);
    var amount = random.nextBoolean() || !takes.plus(off).isPositive() ? takes : takes.plus(off);
    return new Draft(
        new Receipt("R", COMPANY, TODAY, amount, "payer", "", ""),
        applications,
        List.of(),
        Money.zero(received),
        Optional.of("c-" + COMPANY),
        exchanges);
  }

  /** What the lines of a role are worth in the books, together. */
  static Money worthOn(JournalEntry entry, AccountRole role, CurrencyUnit books) {
    return MoneySum.of(
        books,
        entry.lines().stream().filter(l -> l.role() == role).toList(),
        l ->
            l.worth()
                .orElse(
                    l.amount().getCurrencyUnit().equals(books) ? l.amount() : Money.zero(books)));
  }
}
