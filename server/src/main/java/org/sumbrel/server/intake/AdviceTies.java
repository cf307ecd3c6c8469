package org.sumbrel.server.intake;

import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.remittance.Advices;
import org.sumbrel.server.remittance.TiedBy;

/** Ties that a person makes or undoes. */
@Service
@Transactional
class AdviceTies {

  private final Advices advices;
  private final Entries entries;
  private final Proposals proposals;

  AdviceTies(Advices advices, Entries entries, Proposals proposals) {
    this.advices = advices;
    this.entries = entries;
    this.proposals = proposals;
  }

  /**
   * Ties an advice to money.
   *
   * @return the company whose proposals are behind now
   * @throws Conflict where the money is in another currency, from us, or another advice's
   */
  Long tie(Long id, Long entryId) {
    var kept = advices.one(id);
    var entry = entries.entry(entryId);
    if (!entry.companyId().equals(kept.companyId())) {
      throw new NotThere("bank entry", entryId);
    }
    var total = kept.advice().total();
    if (!entry.amount().getCurrencyUnit().equals(total.getCurrencyUnit())
        || !entry.amount().isPositive()) {
      throw new Conflict(
          "DOES_NOT_FIT",
          "The advice is about "
              + total.getCurrencyUnit()
              + " "
              + MoneyText.grouped(total)
              + ", the entry is "
              + entry.amount().getCurrencyUnit()
              + " "
              + MoneyText.grouped(entry.amount())
              + ".");
    }
    advices.tie(id, entryId, TiedBy.HAND);
    proposals.mark(kept.companyId());
    return kept.companyId();
  }

  /**
   * Unties it.
   *
   * @return the company whose proposals are behind now
   */
  Long untie(Long id) {
    var kept = advices.one(id);
    advices.untie(id);
    proposals.mark(kept.companyId());
    return kept.companyId();
  }
}
