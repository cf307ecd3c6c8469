package org.sumbrel.server.learning;

import jakarta.validation.constraints.NotNull;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.propose.Rehearsal;
import org.sumbrel.core.propose.Standing;
import org.sumbrel.core.settle.Policy;
import org.sumbrel.server.companies.CompanyPolicies;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.Proposals;

/** What a policy would change, before it is decided. */
@Service
@Transactional(readOnly = true)
class PolicyEffects {

  private final CompanyPolicies policies;
  private final Entries entries;
  private final Proposals proposals;
  private final Rehearsals rehearsals;

  PolicyEffects(
      CompanyPolicies policies, Entries entries, Proposals proposals, Rehearsals rehearsals) {
    this.policies = policies;
    this.entries = entries;
    this.proposals = proposals;
    this.rehearsals = rehearsals;
  }

  /** How many entries that wait stand so, now and under the policy. */
  record Stands(@NotNull Standing standing, @NotNull int now, @NotNull int then) {}

  /**
   * What would have become of the money of the last days.
   *
   * @param clearRight stood clear and was posted like that
   * @param clearWrong stood clear, and was posted otherwise
   * @param byHand did not stand clear
   */
  record Rehearsed(@NotNull int clearRight, @NotNull int clearWrong, @NotNull int byHand) {

    static Rehearsed of(List<Rehearsal.Thought> thoughts) {
      var clear = thoughts.stream().filter(t -> t.standing() == Standing.CLEAR).toList();
      var right = (int) clear.stream().filter(Rehearsal.Thought::right).count();
      return new Rehearsed(right, clear.size() - right, thoughts.size() - clear.size());
    }
  }

  /**
   * The effect.
   *
   * @param changing how many entries that wait would stand otherwise
   * @param days of which money is rehearsed
   * @param now under the policy that holds
   * @param then under the one that is looked at
   */
  record Effect(
      @NotNull List<Stands> waiting,
      @NotNull int changing,
      @NotNull int days,
      @NotNull Rehearsed now,
      @NotNull Rehearsed then) {}

  Effect of(Long company, CurrencyUnit currency, Policy other) {
    var before =
        entries.waiting(company).stream()
            .filter(e -> e.amount().getCurrencyUnit().equals(currency))
            .collect(Collectors.toMap(BankEntryEntity::id, BankEntryEntity::standing));
    var now = new EnumMap<Standing, Integer>(Standing.class);
    before.values().forEach(s -> now.merge(s, 1, Integer::sum));
    var then = new EnumMap<Standing, Integer>(Standing.class);
    var changing = 0;
    for (var thought : proposals.ifDecided(company, currency, other)) {
      then.merge(thought.standing(), 1, Integer::sum);
      changing += before.get(thought.entryId()) == thought.standing() ? 0 : 1;
    }
    var held = policies.of(company, currency);
    var past = rehearsals.past(company, currency, held);
    return new Effect(
        stands(now, then),
        changing,
        Rehearsals.DAYS_BACK,
        Rehearsed.of(past.under(held)),
        Rehearsed.of(past.under(other)));
  }

  private static List<Stands> stands(Map<Standing, Integer> now, Map<Standing, Integer> then) {
    return List.of(Standing.values()).stream()
        .map(s -> new Stands(s, now.getOrDefault(s, 0), then.getOrDefault(s, 0)))
        .toList();
  }
}
