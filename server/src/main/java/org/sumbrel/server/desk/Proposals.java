package org.sumbrel.server.desk;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.propose.ProposalEngine;
import org.sumbrel.core.propose.Snapshot;
import org.sumbrel.core.propose.Standing;
import org.sumbrel.core.receivables.RemittanceAdvice;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.remittance.Advices;

/**
 * What the engine thinks of the waiting entries, kept in the database and renewed as a whole for a
 * company.
 */
@Service
@Transactional
public class Proposals {

  private static final int HISTORY = 20_000;

  private final BankEntryRepository entries;
  private final ProposalRepository proposals;
  private final ProposalMarks marks;
  private final Customers customers;
  private final Companies companies;
  private final Advices advices;
  private final ObjectMapper json;

  Proposals(
      BankEntryRepository entries,
      ProposalRepository proposals,
      ProposalMarks marks,
      Customers customers,
      Companies companies,
      Advices advices,
      ObjectMapper json) {
    this.entries = entries;
    this.proposals = proposals;
    this.marks = marks;
    this.customers = customers;
    this.companies = companies;
    this.advices = advices;
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
  }

  /** What was noted last of a company, by its number; 0 where nothing is left to do. */
  @Transactional(readOnly = true)
  public long lastMark(Long companyId) {
    return marks.last(companyId);
  }

  /**
   * Proposes anew for all that waits, if something noted up to a number has not been taken up yet;
   * what was noted later is taken up with it, and otherwise left to whoever noted it.
   */
  public void renew(Long companyId, long upTo) {
    var noted = marks.held(companyId);
    if (noted.stream().noneMatch(mark -> mark <= upTo)) {
      return;
    }
    proposals.forget(companyId);
    var waiting = entries.findByCompanyIdAndStatus(companyId, BankEntryEntity.Status.WAITING);
    waiting.stream()
        .collect(Collectors.groupingBy(e -> e.amount().getCurrencyUnit()))
        .forEach((currency, some) -> propose(companyId, currency, some));
    marks.remove(noted);
  }

  private void propose(Long companyId, CurrencyUnit currency, List<BankEntryEntity> waiting) {
    var byId =
        waiting.stream().collect(Collectors.toMap(e -> e.id().toString(), Function.identity()));
    var said = new HashMap<String, RemittanceAdvice>();
    advices.tied(companyId).forEach((entry, kept) -> said.put(entry.toString(), kept.advice()));
    var engine = ProposalEngine.over(snapshot(companyId, currency), said);
    var stands = new ArrayList<ProposalMarks.Stands>();
    for (var result : engine.propose(waiting.stream().map(BankEntryEntity::toReceipt).toList())) {
      var entry = byId.get(result.receiptId());
      var stored = StoredProposals.of(result);
      stands.add(new ProposalMarks.Stands(entry.id(), result.standing(), stored.leadCustomer()));
      proposals.save(
          new ProposalEntity(entry.id(), companyId, write(stored.lead()), write(stored)));
    }
    marks.stand(stands);
  }

  private Snapshot snapshot(Long companyId, CurrencyUnit currency) {
    var items =
        customers.itemsOf(companyId).stream()
            .filter(i -> i.currency().equals(currency.getCode()))
            .toList();
    var settledOn = new HashMap<String, LocalDate>();
    for (var item : items) {
      if (item.settledOn() != null) {
        settledOn.put(item.id().toString(), item.settledOn());
      }
    }
    return new Snapshot(
        items.stream().map(OpenItemEntity::toItem).toList(),
        settledOn,
        customers.all(companyId),
        List.of(),
        entries.settledLast(companyId, Limit.of(HISTORY)).stream()
            .flatMap(e -> e.toPastPayer().stream())
            .toList(),
        companies.policy(companyId, currency));
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

  /** The items of each explanation of an entry, best first, and who is thought to have paid. */
  public record Explained(List<List<Long>> items, Optional<Long> payer) {}

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
                    Optional.ofNullable(p.leadCustomer())))
        .orElseGet(() -> new Explained(List.of(), Optional.empty()));
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
