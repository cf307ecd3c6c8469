package org.sumbrel.core.journal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.settle.Adjustment;
import org.sumbrel.core.settle.Application;
import org.sumbrel.core.settle.ClaimRaised;
import org.sumbrel.core.settle.Draft;
import org.sumbrel.core.settle.Exchanged;
import org.sumbrel.core.settle.FeeWithheld;
import org.sumbrel.core.settle.FeeWithheld.KeptBy;
import org.sumbrel.core.settle.RefundPromised;
import org.sumbrel.core.settle.Rounding;
import org.sumbrel.core.settle.Settlement;
import org.sumbrel.core.settle.ToAccount;
import org.sumbrel.core.settle.UnearnedDiscount;

/**
 * What a settlement writes: debit the bank, the fees, write-offs, discounts and claims; credit
 * receivables for each application, unapplied receipts for what stays on account, refunds due for
 * what is promised back, and the accounts that were named.
 *
 * <p>Where it settles items of another company of the group, the company that received the money
 * owes it what counts there, and that company has an entry of its own, in which the first one
 * stands as what was received. Each entry balances alone.
 *
 * <p>Where lines are in another currency than that of their books, each has what it is worth: what
 * arrived at the rate of its day, what it settles with what that stands in the books with. The
 * difference is realised (IAS 21.28) and goes to exchange differences; the conversion from one
 * currency into the other is worth nothing.
 */
record SettlementPosting(
    Settlement settlement,
    LocalDate bookedOn,
    Optional<Function<String, Worths>> worthsOf,
    Optional<Group> group) {

  /** That of the company that received the money comes first. */
  List<JournalEntry> entries(String text) {
    var receiver = settlement.receipt().companyId();
    var parts = settlement.parts();
    var entries = new ArrayList<JournalEntry>();
    var companies = new LinkedHashSet<String>();
    parts.forEach(part -> companies.add(part.receipt().companyId()));
    for (var company : companies) {
      var books = new Books(company, worthsOf.map(of -> of.apply(company)));
      var own = parts.stream().filter(p -> p.receipt().companyId().equals(company)).toList();
      entries.add(
          company.equals(receiver)
              ? books.entry(received(books, own), text)
              : books.entry(
                  settledForUs(books, own),
                  text + ", received by " + group.orElseThrow().name(receiver)));
    }
    return entries;
  }

  private List<JournalLine> received(Books books, List<Draft> parts) {
    var lines = new ArrayList<JournalLine>();
    var arrived = settlement.receipt().amount();
    if (!arrived.isZero()) {
      lines.add(books.ofDay(JournalLine.of(AccountRole.BANK, arrived)));
    }
    books.settled(lines, parts);
    for (var exchange : settlement.exchanges()) {
      if (exchange.reference().isPresent()) {
        books.convert(lines, exchange);
      }
      if (!exchange.companyId().equals(books.company()) && !exchange.counted().isZero()) {
        var account = account(books.company(), exchange.companyId());
        lines.add(books.ofDay(JournalLine.group(account, exchange.counted().negated())));
      }
    }
    if (!settlement.onAccount().isZero()) {
      lines.add(
          books.ofDay(
              JournalLine.of(
                  AccountRole.UNAPPLIED_RECEIPTS,
                  settlement.onAccountCustomer().orElseThrow(),
                  settlement.onAccount().negated())));
    }
    return lines;
  }

  /** Of a company for which another one received the money. */
  private List<JournalLine> settledForUs(Books books, List<Draft> parts) {
    var lines = new ArrayList<JournalLine>();
    var account = account(books.company(), settlement.receipt().companyId());
    for (var part : parts) {
      if (!part.receipt().amount().isZero()) {
        lines.add(books.ofDay(JournalLine.group(account, part.receipt().amount())));
      }
    }
    books.settled(lines, parts);
    return lines;
  }

  private String account(String company, String counterpart) {
    return group.orElseThrow().account(company, counterpart);
  }

  /**
   * The books of one company.
   *
   * @param worths what amounts are worth in their currency; empty where that is not asked for
   */
  private final class Books {

    private final String company;
    private final Optional<Worths> worths;

    private Books(String company, Optional<Worths> worths) {
      this.company = company;
      this.worths = worths;
    }

    String company() {
      return company;
    }

    JournalEntry entry(List<JournalLine> lines, String text) {
      worths.flatMap(w -> difference(lines, text, w)).ifPresent(lines::add);
      return new JournalEntry(company, bookedOn, text, lines);
    }

    /** What is realised between what came and what that settles; empty where that is nothing. */
    private Optional<JournalLine> difference(List<JournalLine> lines, String text, Worths kept) {
      var books = kept.books();
      return lines.stream()
          .map(l -> l.amount().getCurrencyUnit())
          .filter(unit -> !unit.equals(books))
          .findFirst()
          .flatMap(
              other -> {
                var off =
                    new JournalEntry(company, bookedOn, text, lines).worth(books).orElseThrow();
                return off.isZero()
                    ? Optional.empty()
                    : Optional.of(
                        JournalLine.correcting(
                            AccountRole.EXCHANGE_DIFFERENCES, other, off.negated()));
              });
    }

    /** The differences, discounts and items of parts. */
    void settled(List<JournalLine> lines, List<Draft> parts) {
      for (var part : parts) {
        part.adjustments().forEach(a -> linesOf(a).forEach(line -> lines.add(ofDay(line))));
      }
      for (var part : parts) {
        for (var application : part.applications()) {
          if (!application.discount().isZero()) {
            var line = JournalLine.of(AccountRole.DISCOUNTS_ALLOWED, application.discount());
            lines.add(ofItem(line, application.item()));
          }
        }
      }
      for (var part : parts) {
        part.applications().forEach(a -> lines.add(ofItem(creditOf(a), a.item())));
      }
    }

    private Optional<Worths> foreign(JournalLine line) {
      return worths.filter(w -> !line.amount().getCurrencyUnit().equals(w.books()));
    }

    JournalLine ofDay(JournalLine line) {
      return foreign(line).map(w -> line.worth(w.ofDay(line.amount()))).orElse(line);
    }

    /** A line of an item's own, at what the item stands in the books with. */
    private JournalLine ofItem(JournalLine line, OpenItem item) {
      var amount = line.amount();
      return foreign(line)
          .map(
              w ->
                  line.worth(
                      line.role() == AccountRole.DISCOUNTS_ALLOWED
                          ? w.ofItem(item, amount)
                          : w.ofItem(item, amount.negated()).negated()))
          .orElse(line);
    }

    /** What leaves one currency and comes into the other, worth the same on both sides. */
    void convert(List<JournalLine> lines, Exchanged exchange) {
      var given = exchange.given();
      var counted = exchange.counted();
      if (worths.isEmpty()) {
        conversion(lines, given.negated(), Optional.empty());
        conversion(lines, counted, Optional.empty());
        return;
      }
      var books = worths.get().books();
      var worth = given.getCurrencyUnit().equals(books) ? given : worths.get().ofDay(given);
      conversion(lines, given.negated(), inBooks(given, worth.negated(), books));
      if (!counted.getCurrencyUnit().equals(books)) {
        conversion(lines, counted, Optional.of(worth));
        return;
      }
      // what comes in is what it is worth; what it settles beyond that is lost, below it won
      conversion(lines, worth, Optional.empty());
      if (!counted.equals(worth)) {
        lines.add(JournalLine.of(AccountRole.EXCHANGE_DIFFERENCES, counted.minus(worth)));
      }
    }

    private static Optional<Money> inBooks(Money amount, Money worth, CurrencyUnit books) {
      return amount.getCurrencyUnit().equals(books) ? Optional.empty() : Optional.of(worth);
    }

    /** Of a very small amount nothing may be left in the other currency. */
    private static void conversion(List<JournalLine> lines, Money amount, Optional<Money> worth) {
      if (!amount.isZero()) {
        var line = JournalLine.of(AccountRole.CURRENCY_CONVERSION, amount);
        lines.add(worth.map(line::worth).orElse(line));
      }
    }
  }

  private static List<JournalLine> linesOf(Adjustment adjustment) {
    if (adjustment instanceof FeeWithheld fee) {
      var role = fee.keptBy() == KeptBy.BANK ? AccountRole.BANK_FEES : AccountRole.PROCESSING_FEES;
      return withTax(JournalLine.of(role, fee.amount().minus(fee.tax())), fee.tax());
    }
    if (adjustment instanceof ToAccount booked) {
      return withTax(
          JournalLine.on(booked.accountId(), booked.amount().minus(booked.tax())), booked.tax());
    }
    if (adjustment instanceof ClaimRaised claim) {
      return List.of(JournalLine.of(AccountRole.CLAIMS, claim.customerId(), claim.amount()));
    }
    if (adjustment instanceof RefundPromised refund) {
      return List.of(JournalLine.of(AccountRole.REFUNDS_DUE, refund.customerId(), refund.amount()));
    }
    var role =
        adjustment instanceof UnearnedDiscount
            ? AccountRole.DISCOUNTS_ALLOWED
            : adjustment instanceof Rounding
                ? AccountRole.ROUNDING_DIFFERENCES
                : AccountRole.SMALL_WRITE_OFFS;
    return List.of(JournalLine.of(role, adjustment.amount()));
  }

  private static List<JournalLine> withTax(JournalLine net, Money tax) {
    return tax.isZero() ? List.of(net) : List.of(net, JournalLine.of(AccountRole.TAX, tax));
  }

  private static JournalLine creditOf(Application application) {
    return JournalLine.of(
        Posting.roleOf(application.item()),
        application.item().customerId(),
        application.amount().negated());
  }
}
