package org.sumbrel.server.companies;

import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.settle.Place;
import org.sumbrel.core.settle.Policies;
import org.sumbrel.core.settle.Policy;
import org.sumbrel.server.api.Conflict;

/** What each company allows; the standard policy where it has decided nothing. */
@Service
@Transactional(readOnly = true)
public class CompanyPolicies implements Policies {

  private final PolicyRepository policies;

  CompanyPolicies(PolicyRepository policies) {
    this.policies = policies;
  }

  @Override
  public Policy of(Place where) {
    return of(Long.valueOf(where.companyId()), where.currency());
  }

  public Policy of(Long companyId, CurrencyUnit currency) {
    return policies
        .findById(new PolicyEntity.Key(companyId, currency.getCode()))
        .map(PolicyEntity::toPolicy)
        .orElseGet(() -> Policy.standard(currency));
  }

  /** Whether a second person must release what is posted of lockbox batches. */
  public boolean batchesReleased(Long companyId, CurrencyUnit currency) {
    return policies
        .findById(new PolicyEntity.Key(companyId, currency.getCode()))
        .map(PolicyEntity::batchesReleased)
        .orElse(false);
  }

  /**
   * Decides anew what somebody has looked at.
   *
   * @param batchesReleased whether a second person must release what is posted of lockbox batches
   * @param version of the policy as it was looked at
   * @throws Conflict where another has changed it since
   */
  @Transactional
  public void decide(
      CompanyEntity company,
      CurrencyUnit currency,
      Policy policy,
      boolean batchesReleased,
      long version) {
    if (version(company.id(), currency) != version) {
      throw new Conflict(
          "STALE", "Somebody has changed this policy since you opened it. Look again.");
    }
    decide(company, currency, policy);
    policies
        .findById(new PolicyEntity.Key(company.id(), currency.getCode()))
        .ifPresent(known -> known.release(batchesReleased));
    policies.flush();
  }

  /** Decides what a company allows in a currency, for the first time or anew. */
  @Transactional
  public void decide(CompanyEntity company, CurrencyUnit currency, Policy policy) {
    policies
        .findById(new PolicyEntity.Key(company.id(), currency.getCode()))
        .ifPresentOrElse(
            known -> known.decide(policy),
            () -> policies.save(new PolicyEntity(company.id(), currency, policy)));
    // so that the version that is read next is the new one
    policies.flush();
  }

  /** The version of the policy, by which two people who change it notice each other; 0 at first. */
  long version(Long companyId, CurrencyUnit currency) {
    return policies
        .findById(new PolicyEntity.Key(companyId, currency.getCode()))
        .map(PolicyEntity::version)
        .orElse(0L);
  }
}
