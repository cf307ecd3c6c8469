package org.sumbrel.server.desk;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.propose.PastPayer;
import org.sumbrel.core.propose.Standing;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.formats.statement.StatementEntry;
import org.sumbrel.server.api.NotThere;

/** Bank entries, for the other subjects. */
@Service
@Transactional(readOnly = true)
public class Entries {

  private static final int MOST_CREDITS = 200;

  private final BankEntryRepository entries;

  Entries(BankEntryRepository entries) {
    this.entries = entries;
  }

  public BankEntryEntity entry(Long id) {
    return entries.findById(id).orElseThrow(() -> new NotThere("bank entry", id));
  }

  public List<BankEntryEntity> all(Collection<Long> ids) {
    return entries.findAllById(ids);
  }

  /** What a list says of an entry: when it was booked, and its payer in the bank's words. */
  public record Brief(Long id, LocalDate bookedOn, String payerName, String remittance) {

    public String payerWords() {
      return BankEntryEntity.payerWords(payerName, remittance);
    }
  }

  /** The same entries as far as a list shows them, by their id. */
  public Map<Long, Brief> briefly(Collection<Long> ids) {
    return ids.isEmpty()
        ? new HashMap<>()
        : entries.briefly(ids).stream().collect(Collectors.toMap(Brief::id, Function.identity()));
  }

  public List<BankEntryEntity> waiting(Long companyId) {
    return entries.findByCompanyIdAndStatus(companyId, BankEntryEntity.Status.WAITING);
  }

  /** What nobody has explained yet, in either direction. */
  public List<BankEntryEntity> unexplained(Long companyId) {
    var all = new ArrayList<>(waiting(companyId));
    all.addAll(entries.findByCompanyIdAndStatus(companyId, BankEntryEntity.Status.DEBIT));
    return all;
  }

  /** What stands clear in a currency, oldest first. */
  public List<BankEntryEntity> clear(Long companyId, CurrencyUnit currency) {
    return entries.standing(
        companyId, BankEntryEntity.Status.WAITING, Standing.CLEAR.ordinal(), currency.getCode());
  }

  /** Settled entries of the same amount, booked up to so many days before or after. */
  public List<BankEntryEntity> settledAlike(BankEntryEntity entry, int days) {
    return entries.ofAmount(
        entry.companyId(),
        BankEntryEntity.Status.SETTLED,
        entry.amount().getCurrencyUnit().getCode(),
        entry.amount().getAmountMinorLong(),
        entry.bookedOn().minusDays(days),
        entry.bookedOn().plusDays(days));
  }

  /** Money from us on an account since a day, as far as it explains nothing yet. */
  public List<BankEntryEntity> debits(Long bankAccountId, LocalDate from) {
    return entries.debits(bankAccountId, from);
  }

  /**
   * Credits of a bank account of these amounts, in minor units, that wait or are settled, the
   * latest first.
   */
  public List<BankEntryEntity> credits(
      Long bankAccountId, long least, long most, LocalDate from, LocalDate until) {
    return entries.credits(bankAccountId, least, most, from, until, Limit.of(MOST_CREDITS));
  }

  /** Takes a receipt of the office in; it waits like money at the bank. */
  @Transactional
  public BankEntryEntity receive(Long pouchId, String key, Receipt receipt, String checkNumber) {
    return receive(pouchId, key, receipt, checkNumber, null);
  }

  /** The same of a receipt that a file brought. */
  @Transactional
  public BankEntryEntity receive(
      Long pouchId, String key, Receipt receipt, String checkNumber, Long intakeId) {
    var company = Long.valueOf(receipt.companyId());
    return entries.save(
        BankEntryEntity.received(company, pouchId, key, receipt, checkNumber, intakeId));
  }

  /** Credits of a bank account that nothing explains yet. */
  public List<BankEntryEntity> waitingOn(Long bankAccountId) {
    return entries.findByBankAccountIdAndStatus(bankAccountId, BankEntryEntity.Status.WAITING);
  }

  /** An announced entry that the bank has booked now. */
  @Transactional
  public void becomesBooked(Long id, Long byIntake, StatementEntry told) {
    entry(id).becomesBooked(byIntake, told);
  }

  /** An entry takes the day and the amount that a corrected statement gives it. */
  @Transactional
  public void correct(Long id, LocalDate day, Money amount) {
    entry(id).corrected(day, amount);
  }

  /** An entry that a corrected statement no longer has. */
  @Transactional
  public void withdraw(Long id) {
    entry(id).withdraw();
  }

  /** Under which name and from which account money came that somebody settled, and whose it was. */
  public record Paid(String payerName, String payerAccount, Long customerId) {}

  /** Money booked since a day that was one customer's. */
  public List<Paid> settledSince(Long companyId, LocalDate since) {
    return entries.settledSince(companyId, since);
  }

  /** How often money came so for a customer, and when last. */
  public record PaidBefore(String payerName, String payerAccount, long times, LocalDate last) {}

  /** Whose money counts as a customer's, the most frequent first. */
  public List<PaidBefore> paidBefore(Long companyId, Long customerId) {
    return entries.paidBefore(companyId, customerId);
  }

  /**
   * Forgets that money of this payer was the customer's.
   *
   * @return of how many entries
   */
  @Transactional
  public int forgetPayer(Long companyId, Long customerId, String payerName, String payerAccount) {
    return entries.forgetPayer(companyId, customerId, payerName, payerAccount);
  }

  /** Who was behind money that was booked before a day, as far as it counts. */
  public List<PastPayer> pastPayers(Long companyId, LocalDate before) {
    return entries.settledBooked(companyId, before, Limit.of(EngineMemory.HISTORY)).stream()
        .flatMap(e -> e.toPastPayer().stream())
        .toList();
  }
}
