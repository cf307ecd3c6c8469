package org.sumbrel.server.desk;

import java.util.Collection;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
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

  /** Those of the account's entries that carry one of these keys. */
  public List<BankEntryEntity> known(Long bankAccountId, Collection<String> keys) {
    return keys.isEmpty()
        ? List.of()
        : entries.findByBankAccountIdAndEntryKeyIn(bankAccountId, keys);
  }

  public List<BankEntryEntity> waiting(Long companyId) {
    return entries.findByCompanyIdAndStatus(companyId, BankEntryEntity.Status.WAITING);
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

  @Transactional
  public void addAll(Collection<BankEntryEntity> fresh) {
    entries.saveAll(fresh);
  }
}
