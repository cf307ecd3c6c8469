package org.sumbrel.server.pouch;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.deposit.HeldReceipt;
import org.sumbrel.core.deposit.Takings;
import org.sumbrel.core.deposit.Takings.Sale;
import org.sumbrel.core.journal.DepositPosting;
import org.sumbrel.core.journal.JournalEntry;
import org.sumbrel.core.money.IncludedTax;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.PaidBy;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.companies.Charts;
import org.sumbrel.server.companies.TaxCodes;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.journal.Journal;

/**
 * What was sold on the spot: a sale, or a day of a till. One entry of the journal; its cash and
 * cheques are in the pouch, its cards with the acquirer, and none of them waits for anything.
 */
@Service
@Transactional
class TillReports {

  private static final int MOST_SHOWN = 60;

  private final TakingsRepository rows;
  private final ReceiptRepository receipts;
  private final Pouch pouch;
  private final Charts charts;
  private final TaxCodes taxCodes;
  private final Entries entries;
  private final Journal journal;
  private final Clock clock;

  TillReports(
      TakingsRepository rows,
      ReceiptRepository receipts,
      Pouch pouch,
      Charts charts,
      TaxCodes taxCodes,
      Entries entries,
      Journal journal,
      Clock clock) {
    this.rows = rows;
    this.receipts = receipts;
    this.pouch = pouch;
    this.charts = charts;
    this.taxCodes = taxCodes;
    this.entries = entries;
    this.journal = journal;
    this.clock = clock;
  }

  /**
   * The entry that takings would write.
   *
   * @throws org.sumbrel.core.deposit.DepositRefused where the figures do not agree
   */
  @Transactional(readOnly = true)
  public JournalEntry entry(Long company, RecordTakings call) {
    var takings = takings(company, call);
    return DepositPosting.taken(takings, text(takings.name(), takings.on()));
  }

  /**
   * Books takings.
   *
   * @return their id
   * @throws org.sumbrel.core.deposit.DepositRefused where the figures do not agree
   */
  Long record(Long company, RecordTakings call, Actor actor) {
    var takings = takings(company, call);
    var written =
        journal.write(
            DepositPosting.taken(takings, text(takings.name(), takings.on())),
            null,
            actor.name(),
            null);
    var row = rows.save(new TakingsEntity(takings, written, actor.name(), clock.instant()));
    for (var receipt : takings.receipts()) {
      var put = pouch.put(company, receipt, Pouch.Known.NOTHING, written, actor);
      entries.entry(put.id()).sold();
      put.soldIn(row.id());
    }
    return row.id();
  }

  private Takings takings(Long company, RecordTakings call) {
    var currency = CurrencyUnit.of(call.sales().get(0).amount().currency());
    var name = call.name().strip();
    var today = LocalDate.now(clock);
    var paid = new ArrayList<HeldReceipt>();
    for (var one : call.paid()) {
      paid.add(
          HeldReceipt.recorded(
              one.method(),
              call.on(),
              in(currency, one.amount().toMoney()),
              one.from() == null || one.from().isBlank() ? name : one.from().strip(),
              one.reference() == null ? "" : one.reference().strip(),
              Optional.empty(),
              today));
    }
    var counted =
        paid.stream()
            .filter(r -> r.method() == PaidBy.CASH)
            .map(HeldReceipt::amount)
            .reduce(Money.zero(currency), Money::plus);
    return Takings.of(
        company.toString(),
        currency,
        call.on(),
        name,
        call.sales().stream().map(s -> sale(company, currency, s)).toList(),
        call.tillCash() == null ? counted : in(currency, call.tillCash().toMoney()),
        paid);
  }

  private Sale sale(Long company, CurrencyUnit currency, RecordTakings.SaleSent sent) {
    var amount = in(currency, sent.amount().toMoney());
    if (sent.accountId() != null) {
      charts.bookable(company, sent.accountId());
    }
    return new Sale(
        Optional.ofNullable(sent.accountId()).map(Object::toString),
        amount,
        tax(company, currency, amount, sent));
  }

  private Money tax(
      Long company, CurrencyUnit currency, Money amount, RecordTakings.SaleSent sent) {
    if (sent.tax() != null) {
      return in(currency, sent.tax().toMoney());
    }
    return sent.taxCode() == null || sent.taxCode().isBlank()
        ? Money.zero(currency)
        : IncludedTax.in(amount, taxCodes.code(company, sent.taxCode()).percent());
  }

  private static Money in(CurrencyUnit currency, Money amount) {
    if (!amount.getCurrencyUnit().equals(currency)) {
      throw new BadRequest(
          "The takings are in "
              + currency
              + "; "
              + MoneyText.grouped(amount)
              + " is in "
              + amount.getCurrencyUnit()
              + ".");
    }
    return amount;
  }

  private static String text(String name, LocalDate on) {
    return "Takings of " + DayText.of(on) + ", " + name;
  }

  /**
   * Takes takings back as if they had never been booked.
   *
   * @throws Conflict where something of them was banked
   */
  void withdraw(Long id, String why, Actor actor) {
    var row = takings(id);
    var paid = receipts.findByTakingsIdOrderById(id);
    paid.stream()
        .filter(r -> r.depositId() != null)
        .findFirst()
        .ifPresent(
            banked -> {
              throw new Conflict(
                  "BANKED",
                  banked.toHeld().name()
                      + " of "
                      + MoneyText.grouped(banked.amount())
                      + " is in deposit "
                      + banked.depositId()
                      + "; open that again first.");
            });
    var now = clock.instant();
    for (var receipt : paid) {
      entries.withdraw(receipt.id());
      receipt.withdraw(why, actor.name(), now);
    }
    row.withdraw(why, actor.name(), now);
    journal.reverse(
        row.journalEntryId(),
        LocalDate.now(clock),
        "Taken back: " + text(row.name(), row.soldOn()) + ", " + why,
        actor.name());
  }

  TakingsEntity takings(Long id) {
    var row = rows.findById(id).orElseThrow(() -> new NotThere("takings", id));
    if (row.withdrawn()) {
      throw new Conflict(
          "WITHDRAWN",
          text(row.name(), row.soldOn())
              + ", were taken back by "
              + row.withdrawnBy()
              + " already.");
    }
    return row;
  }

  /** The latest, first. */
  @Transactional(readOnly = true)
  public List<TakingsEntity> latest(Long company, CurrencyUnit currency) {
    return rows.findByCompanyIdAndCurrencyAndWithdrawnAtIsNullOrderBySoldOnDescIdDesc(
        company, currency.getCode(), Limit.of(MOST_SHOWN));
  }
}
