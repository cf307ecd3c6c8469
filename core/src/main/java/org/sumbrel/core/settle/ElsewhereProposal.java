package org.sumbrel.core.settle;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.exchange.RateUsed;
import org.sumbrel.core.money.IncludedTax;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.settle.FeeWithheld.KeptBy;

/**
 * What a receipt may pay in another currency, or for another company of the group.
 *
 * @param named whether the text names the items; else their amount fits, through a rate or to the
 *     cent
 * @param why as a sentence, with the rate
 */
public record ElsewhereProposal(Draft draft, boolean named, String why) {

  /** The most that are told of what fits by amount. */
  private static final int MOST = 3;

  /** So many items of one place are tried in pairs. */
  private static final int MOST_PAIRED = 40;

  /** Where its items are, other than in the receipt's own currency with its own company. */
  public List<Place> places() {
    return draft.applications().stream()
        .map(Application::place)
        .distinct()
        .filter(place -> !place.equals(draft.place()))
        .toList();
  }

  /** What is known of rates and charges. */
  public interface Known {

    /**
     * The rates from a currency to the receipt's that may have been the payer's or the bank's, the
     * likeliest first; empty where none is known.
     */
    List<RateUsed> rates(CurrencyUnit from);

    /** What a company of the group is called. */
    String company(String id);

    /** What a customer of any of them is called. */
    String customer(String id);

    /** What the bank says it kept of the payment, in the receipt's currency. */
    Money charges();
  }

  /**
   * The proposals: what the text names; where it names nothing, what of the payer's items comes to
   * the receipt, the closest first: in another currency within the clerk's limit for exchange
   * differences, in the receipt's own to the cent.
   *
   * @param named open items that the text names, some in other currencies or of other companies
   * @param owed open items of the payer in other currencies or with other companies
   * @param onAccountOf whose account is the payer's, where he is known
   */
  public static List<ElsewhereProposal> of(
      Receipt receipt,
      Collection<OpenItem> named,
      Collection<OpenItem> owed,
      Optional<String> onAccountOf,
      Known known,
      Policies policies) {
    var search = new Search(receipt, onAccountOf, known, policies);
    return named.isEmpty() ? search.byAmount(owed) : search.byName(named);
  }

  private record Search(
      Receipt receipt, Optional<String> onAccountOf, Known known, Policies policies) {

    List<ElsewhereProposal> byName(Collection<OpenItem> named) {
      var counted = counted(named);
      counted.remove(new Place(receipt.companyId(), receipt.amount().getCurrencyUnit()));
      var exchanges = new ArrayList<Exchanged>();
      for (var there : counted.entrySet()) {
        var company = there.getKey().companyId();
        if (there.getKey().currency().equals(receipt.amount().getCurrencyUnit())) {
          exchanges.add(Exchanged.in(company, there.getValue()));
          continue;
        }
        var rates = known.rates(there.getKey().currency());
        if (rates.isEmpty()) {
          return List.of();
        }
        exchanges.add(Exchanged.atRate(company, there.getValue(), rates.get(0)));
      }
      var draft = draft(named, exchanges);
      var left = draft.tally().left();
      var treated = treated(draft, left);
      return List.of(
          new ElsewhereProposal(
              treated,
              true,
              numbers(named)
                  + (named.size() == 1 ? " is" : " are")
                  + " in the text: "
                  + atRates(exchanges)
                  + rest(left)));
    }

    /** Of single items, of pairs and of all together of a place, those that come closest. */
    List<ElsewhereProposal> byAmount(Collection<OpenItem> owed) {
      var found = new ArrayList<Fit>();
      owed.stream()
          .collect(
              Collectors.groupingBy(
                  i -> Application.of(i, i.open()).place(),
                  LinkedHashMap::new,
                  Collectors.toList()))
          .forEach(
              (place, items) ->
                  sets(items)
                      .forEach(
                          set ->
                              exchanges(place, set)
                                  .forEach(e -> fit(set, e).ifPresent(found::add))));
      return found.stream()
          .sorted(Comparator.comparing(Fit::off).thenComparing(f -> f.items().size()))
          // of one set the rate that fits it best
          .collect(
              Collectors.toMap(
                  f -> f.exchanged().companyId() + " " + numbers(f.items()),
                  f -> f,
                  (best, other) -> best,
                  LinkedHashMap::new))
          .values()
          .stream()
          .limit(MOST)
          .map(this::proposal)
          .toList();
    }

    private record Fit(List<OpenItem> items, Exchanged exchanged, BigDecimal off) {}

    private static List<List<OpenItem>> sets(List<OpenItem> items) {
      var debts = items.stream().filter(i -> i.open().isPositive()).toList();
      var sets = new ArrayList<List<OpenItem>>();
      debts.forEach(i -> sets.add(List.of(i)));
      if (debts.size() <= MOST_PAIRED) {
        for (var a = 0; a < debts.size(); a++) {
          for (var b = a + 1; b < debts.size(); b++) {
            sets.add(List.of(debts.get(a), debts.get(b)));
          }
        }
      }
      if (debts.size() > 2) {
        sets.add(debts);
      }
      return sets;
    }

    /** All of the receipt, and what the bank kept of it, for these items of one place. */
    private List<Exchanged> exchanges(Place place, List<OpenItem> items) {
      var counted = MoneySum.of(place.currency(), items, OpenItem::open);
      var given = given();
      if (place.currency().equals(given.getCurrencyUnit())) {
        return counted.equals(given)
            ? List.of(Exchanged.in(place.companyId(), counted))
            : List.of();
      }
      return known.rates(place.currency()).stream()
          .map(rate -> new Exchanged(place.companyId(), given, counted, Optional.of(rate)))
          .toList();
    }

    private Money given() {
      return receipt.amount().plus(known.charges());
    }

    private Optional<Fit> fit(List<OpenItem> items, Exchanged exchanged) {
      var given = given();
      var limit =
          policies.of(new Place(receipt.companyId(), given.getCurrencyUnit())).clerk().exchange();
      return limit.allows(exchanged.shortage(), given)
          ? Optional.of(
              new Fit(
                  items,
                  exchanged,
                  exchanged
                      .shortage()
                      .abs()
                      .getAmount()
                      .divide(given.getAmount(), MathContext.DECIMAL64)))
          : Optional.empty();
    }

    private ElsewhereProposal proposal(Fit fit) {
      var exchanged = fit.exchanged();
      var draft = draft(fit.items(), List.of(exchanged));
      var left = draft.tally().left();
      var shortage = exchanged.shortage();
      return new ElsewhereProposal(
          left.isZero() ? draft : withCharges(draft),
          false,
          numbers(fit.items())
              + (exchanged.companyId().equals(receipt.companyId())
                  ? ""
                  : ", owed by "
                      + owing(fit.items())
                      + " to "
                      + known.company(exchanged.companyId())
                      + ",")
              + (fit.items().size() == 1 ? " comes" : " come")
              + " to "
              + words(exchanged.given().plus(shortage))
              + exchanged.reference().map(used -> " at " + used.words()).orElse("")
              + (shortage.isZero()
                  ? ", to the cent"
                  : ": "
                      + words(shortage.abs())
                      + (shortage.isPositive() ? " less" : " more")
                      + " came, "
                      + percent(fit.off())
                      + " %")
              + (known.charges().isZero() ? "" : "; the bank kept " + words(known.charges())));
    }

    private Draft treated(Draft draft, Money left) {
      if (left.isZero()) {
        return draft;
      }
      if (known.charges().isPositive() && left.negated().equals(known.charges())) {
        return withCharges(draft);
      }
      return RemainderOption.of(draft, policies, Authority.CLERK).stream()
          .filter(o -> o.kind() == RemainderOption.Kind.EXCHANGE)
          .filter(o -> o.allowed() && o.approval().isEmpty())
          .findFirst()
          .map(
              o ->
                  RemainderOption.taken(
                      draft, o.kind(), Optional.empty(), policies, Authority.CLERK))
          .orElse(draft);
    }

    private Draft withCharges(Draft draft) {
      var tax = policies.of(draft.place()).feeTaxPercent();
      return draft.adjustedBy(
          new FeeWithheld(known.charges(), KeptBy.BANK, IncludedTax.in(known.charges(), tax)));
    }

    private String rest(Money left) {
      if (left.isZero()) {
        return ", to the cent";
      }
      if (known.charges().isPositive() && left.negated().equals(known.charges())) {
        return "; the bank kept " + words(known.charges());
      }
      return "; " + words(left.abs()) + (left.isNegative() ? " less came" : " more came");
    }

    private String atRates(List<Exchanged> exchanges) {
      return exchanges.stream()
          .map(
              e ->
                  words(e.counted())
                      + (e.companyId().equals(receipt.companyId())
                          ? ""
                          : " for " + known.company(e.companyId()))
                      + e.reference()
                          .map(used -> " come to " + words(e.given()) + " at " + used.words())
                          .orElse(""))
          .collect(Collectors.joining(", "));
    }

    /** What items come to, by where they are. */
    private static LinkedHashMap<Place, Money> counted(Collection<OpenItem> items) {
      var counted = new LinkedHashMap<Place, Money>();
      items.forEach(i -> counted.merge(Application.of(i, i.open()).place(), i.open(), Money::plus));
      return counted;
    }

    private Draft draft(Collection<OpenItem> items, List<Exchanged> exchanges) {
      return new Draft(
          receipt,
          items.stream().map(i -> Application.of(i, i.open())).toList(),
          List.of(),
          Money.zero(receipt.amount().getCurrencyUnit()),
          onAccountOf,
          exchanges);
    }

    private String owing(Collection<OpenItem> items) {
      return items.stream()
          .map(OpenItem::customerId)
          .distinct()
          .map(known::customer)
          .distinct()
          .collect(Collectors.joining(", "));
    }

    private static String numbers(Collection<OpenItem> items) {
      return items.stream().map(OpenItem::number).collect(Collectors.joining(", "));
    }

    private static String words(Money money) {
      return MoneyText.grouped(money) + " " + money.getCurrencyUnit();
    }

    private static String percent(BigDecimal share) {
      return share.movePointRight(2).setScale(1, RoundingMode.HALF_EVEN).toPlainString();
    }
  }
}
