package org.sumbrel.server.settle;

import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.server.api.AdjustmentKind;
import org.sumbrel.server.desk.Proposals;

/** What became of many receipts, or would by what is drafted or stands clear: sums only. */
@Service
@Transactional(readOnly = true)
public class ReceiptUses {

  private final HeldDrafts held;
  private final Proposals proposals;
  private final JdbcClient jdbc;

  ReceiptUses(HeldDrafts held, Proposals proposals, JdbcClient jdbc) {
    this.held = held;
    this.proposals = proposals;
    this.jdbc = jdbc;
  }

  /**
   * The parts of a receipt.
   *
   * @param applied what the items' balances fall by
   * @param onAccount what stays on account
   * @param kept discounts and what others kept from us; what we got less by
   * @param toAccounts what is promised back or goes to accounts of the ledger
   */
  public record Parts(Money applied, Money onAccount, Money kept, Money toAccounts) {}

  /**
   * A settlement that stands.
   *
   * @param byHand whether somebody made it, rather than took the clear explanation
   */
  public record Posted(Long settlementId, boolean byHand, String by, Parts parts) {}

  /** A draft that somebody holds. */
  public record Drafted(String heldBy, boolean handed, Parts parts) {}

  private static final String POSTED =
      """
      select s.entry_id, s.id, s.origin, s.posted_by, s.on_account_minor,
        s.exchanged_minor + (select coalesce(sum(a.amount_minor), 0) from settlement_application a
          where a.settlement_id = s.id and a.currency = s.currency and a.company_id = s.company_id) as applied,
        (select coalesce(sum(a.discount_minor), 0) from settlement_application a
          where a.settlement_id = s.id and a.currency = s.currency and a.company_id = s.company_id) as discount,
        (select coalesce(sum(d.amount_minor), 0) from settlement_adjustment d where d.settlement_id = s.id and d.currency = s.currency and d.company_id = s.company_id
          and d.kind not in ('REFUND', 'TO_ACCOUNT')) as kept,
        (select coalesce(sum(d.amount_minor), 0) from settlement_adjustment d where d.settlement_id = s.id and d.currency = s.currency and d.company_id = s.company_id
          and d.kind in ('REFUND', 'TO_ACCOUNT')) as to_accounts
      from unnest(:entries) asked(id) join settlement s on s.entry_id = asked.id and s.status = 'POSTED'
      """;

  /** What settles these entries, by the entry's id. */
  public Map<Long, Posted> posted(CurrencyUnit currency, List<Long> entryIds) {
    var found = new HashMap<Long, Posted>();
    jdbc.sql(POSTED)
        .param("entries", entryIds.toArray(Long[]::new))
        .query(
            row -> {
              found.put(
                  row.getLong("entry_id"),
                  new Posted(
                      row.getLong("id"),
                      row.getString("origin").equals(SettlementEntity.Origin.HAND.name()),
                      row.getString("posted_by"),
                      new Parts(
                          Money.ofMinor(currency, row.getLong("applied")),
                          Money.ofMinor(currency, row.getLong("on_account_minor")),
                          Money.ofMinor(currency, row.getLong("discount") + row.getLong("kept")),
                          Money.ofMinor(currency, -row.getLong("to_accounts")))));
            });
    return found;
  }

  /** The drafts of these entries, by the entry's id. */
  public Map<Long, Drafted> drafted(
      Long companyId, CurrencyUnit currency, Collection<Long> entryIds) {
    var asked = new HashSet<>(entryIds);
    return held.of(companyId).stream()
        .filter(d -> d.subject().entryId() != null && asked.contains(d.subject().entryId()))
        .collect(
            Collectors.toMap(
                d -> d.subject().entryId(),
                d ->
                    new Drafted(
                        d.heldBy(),
                        d.state() == DraftEntity.State.HANDED,
                        parts(held.read(d), currency))));
  }

  private static Parts parts(PostSettlement draft, CurrencyUnit currency) {
    var zero = Money.zero(currency);
    return parts(
        MoneySum.of(currency, draft.applications(), a -> a.amount().toMoney()),
        MoneySum.of(
            currency,
            draft.applications(),
            a -> a.discount() == null ? zero : a.discount().toMoney()),
        draft.onAccount() == null ? zero : draft.onAccount().toMoney(),
        draft.adjustments().stream()
            .map(d -> new Difference(d.kind(), d.amount().toMoney()))
            .toList());
  }

  /**
   * A first explanation.
   *
   * @param leavesOwing whether it pays less of an item than is open of it
   */
  public record First(Parts parts, boolean leavesOwing) {}

  /** What the first explanations of entries come to, by the entry's id. */
  public Map<Long, First> first(CurrencyUnit currency, Collection<Long> entryIds) {
    var found = new HashMap<Long, First>();
    proposals
        .sums(entryIds)
        .forEach(
            (entry, sums) ->
                found.put(
                    entry,
                    new First(
                        new Parts(
                            Money.ofMinor(currency, sums.applied()),
                            Money.ofMinor(currency, sums.onAccount()),
                            Money.ofMinor(currency, sums.kept()),
                            Money.ofMinor(currency, sums.elsewhere())),
                        sums.owing())));
    return found;
  }

  private record Difference(AdjustmentKind kind, Money amount) {}

  private static Parts parts(
      Money applied, Money discount, Money onAccount, List<Difference> differences) {
    var currency = applied.getCurrencyUnit();
    var kept = differences.stream().filter(d -> !d.kind().elsewhere()).toList();
    var elsewhere = differences.stream().filter(d -> d.kind().elsewhere()).toList();
    return new Parts(
        applied,
        onAccount,
        discount.plus(MoneySum.of(currency, kept, Difference::amount)),
        MoneySum.of(currency, elsewhere, Difference::amount).negated());
  }
}
