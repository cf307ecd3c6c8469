package org.sumbrel.server.payouts;

import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.journal.AccountRole;
import org.sumbrel.core.payout.PayoutAccounts;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.companies.Charts;

/** Processors and marketplaces, and the accounts that their payouts are booked to. */
@Service
@Transactional
class Processors {

  private final ProcessorRepository rows;
  private final Charts charts;

  Processors(ProcessorRepository rows, Charts charts) {
    this.rows = rows;
    this.charts = charts;
  }

  @Transactional(readOnly = true)
  public ProcessorEntity processor(Long id) {
    return rows.findById(id).orElseThrow(() -> new NotThere("processor", id));
  }

  /** The names of those that are known. */
  @Transactional(readOnly = true)
  public List<String> names(Long company) {
    return rows.findByCompanyIdOrderByName(company).stream().map(ProcessorEntity::name).toList();
  }

  /**
   * The processor of this name, held for whoever takes a payout of it in. One that comes for the
   * first time gets accounts of its own; the company's first one has the account on which its card
   * receipts stand anyway.
   */
  public ProcessorEntity named(Long company, String name) {
    return rows.findByCompanyIdAndNameIgnoreCase(company, name)
        .flatMap(known -> rows.held(known.id()))
        .orElseGet(
            () ->
                rows.saveAndFlush(
                    new ProcessorEntity(
                        company,
                        name,
                        rows.countByCompanyId(company) == 0
                            ? charts.accountFor(company, AccountRole.PROCESSOR_CLEARING)
                            : charts.add(company, 1071, "Clearing " + name),
                        charts.add(company, 1081, "Reserve " + name))));
  }

  /** Where a payout of the processor is booked. */
  @Transactional(readOnly = true)
  public PayoutAccounts accounts(ProcessorEntity processor) {
    var company = processor.companyId();
    return new PayoutAccounts(
        processor.clearingAccountId().toString(),
        processor.reserveAccountId().toString(),
        account(company, AccountRole.SALES),
        account(company, AccountRole.SALES_REFUNDS),
        account(company, AccountRole.CHARGEBACKS),
        account(company, AccountRole.PROCESSING_FEES),
        account(company, AccountRole.PROCESSING_FEES),
        account(company, AccountRole.EXCHANGE_DIFFERENCES));
  }

  private String account(Long company, AccountRole role) {
    return charts.accountFor(company, role).toString();
  }
}
