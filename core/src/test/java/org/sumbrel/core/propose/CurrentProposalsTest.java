package org.sumbrel.core.propose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.COMPANY;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.USD;
import static org.sumbrel.core.Books.invoice;
import static org.sumbrel.core.Books.policy;
import static org.sumbrel.core.Books.receipt;
import static org.sumbrel.core.Books.usd;

import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.joda.money.Money;
import org.sumbrel.core.Books;
import org.sumbrel.core.receivables.Customer;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.receivables.RemittanceAdvice;
import org.sumbrel.core.receivables.RemittanceItem;

/** Thinking again of what a change touches comes to the same as thinking of everything again. */
class CurrentProposalsTest {

  private static final String[] NAMES = {
    "Brindle Lane Bakery", "Oskar & Daughters", "Tern Island Hotel", "Brindle Lane Farm Shop",
    "Brindle Quay Bakery", "Harbour Loaf Ltd", "Harbour Pie House", "Quillon Catering"
  };

  private static final String[] ALIASES = {"BLB Holdings", "Tern Catering", "Q Kitchen Services"};

  private static final Optional<RemittanceAdvice> NOTHING_SAID = Optional.empty();

  private static final String[] AMOUNTS = {
    "100.00", "120.00", "98.00", "250.40", "36.00", "36.00", "412.75", "1020.00", "64.20"
  };

  /** Books that change at random, and the changes told on the way. */
  private static final class Days {
    private final Random random;
    private final List<Customer> customers = new ArrayList<>();
    private final Map<Integer, OpenItem> items = new TreeMap<>();
    private final Map<String, LocalDate> settledOn = new HashMap<>();
    private final List<Alias> aliases = new ArrayList<>();
    private final List<PastPayer> past = new ArrayList<>();
    private final List<PastChoice> choices = new ArrayList<>();
    private final Map<String, Receipt> waiting = new TreeMap<>();
    private final Map<String, RemittanceAdvice> advices = new HashMap<>();
    private final Set<String> gone = new HashSet<>();
    private int next = 1;

    Days(Random random) {
      this.random = random;
      for (var n = 0; n < 5; n++) {
        customer();
      }
      for (var n = 0; n < 40; n++) {
        item();
      }
      for (var n = 0; n < 10; n++) {
        past.add(payment());
      }
    }

    private <T> T any(List<T> some) {
      return some.get(random.nextInt(some.size()));
    }

    private String any(String[] some) {
      return some[random.nextInt(some.length)];
    }

    private Customer customer() {
      var n = customers.size();
      var parent = n % 4 == 3 ? Optional.of("c0") : Optional.<String>empty();
      var accounts = n % 2 == 0 ? List.of("DE0" + n) : List.<String>of();
      var made = new Customer("c" + n, COMPANY, NAMES[n], parent, accounts, n == 2);
      customers.add(made);
      return made;
    }

    private OpenItem item() {
      var id = next++;
      var year = random.nextInt(3) == 0;
      var number =
          year ? "2026-" + (500 + random.nextInt(60)) : "INV" + (10_300 + random.nextInt(60));
      var due = TODAY.minusDays(random.nextInt(60)).plusDays(15);
      var owner = any(customers).id();
      var made = Books.withId(String.valueOf(id), invoice(number, owner, any(AMOUNTS), due));
      var order = random.nextInt(4) == 0 ? "PO-" + (7_100 + random.nextInt(30)) : "";
      var whole = Books.withReferences(made, order, "");
      items.put(id, random.nextBoolean() ? Books.withTerms(whole, "2/10 net 30") : whole);
      return items.get(id);
    }

    private String payer() {
      return switch (random.nextInt(5)) {
        case 0 -> any(ALIASES);
        case 1 -> "";
        case 2 -> any(NAMES).toUpperCase().substring(0, 12);
        default -> any(NAMES);
      };
    }

    private PastPayer payment() {
      var account = random.nextInt(3) == 0 ? "FR9" + random.nextInt(4) : "";
      return new PastPayer(payer(), account, any(customers).id());
    }

    private String text() {
      var item = any(List.copyOf(items.values()));
      var number = item.number();
      return switch (random.nextInt(8)) {
        case 0 -> "";
        case 1 -> "FLOUR " + number.substring(number.length() - 3);
        case 2 -> number + "/" + (10 + random.nextInt(60)) + " MAY";
        case 3 -> number.substring(0, number.length() - 2) + "7" + number.charAt(4);
        case 4 -> number + " " + any(List.copyOf(items.values())).number();
        case 5 -> "PO " + (7_100 + random.nextInt(30)) + " FOR " + any(ALIASES);
        default -> "PAYMENT " + number;
      };
    }

    private Receipt receipt() {
      var less = usd(any(new String[] {"0.00", "0.00", "2.00", "15.00"}));
      var on = TODAY.minusDays(random.nextInt(4));
      if (random.nextInt(5) == 0) {
        // nothing but an amount
        return new Receipt("R" + next++, COMPANY, on, usd(any(AMOUNTS)), "", "", "");
      }
      var amount = usd(any(AMOUNTS)).minus(less);
      return new Receipt(
          "R" + next++,
          COMPANY,
          on,
          random.nextInt(3) == 0 ? amount.plus(usd(any(AMOUNTS))) : amount,
          payer(),
          random.nextInt(4) == 0 ? any(new String[] {"FR91", "FR92", "DE00", "DE02"}) : "",
          text());
    }

    private RemittanceAdvice advice(Receipt of) {
      var item = any(List.copyOf(items.values()));
      return new RemittanceAdvice(
          "",
          Optional.empty(),
          of.payerName(),
          of.amount(),
          List.of(
              new RemittanceItem(
                  item.number(), of.amount(), Money.zero(USD), Money.zero(USD), "")));
    }

    Snapshot snapshot() {
      return new Snapshot(
          List.copyOf(items.values()), settledOn, customers, aliases, past, choices, policy());
    }

    /** A day on which anything may happen, some of it at once. */
    Change happened() {
      var change = new Change();
      if (random.nextInt(4) == 0 && customers.size() < NAMES.length) {
        change.customer(customer());
      }
      itemsMove(change);
      aliasesChange(change);
      for (var n = random.nextInt(3); n > 0; n--) {
        past.add(payment());
        change.past(past.get(past.size() - 1));
      }
      if (random.nextInt(3) == 0) {
        change.pastGone(past.remove(random.nextInt(past.size())));
      }
      if (random.nextInt(3) == 0) {
        var manner = Manner.values()[random.nextInt(Manner.values().length)];
        choices.add(new PastChoice(payer(), "FR9" + random.nextInt(4), manner));
        change.choice(choices.get(choices.size() - 1));
      }
      if (random.nextInt(4) == 0 && !choices.isEmpty()) {
        change.choiceGone(choices.remove(random.nextInt(choices.size())));
      }
      receiptsComeAndGo(change);
      return change;
    }

    private void itemsMove(Change change) {
      var gone = random.nextInt(4) == 0 ? any(List.copyOf(items.keySet())) : null;
      if (gone != null) {
        items.remove(gone);
        settledOn.remove(gone.toString());
        change.itemGone(gone.toString());
      }
      for (var n = random.nextInt(3); n > 0; n--) {
        change.item(item(), Optional.empty());
      }
      for (var n = random.nextInt(3); n > 0; n--) {
        var id = any(List.copyOf(items.keySet()));
        var other = balance(items.get(id));
        items.put(id, other);
        settledOn.remove(other.id());
        if (other.settled()) {
          settledOn.put(other.id(), TODAY.minusDays(random.nextInt(9)));
        }
        change.item(other, Optional.ofNullable(settledOn.get(other.id())));
      }
    }

    private void aliasesChange(Change change) {
      if (random.nextInt(3) == 0) {
        var owner = any(customers).id();
        var alias =
            random.nextBoolean()
                ? Alias.ofText(any(ALIASES), owner)
                : Alias.ofAccount("FR9" + random.nextInt(4), owner);
        if (aliases.remove(alias)) {
          change.aliasGone(alias);
        } else {
          aliases.add(alias);
          change.alias(alias);
        }
      }
    }

    private void receiptsComeAndGo(Change change) {
      for (var n = random.nextInt(3); n > 0 && !waiting.isEmpty(); n--) {
        var id = any(List.copyOf(waiting.keySet()));
        waiting.remove(id);
        change.receiptGone(id);
        gone.add(id);
      }
      for (var n = random.nextInt(5); n > 0; n--) {
        var made = receipt();
        waiting.put(made.id(), made);
        change.receipt(made);
      }
      if (random.nextInt(3) == 0 && !waiting.isEmpty()) {
        var about = any(List.copyOf(waiting.values()));
        var said = random.nextBoolean() ? Optional.of(advice(about)) : NOTHING_SAID;
        said.ifPresentOrElse(a -> advices.put(about.id(), a), () -> advices.remove(about.id()));
        change.advice(about.id(), said);
      }
    }

    private OpenItem balance(OpenItem item) {
      return switch (random.nextInt(3)) {
        case 0 -> item.withOpen(item.total());
        case 1 -> item.withOpen(item.total().dividedBy(2, RoundingMode.DOWN));
        default -> item.withOpen(Money.zero(USD));
      };
    }
  }

  private static Map<String, ReceiptProposals> byId(List<ReceiptProposals> results) {
    var map = new TreeMap<String, ReceiptProposals>();
    results.forEach(r -> map.put(r.receiptId(), r));
    return map;
  }

  @Property(tries = 60)
  void comesToTheSameAsThinkingOfEverythingAgain(@ForAll Random random) {
    var days = new Days(random);
    var current = CurrentProposals.over(days.snapshot(), Map.of());
    var told = new TreeMap<String, ReceiptProposals>();
    for (var day = 0; day < 10; day++) {
      var change = days.happened();
      told.keySet().removeAll(days.gone);
      told.putAll(byId(current.take(change)));
      var anew =
          byId(ProposalEngine.over(days.snapshot(), days.advices).propose(days.waiting.values()));
      assertThat(byId(current.all())).as("day %s", day).isEqualTo(anew);
      // who keeps what is told has the same
      assertThat(told).isEqualTo(anew);
      // and asking what would be changes nothing
      current.ifKnown(Alias.ofText("Umber Trading", days.customers.get(0).id()));
      assertThat(byId(current.all())).isEqualTo(anew);
    }
  }

  @Example
  void tellsWhatWouldBeThoughtOfAReceiptAndForgetsIt() {
    var customers = List.of(Books.customer("c1", "Oskar & Daughters"));
    var one = invoice("LM-0010301", "c1", "100.00");
    var snapshot = new Snapshot(List.of(one), Map.of(), customers, List.of(), List.of(), policy());
    var current = CurrentProposals.over(snapshot, Map.of());
    var waiting = receipt("R1", "100.00", "Oskar & Daughters", "LM-0010301", TODAY);
    current.take(new Change().receipt(waiting));
    var before = byId(current.all());

    var thought = current.ifCame(receipt("new", "100.00", "Oskar & Daughters", "", TODAY));

    assertThat(thought.receiptId()).isEqualTo("new");
    assertThat(byId(current.all())).isEqualTo(before);
    // and with nothing else waiting for the invoice, it would pay that
    current.take(new Change().receiptGone("R1"));
    assertThat(
            current
                .ifCame(receipt("new", "100.00", "Oskar & Daughters", "", TODAY))
                .proposals()
                .get(0)
                .applications())
        .extracting(a -> a.item().number())
        .containsExactly("LM-0010301");
    assertThat(current.all()).isEmpty();
  }

  @Example
  void leavesAloneWhatAChangeDoesNotTouch() {
    var customers =
        List.of(Books.customer("c1", "Oskar & Daughters"), Books.customer("c2", "Tern Island"));
    var one = invoice("LM-0010301", "c1", "100.00");
    var other = invoice("LM-0020402", "c2", "250.00");
    var snapshot =
        new Snapshot(List.of(one, other), Map.of(), customers, List.of(), List.of(), policy());
    var current = CurrentProposals.over(snapshot, Map.of());
    var receipts =
        List.of(
            receipt("R1", "100.00", "Oskar & Daughters", "LM-0010301", TODAY),
            receipt("R2", "250.00", "Tern Island", "LM-0020402", TODAY));
    assertThat(current.take(new Change().receipt(receipts.get(0)).receipt(receipts.get(1))))
        .hasSize(2);
    var paid = one.withOpen(usd("40.00"));
    var told = current.take(new Change().item(paid, Optional.empty()));
    assertThat(told).extracting(ReceiptProposals::receiptId).containsExactly("R1");
    assertThat(current.take(new Change())).isEmpty();
  }
}
