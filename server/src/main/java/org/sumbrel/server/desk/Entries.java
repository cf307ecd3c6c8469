package org.sumbrel.server.desk;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.propose.Standing;
import org.sumbrel.formats.statement.StatementEntry;
import org.sumbrel.server.api.NotThere;

/** Bank entries, for the other subjects. */
@Service
@Transactional(readOnly = true)
public class Entries {

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

  public List<BankEntryEntity> waiting(Long companyId) {
    return entries.findByCompanyIdAndStatus(companyId, BankEntryEntity.Status.WAITING);
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
}
