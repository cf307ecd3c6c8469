package org.sumbrel.server.payers;

import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.propose.Alias;
import org.sumbrel.server.api.NotThere;

/** The aliases of a company's customers, for the other subjects. */
@Service
@Transactional
public class PayerAliases {

  private final PayerAliasRepository aliases;
  private final Clock clock;

  PayerAliases(PayerAliasRepository aliases, Clock clock) {
    this.aliases = aliases;
    this.clock = clock;
  }

  /**
   * An alias as it is held to.
   *
   * @param settlementId from which it was learned
   */
  public record Held(Long id, Alias alias, Long settlementId, String by, Instant at) {

    static Held of(PayerAliasEntity row) {
      return new Held(
          row.id(), row.toAlias(), row.settlementId(), row.learnedBy(), row.learnedAt());
    }
  }

  /** All that are held to, by their id. */
  @Transactional(readOnly = true)
  public Map<Long, Alias> all(Long companyId) {
    var all = new HashMap<Long, Alias>();
    aliases
        .findByCompanyIdAndForgottenAtIsNullOrderById(companyId)
        .forEach(row -> all.put(row.id(), row.toAlias()));
    return all;
  }

  /** All that are held to, in the order in which they were learned. */
  @Transactional(readOnly = true)
  public List<Held> heldBy(Long companyId) {
    return aliases.findByCompanyIdAndForgottenAtIsNullOrderById(companyId).stream()
        .map(Held::of)
        .toList();
  }

  /** Those of these that are held to and the company's. */
  @Transactional(readOnly = true)
  public Map<Long, Alias> some(Long companyId, Collection<Long> ids) {
    var some = new HashMap<Long, Alias>();
    for (var row : aliases.findAllById(ids)) {
      if (row.companyId().equals(companyId) && row.held()) {
        some.put(row.id(), row.toAlias());
      }
    }
    return some;
  }

  /** What is held to of one customer, in the order in which it was learned. */
  @Transactional(readOnly = true)
  public List<Held> of(Long companyId, Long customerId) {
    return aliases
        .findByCompanyIdAndCustomerIdAndForgottenAtIsNullOrderById(companyId, customerId)
        .stream()
        .map(Held::of)
        .toList();
  }

  /** Whether this is held to already, however it is spelled. */
  @Transactional(readOnly = true)
  public boolean knows(Long companyId, Alias alias) {
    return of(companyId, Long.valueOf(alias.customerId())).stream()
        .anyMatch(held -> held.alias().key().equals(alias.key()));
  }

  /** Holds to an alias from now on; nothing happens where it is held to already. */
  public void learn(Long companyId, Alias alias, Long settlementId, String by) {
    if (!knows(companyId, alias)) {
      aliases.save(new PayerAliasEntity(companyId, alias, settlementId, by, clock.instant()));
    }
  }

  /** Forgets what was learned from a settlement that is taken back. */
  public void forgetLearnedFrom(Long settlementId, String by) {
    aliases
        .findBySettlementIdAndForgottenAtIsNull(settlementId)
        .forEach(row -> row.forget(by, clock.instant()));
  }

  /**
   * Forgets one.
   *
   * @return the company whose it was
   */
  public Long forget(Long id, String by) {
    var row =
        aliases
            .findById(id)
            .filter(PayerAliasEntity::held)
            .orElseThrow(() -> new NotThere("alias", id));
    row.forget(by, clock.instant());
    return row.companyId();
  }

  /** The company whose alias this is. */
  @Transactional(readOnly = true)
  public Long companyOf(Long id) {
    return aliases
        .findById(id)
        .map(PayerAliasEntity::companyId)
        .orElseThrow(() -> new NotThere("alias", id));
  }
}
