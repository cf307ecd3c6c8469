package org.sumbrel.server.desk;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.sumbrel.core.propose.Alias;
import org.sumbrel.core.propose.Evidence;
import org.sumbrel.core.propose.Proposal;
import org.sumbrel.core.propose.ReceiptProposals;
import org.sumbrel.core.propose.Rehearsal;
import org.sumbrel.core.propose.Standing;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.settle.Policy;

/**
 * What the engine thinks of the waiting entries, kept in the database and brought up to date after
 * what was written.
 */
@Service
@Transactional
public class Proposals {

  private final BankEntryRepository entries;
  private final ProposalRepository proposals;
  private final ProposalMarks marks;
  private final EngineMemory memory;
  private final JdbcClient jdbc;
  private final ObjectMapper json;

  Proposals(
      BankEntryRepository entries,
      ProposalRepository proposals,
      ProposalMarks marks,
      EngineMemory memory,
      JdbcClient jdbc,
      ObjectMapper json) {
    this.entries = entries;
    this.proposals = proposals;
    this.marks = marks;
    this.memory = memory;
    this.jdbc = jdbc;
    this.json = json;
  }

  /** Notes, in the transaction that moves balances, that the company's proposals are behind. */
  public void mark(Long companyId) {
    marks.add(companyId);
  }

  /** Forgets all proposals of a company, which stand on what is no longer there. */
  public void startAnew(Long companyId) {
    proposals.forget(companyId);
    mark(companyId);
    TransactionSynchronizationManager.registerSynchronization(
        new TransactionSynchronization() {
          @Override
          public void afterCommit() {
            memory.drop(companyId);
          }
        });
  }

  /** What was noted last of a company, by its number; 0 where nothing is left to do. */
  @Transactional(readOnly = true)
  public long lastMark(Long companyId) {
    return marks.last(companyId);
  }

  /**
   * Takes up what was written since the last time, if something noted up to a number has not been
   * taken up yet; what was noted later is taken up with it, and otherwise left to whoever noted it.
   *
   * @return whether there was anything to take up
   */
  public boolean renew(Long companyId, long upTo, EngineMemory.Progress progress) {
    var noted = marks.held(companyId);
    if (noted.stream().noneMatch(mark -> mark <= upTo)) {
      return false;
    }
    dropUnlessCommitted(companyId);
    var news = memory.look(companyId, progress);
    if (news.whole()) {
      keepWhole(companyId, news.results());
    } else {
      marks.forget(news.gone());
      marks.forget(ids(news.results()));
      keep(companyId, news.results());
      stand(news.results());
    }
    marks.remove(noted);
    return true;
  }

  /** How an entry would stand, and whom its first explanation would name; null where nobody. */
  public record Thought(Long entryId, Standing standing, Long customerId) {}

  /** What would be thought otherwise of what waits if an alias were held to. */
  @Transactional(readOnly = true)
  public Optional<List<Thought>> ifKnown(Long companyId, CurrencyUnit currency, Alias alias) {
    return memory.ifKnown(companyId, currency, alias).map(Proposals::thoughts);
  }

  /**
   * What a receipt would pay if it came now.
   *
   * @param odds the probability in words
   * @param says the evidence that speaks most for it
   * @param numbers of the items, best first
   * @param whole whether these items are paid whole by it, with nothing left over
   */
  public record WouldPay(String odds, String says, List<String> numbers, boolean whole) {}

  /** The explanations that a receipt would have, the likeliest first. */
  @Transactional(readOnly = true)
  public List<WouldPay> ifCame(Long companyId, Receipt receipt) {
    return memory
        .ifCame(companyId, receipt)
        .map(r -> r.proposals().stream().map(Proposals::wouldPay).toList())
        .orElse(List.of());
  }

  private static WouldPay wouldPay(Proposal proposal) {
    return new WouldPay(
        Odds.of(proposal.probability(), proposal.evidence()),
        proposal.evidence().stream().findFirst().map(Evidence::text).orElse(""),
        proposal.applications().stream().map(a -> a.item().number()).toList(),
        proposal.adjustments().isEmpty() && proposal.onAccount().isZero());
  }

  private static List<Thought> thoughts(List<ReceiptProposals> results) {
    return results.stream()
        .map(
            r ->
                new Thought(
                    Long.valueOf(r.receiptId()),
                    r.standing(),
                    StoredProposals.of(r).leadCustomer()))
        .toList();
  }

  /** Whether a renewal costs no more than what changed. */
  public boolean current(Long companyId) {
    return memory.knows(companyId);
  }

  /** What is in memory is ahead of the rows where they are not written after all. */
  private void dropUnlessCommitted(Long companyId) {
    TransactionSynchronizationManager.registerSynchronization(
        new TransactionSynchronization() {
          @Override
          public void afterCompletion(int status) {
            if (status != STATUS_COMMITTED) {
              memory.drop(companyId);
            }
          }
        });
  }

  /** Of everything that waits only what is not kept yet in the same words is written. */
  private void keepWhole(Long companyId, List<ReceiptProposals> all) {
    var kept = new HashMap<Long, String>();
    proposals.bodies(companyId).forEach(p -> kept.put(p.entryId(), p.body()));
    var other = new ArrayList<ReceiptProposals>();
    for (var result : all) {
      var entry = Long.valueOf(result.receiptId());
      if (write(StoredProposals.of(result)).equals(kept.get(entry))) {
        kept.remove(entry);
      } else {
        other.add(result);
      }
    }
    marks.forget(kept.keySet());
    keep(companyId, other);
    stand(all);
  }

  private static List<Long> ids(List<ReceiptProposals> results) {
    return results.stream().map(r -> Long.valueOf(r.receiptId())).toList();
  }

  private void keep(Long companyId, List<ReceiptProposals> results) {
    for (var result : results) {
      var entry = Long.valueOf(result.receiptId());
      var stored = StoredProposals.of(result);
      proposals.save(
          new ProposalEntity(
              entry,
              companyId,
              write(stored.lead()),
              write(stored),
              LeadSums.of(result.proposals().stream().findFirst())));
    }
  }

  /**
   * How entries stand may change while what is thought stays, as where a policy is decided anew.
   */
  private void stand(List<ReceiptProposals> results) {
    marks.stand(
        results.stream()
            .map(
                r ->
                    new ProposalMarks.Stands(
                        Long.valueOf(r.receiptId()),
                        r.standing(),
                        StoredProposals.of(r).leadCustomer()))
            .toList());
  }

  /** The companies in which money waits. */
  @Transactional(readOnly = true)
  public List<Long> companiesWaiting() {
    return entries.companiesWith(BankEntryEntity.Status.WAITING);
  }

  @Transactional(readOnly = true)
  public List<Long> staleCompanies() {
    return marks.companies();
  }

  @Transactional(readOnly = true)
  public long waiting(Long companyId) {
    return entries.countByCompanyIdAndStatus(companyId, BankEntryEntity.Status.WAITING);
  }

  @Transactional(readOnly = true)
  Map<Long, StoredProposals> of(Collection<Long> entryIds) {
    return proposals.findAllById(entryIds).stream()
        .collect(Collectors.toMap(ProposalEntity::entryId, p -> read(p.body())));
  }

  /** The first explanation of each of these entries, by the entry's id. */
  @Transactional(readOnly = true)
  Map<Long, StoredProposals> leads(Collection<Long> entryIds) {
    return proposals.leads(entryIds).stream()
        .collect(Collectors.toMap(ProposalRepository.Lead::entryId, p -> read(p.body())));
  }

  /**
   * The first explanation of an entry, as far as it can be told later whether it was right.
   *
   * @param evidence code of what speaks most for it
   * @param applied what it takes of each item, a plain decimal, by the item's id
   */
  public record First(double probability, String evidence, Map<String, BigDecimal> applied) {}

  /**
   * The first explanations of these entries, by the entry's id; with a probability of 0 where none
   * was found, and left out where none was looked for yet.
   */
  @Transactional(readOnly = true)
  public Map<Long, First> first(Collection<Long> entryIds) {
    var first = new HashMap<Long, First>();
    leads(entryIds)
        .forEach(
            (id, thoughts) ->
                first.put(
                    id,
                    thoughts.proposals().stream()
                        .findFirst()
                        .map(Proposals::first)
                        .orElse(new First(0, "", Map.of()))));
    return first;
  }

  private static First first(StoredProposals.Stored proposal) {
    var applied = new HashMap<String, BigDecimal>();
    proposal
        .applications()
        .forEach(
            a -> applied.merge(a.itemId().toString(), new BigDecimal(a.amount()), BigDecimal::add));
    return new First(proposal.probability(), Rehearsal.strongest(proposal.evidence()), applied);
  }

  /** How everything that waits in a currency would stand if the policy were another. */
  @Transactional(readOnly = true)
  public List<Thought> ifDecided(Long companyId, CurrencyUnit currency, Policy policy) {
    return thoughts(memory.ifDecided(companyId, currency, policy));
  }

  /**
   * What is thought of an entry.
   *
   * @param items those of each explanation, best first
   * @param payer who is thought to have paid
   * @param named what the text names, as it stands there
   */
  public record Explained(List<List<Long>> items, Optional<Long> payer, List<Long> named) {

    /** Where nothing is thought of it. */
    public static final Explained NOTHING = new Explained(List.of(), Optional.empty(), List.of());
  }

  @Transactional(readOnly = true)
  public Explained explained(Long entryId) {
    return Optional.ofNullable(of(List.of(entryId)).get(entryId))
        .map(
            p ->
                new Explained(
                    p.proposals().stream()
                        .map(
                            one ->
                                one.applications().stream()
                                    .map(StoredProposals.StoredApplication::itemId)
                                    .toList())
                        .toList(),
                    Optional.ofNullable(p.leadCustomer()),
                    p.marks().stream()
                        .filter(m -> m.exact() && !m.itemId().isEmpty())
                        .map(m -> Long.valueOf(m.itemId()))
                        .distinct()
                        .toList()))
        .orElse(Explained.NOTHING);
  }

  /**
   * The first explanation of each of these entries that waits and stands clear, by the entry's id.
   */
  @Transactional(readOnly = true)
  public Map<Long, ClearExplanation> clear(Collection<BankEntryEntity> some) {
    var ids =
        some.stream()
            .filter(
                e -> e.status() == BankEntryEntity.Status.WAITING && e.standing() == Standing.CLEAR)
            .map(BankEntryEntity::id)
            .toList();
    var clear = new HashMap<Long, ClearExplanation>();
    leads(ids)
        .forEach(
            (id, thoughts) ->
                thoughts.proposals().stream()
                    .findFirst()
                    .ifPresent(first -> clear.put(id, ClearExplanation.of(first))));
    return clear;
  }

  /** What the first explanation of each of these entries comes to, by the entry's id. */
  @Transactional(readOnly = true)
  public Map<Long, LeadSums> sums(Collection<Long> entryIds) {
    var sums = new HashMap<Long, LeadSums>();
    jdbc.sql(
            """
            select entry_id, lead_applied_minor, lead_kept_minor, lead_on_account_minor, lead_elsewhere_minor, lead_owing
            from unnest(:entries) asked(id) join proposal on entry_id = asked.id
            """)
        .param("entries", entryIds.toArray(Long[]::new))
        .query(
            row -> {
              sums.put(
                  row.getLong("entry_id"),
                  new LeadSums(
                      row.getLong("lead_applied_minor"),
                      row.getLong("lead_kept_minor"),
                      row.getLong("lead_on_account_minor"),
                      row.getLong("lead_elsewhere_minor"),
                      row.getBoolean("lead_owing")));
            });
    return sums;
  }

  private String write(StoredProposals stored) {
    try {
      return json.writeValueAsString(stored);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("proposals cannot be written", e);
    }
  }

  private StoredProposals read(String body) {
    try {
      return json.readValue(body, StoredProposals.class);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("kept proposals cannot be read", e);
    }
  }
}
