package org.sumbrel.server.learning;

import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.PastChoices;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.payers.PayerAliases;

/** Forgets what was learned, with the note that proposals are behind. */
@Service
@Transactional
class Learned {

  private final PayerAliases aliases;
  private final Entries entries;
  private final Customers customers;
  private final PastChoices choices;
  private final Proposals proposals;

  Learned(
      PayerAliases aliases,
      Entries entries,
      Customers customers,
      PastChoices choices,
      Proposals proposals) {
    this.choices = choices;
    this.aliases = aliases;
    this.entries = entries;
    this.customers = customers;
    this.proposals = proposals;
  }

  /**
   * Forgets an alias.
   *
   * @return the company whose it was
   */
  Long forget(Long id, Actor actor) {
    var company = aliases.forget(id, actor.name());
    proposals.mark(company);
    return company;
  }

  /**
   * Forgets where the money of a payer went before, and what was chosen for him.
   *
   * @return the customer's company
   */
  Long forgetPast(Long customerId, String payerName, String payerAccount) {
    var company = customers.companyOf(customerId);
    var known =
        choices.forget(company, customerId, payerName, payerAccount)
            + entries.forgetPayer(company, customerId, payerName, payerAccount);
    if (known == 0) {
      throw new NotThere("payer", customerId);
    }
    proposals.mark(company);
    return company;
  }
}
