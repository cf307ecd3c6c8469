package org.sumbrel.core.journal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.core.Books.COMPANY;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.USD;
import static org.sumbrel.core.Books.policy;
import static org.sumbrel.core.Books.usd;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.statistics.Statistics;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.money.IncludedTax;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.receivables.Claim;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.core.receivables.CreditNote;
import org.sumbrel.core.receivables.EarlyPaymentTerms;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OnAccount;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.receivables.RefundDue;
import org.sumbrel.core.settle.Application;
import org.sumbrel.core.settle.Authority;
import org.sumbrel.core.settle.Draft;
import org.sumbrel.core.settle.RemainderOption;
import org.sumbrel.core.settle.Settlement;
import org.sumbrel.core.settle.SettlementRefused;
import org.sumbrel.core.settle.ToAccount;
import org.sumbrel.core.tieout.CentTrail;

/**
 * The rules that never break (1 to 7), on random books with random drafts, posted and taken back in
 * random order.
 */
class LedgerRulesTest {

  private static final List<AccountRole> CONTROLS =
      Arrays.stream(AccountRole.values()).filter(AccountRole::byCustomer).toList();

  /** The books of one company in memory, kept by the same calls the server makes. */
  private static final class Ledger {
    final Map<String, OpenItem> items = new LinkedHashMap<>();
    final List<JournalEntry> journal = new ArrayList<>();
    final List<Posted> posted = new ArrayList<>();
    int made;
    Money arrived = Money.zero(USD);
    Money waiting = Money.zero(USD);

    record Posted(Settlement settlement, JournalEntry entry, List<String> madeIds) {}

    void takeIn(OpenItem item) {
      items.put(item.id(), item);
      Posting.entryFor(item).ifPresent(journal::add);
    }

    void arrive(Receipt receipt) {
      arrived = arrived.plus(receipt.amount());
      waiting = waiting.plus(receipt.amount());
    }

    void post(Settlement settlement) {
      var entry = Posting.entryFor(settlement, TODAY, "Settlement " + posted.size());
      settlement.itemsAfter().forEach(i -> items.put(i.id(), i));
      var madeIds = new ArrayList<String>();
      for (var item : settlement.itemsMade(prefix -> prefix + ++made)) {
        var kept = withId(item);
        items.put(kept.id(), kept);
        madeIds.add(kept.id());
      }
      journal.add(entry);
      posted.add(new Posted(settlement, entry, madeIds));
      waiting = waiting.minus(settlement.receipt().amount());
    }

    void reverse(Posted one) {
      var after =
          one.settlement()
              .itemsAfterReversal(items, one.madeIds().stream().map(items::get).toList());
      after.forEach(i -> items.put(i.id(), i));
      one.madeIds().forEach(items::remove);
      journal.add(one.entry().mirrored(TODAY, "reversed"));
      posted.remove(one);
      waiting = waiting.plus(one.settlement().receipt().amount());
    }

    /** The draft with its items as they stand now. */
    Draft asOfNow(Draft draft) {
      return new Draft(
          draft.receipt(),
          draft.applications().stream()
              .map(a -> new Application(items.get(a.item().id()), a.amount(), a.discount()))
              .toList(),
          draft.adjustments(),
          draft.onAccount(),
          draft.onAccountCustomer());
    }

    /** What the database does: the number is the id here. */
    private static OpenItem withId(OpenItem i) {
      if (i instanceof Claim c) {
        return new Claim(
            c.number(),
            COMPANY,
            c.customerId(),
            c.number(),
            TODAY,
            c.total(),
            c.open(),
            c.reason());
      }
      return i instanceof RefundDue
          ? new RefundDue(
              i.number(), COMPANY, i.customerId(), i.number(), TODAY, i.total(), i.open())
          : new OnAccount(
              i.number(), COMPANY, i.customerId(), i.number(), TODAY, i.total(), i.open());
    }

    Map<String, Money> balances() {
      var sums = new HashMap<String, Money>();
      for (var entry : journal) {
        for (var line : entry.lines()) {
          sums.merge(line.role() + line.customerId().orElse(""), line.amount(), Money::plus);
        }
      }
      sums.values().removeIf(Money::isZero);
      return sums;
    }

    Map<String, Money> openByAccount() {
      var sums = new HashMap<String, Money>();
      items
          .values()
          .forEach(i -> sums.merge(Posting.roleOf(i) + i.customerId(), i.open(), Money::plus));
      sums.values().removeIf(Money::isZero);
      return sums;
    }
  }

  private static Ledger randomLedger(Random random) {
    var ledger = new Ledger();
    for (var n = 1; n <= 3 + random.nextInt(10); n++) {
      var customer = "C" + random.nextInt(3);
      var issued = TODAY.minusDays(random.nextInt(60));
      var total = Money.ofMinor(USD, 100 + random.nextInt(200_000));
      var kind = random.nextInt(5);
      if (kind == 0) {
        ledger.takeIn(
            new CreditNote(
                "I" + n,
                COMPANY,
                customer,
                "CN-" + n,
                issued,
                issued,
                total.negated(),
                total.negated()));
      } else {
        var terms =
            kind == 1
                ? Optional.of(EarlyPaymentTerms.parse("2/10 net 30"))
                : Optional.<EarlyPaymentTerms>empty();
        var open = kind == 2 ? total.dividedBy(2, RoundingMode.DOWN) : total;
        ledger.takeIn(
            new Invoice(
                "I" + n,
                COMPANY,
                customer,
                "LM-" + n,
                issued,
                issued.plusDays(30),
                total,
                open,
                "",
                "",
                terms));
      }
    }
    return ledger;
  }

  /**
   * A draft over some open items, its receipt chosen near what they come to, its rest treated in a
   * random allowed way.
   */
  private static Draft randomDraft(Ledger ledger, Random random, LocalDate on) {
    var open = ledger.items.values().stream().filter(i -> !i.settled()).toList();
    var applications = new ArrayList<Application>();
    for (var item : open) {
      if (random.nextInt(3) == 0) {
        var size = item.open().getAmountMinorLong();
        var part = random.nextBoolean() ? size : size - (long) (size * random.nextDouble());
        if (part != 0) {
          applications.add(Application.of(item, Money.ofMinor(USD, part)));
        }
      }
    }
    var sum = MoneySum.of(USD, applications, Application::taken).getAmountMinorLong();
    var noise = random.nextInt(3) == 0 ? 0 : random.nextInt(4000) - 2000;
    var received = Money.ofMinor(USD, Math.max(1, sum + noise));
    var receipt =
        sum <= 0 && !applications.isEmpty()
            ? Receipt.none(COMPANY, on, USD)
            : new Receipt("R", COMPANY, on, received, "payer", "", "text");
    var customer = open.isEmpty() ? "C0" : open.get(random.nextInt(open.size())).customerId();
    var draft = new Draft(receipt, applications, List.of(), usd("0"), Optional.of(customer));
    if (random.nextInt(4) == 0) {
      var part = Money.ofMinor(USD, 1 + random.nextInt(5_000));
      var tax = IncludedTax.in(part, BigDecimal.valueOf(random.nextInt(3) * 7L));
      draft = draft.adjustedBy(new ToAccount(part.negated(), "4800", tax.negated(), "rent"));
    }
    for (var rounds = 0; rounds < 4; rounds++) {
      var allowed =
          RemainderOption.of(draft, policy(), Authority.SUPERVISOR).stream()
              .filter(RemainderOption::allowed)
              .toList();
      if (allowed.isEmpty()) {
        break;
      }
      draft =
          RemainderOption.taken(
              draft,
              allowed.get(random.nextInt(allowed.size())).kind(),
              Optional.of(ClaimReason.DAMAGED),
              policy(),
              Authority.SUPERVISOR);
    }
    return draft;
  }

  private static void assertWhole(Ledger ledger) {
    // 2: no item beyond zero or its total is held by the items themselves; 3: by JournalEntry and
    // here in sum
    var trialBalance = Money.zero(USD);
    for (var balance : ledger.balances().values()) {
      trialBalance = trialBalance.plus(balance);
    }
    assertThat(trialBalance).isEqualTo(usd("0"));
    // 4: control accounts and open items agree for each customer; the bank holds what was explained
    var controls = new HashMap<>(ledger.balances());
    controls.keySet().removeIf(k -> CONTROLS.stream().noneMatch(role -> k.startsWith(role.name())));
    assertThat(controls).isEqualTo(ledger.openByAccount());
    var explained = MoneySum.of(USD, ledger.posted, p -> p.settlement().receipt().amount());
    assertThat(ledger.balances().getOrDefault("BANK", usd("0"))).isEqualTo(explained);
    // 5: every cent that arrived is somewhere
    var onAccount = MoneySum.of(USD, ledger.posted, p -> p.settlement().onAccount());
    var applied = Money.zero(USD);
    var toAccounts = Money.zero(USD);
    for (var one : ledger.posted) {
      applied = applied.plus(MoneySum.of(USD, one.settlement().applications(), Application::taken));
      for (var adjustment : one.settlement().adjustments()) {
        if (adjustment instanceof ToAccount) {
          toAccounts = toAccounts.minus(adjustment.amount());
        } else {
          applied = applied.minus(adjustment.amount());
        }
      }
    }
    var trail =
        new CentTrail(
            ledger.arrived,
            applied,
            onAccount,
            toAccounts,
            usd("0"),
            usd("0"),
            usd("0"),
            ledger.waiting);
    assertThat(trail.gap()).isEqualTo(usd("0"));
  }

  @Property(tries = 400)
  void holdThroughAnyRowOfPostingsAndReversals(
      @ForAll Random random, @ForAll @IntRange(min = 1, max = 15) int steps) {
    var ledger = randomLedger(random);
    assertWhole(ledger);
    for (var step = 0; step < steps; step++) {
      if (random.nextInt(3) == 0 && !ledger.posted.isEmpty()) {
        try {
          ledger.reverse(ledger.posted.get(random.nextInt(ledger.posted.size())));
        } catch (SettlementRefused refused) {
          assertThat(refused.code()).isEqualTo(SettlementRefused.Code.ON_ACCOUNT_USED);
        }
      } else {
        var draft = randomDraft(ledger, random, TODAY);
        ledger.arrive(draft.receipt());
        try {
          ledger.post(draft.settle(policy(), Authority.SUPERVISOR));
        } catch (SettlementRefused refused) {
          assertThat(refused.getMessage()).isNotBlank();
        }
      }
      assertWhole(ledger);
    }
  }

  /** 1: receipt = Σ (application − discount) − Σ adjustments + on account. */
  @Property(tries = 400)
  void explainTheReceiptToTheCent(@ForAll Random random) {
    var draft = randomDraft(randomLedger(random), random, TODAY);
    try {
      var s = draft.settle(policy(), Authority.SUPERVISOR);
      s.adjustments().forEach(a -> Statistics.collect(a.getClass().getSimpleName()));
      var explained =
          MoneySum.of(USD, s.applications(), a -> a.amount().minus(a.discount()))
              .minus(MoneySum.of(USD, s.adjustments(), a -> a.amount()))
              .plus(s.onAccount());
      assertThat(explained).isEqualTo(s.receipt().amount());
    } catch (SettlementRefused refused) {
      assertThat(
              draft.tally().left().isZero() && refused.code() == SettlementRefused.Code.UNBALANCED)
          .isFalse();
    }
  }

  /** 6: settle, then reverse: every balance, open item and total is as before. */
  @Property(tries = 400)
  void areAsBeforeAfterAReversal(@ForAll Random random) {
    var ledger = randomLedger(random);
    var draft = randomDraft(ledger, random, TODAY);
    ledger.arrive(draft.receipt());
    var itemsBefore = Map.copyOf(ledger.items);
    var balancesBefore = ledger.balances();
    try {
      ledger.post(draft.settle(policy(), Authority.SUPERVISOR));
    } catch (SettlementRefused refused) {
      return;
    }
    ledger.reverse(ledger.posted.get(0));
    assertThat(ledger.items).isEqualTo(itemsBefore);
    assertThat(ledger.balances()).isEqualTo(balancesBefore);
  }

  /**
   * One application of many taken back, or the money moved to another customer, is a reversal and a
   * new settlement: the books are whole, what is taken back is as before, all else as it was.
   */
  @Property(tries = 400)
  void areWholeAfterACorrection(@ForAll Random random) {
    var ledger = randomLedger(random);
    var draft = randomDraft(ledger, random, TODAY);
    ledger.arrive(draft.receipt());
    var before = Map.copyOf(ledger.items);
    try {
      ledger.post(draft.settle(policy(), Authority.SUPERVISOR));
    } catch (SettlementRefused refused) {
      return;
    }
    var posted = ledger.posted.get(0);
    var settlement = posted.settlement();
    var after = Map.copyOf(ledger.items);
    var moved = settlement.applications().isEmpty() || random.nextInt(4) == 0;
    var one =
        moved
            ? ""
            : settlement
                .applications()
                .get(random.nextInt(settlement.applications().size()))
                .item()
                .id();
    Settlement corrected;
    try {
      var next = moved ? settlement.movedTo("C2") : settlement.without(one, "C1");
      ledger.reverse(posted);
      corrected = ledger.asOfNow(next).settle(policy(), Authority.SUPERVISOR);
    } catch (SettlementRefused refused) {
      // a credit that the rest needs, or nothing is left to be explained
      return;
    }
    ledger.post(corrected);
    assertWhole(ledger);
    Statistics.collect(moved ? "moved" : "one taken back");
    for (var application : settlement.applications()) {
      var id = application.item().id();
      var expected = moved || id.equals(one) ? before : after;
      assertThat(ledger.items.get(id)).isEqualTo(expected.get(id));
    }
  }

  /** 7: a draft never moves a balance. */
  @Property(tries = 200)
  void doNotMoveForADraft(@ForAll Random random) {
    var ledger = randomLedger(random);
    var before = Map.copyOf(ledger.items);
    randomDraft(ledger, random, TODAY).tally();
    assertThat(ledger.items).isEqualTo(before);
  }

  @Test
  void refuseAnEntryThatDoesNotBalance() {
    var debit = JournalLine.of(AccountRole.BANK, usd("10.00"));
    var credit = JournalLine.of(AccountRole.SALES, usd("-9.99"));
    assertThatThrownBy(() -> new JournalEntry(COMPANY, TODAY, "wrong", List.of(debit, credit)))
        .hasMessageContaining("0.01");
    assertThatThrownBy(() -> JournalLine.of(AccountRole.RECEIVABLE, usd("1")))
        .hasMessageContaining("needs a customer");
  }
}
