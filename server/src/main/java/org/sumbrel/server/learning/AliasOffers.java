package org.sumbrel.server.learning;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.propose.Alias;
import org.sumbrel.core.propose.Standing;
import org.sumbrel.server.customers.CustomerEntity;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.ProposalRenewal;
import org.sumbrel.server.payers.PayerAliases;
import org.sumbrel.server.payers.Remember;

/** What could be remembered of who sent an entry's money, and what would come of it. */
@Service
@Transactional(readOnly = true)
class AliasOffers {

  /** So far back it is told what an alias would have explained. */
  static final int DAYS_BACK = 90;

  private final Entries entries;
  private final Customers customers;
  private final PayerAliases aliases;
  private final ProposalRenewal renewal;
  private final Clock clock;

  AliasOffers(
      Entries entries,
      Customers customers,
      PayerAliases aliases,
      ProposalRenewal renewal,
      Clock clock) {
    this.entries = entries;
    this.customers = customers;
    this.aliases = aliases;
    this.renewal = renewal;
    this.clock = clock;
  }

  /**
   * One thing that may be remembered.
   *
   * @param written the payer's name or account, as the bank gives it
   * @param explainsNow how many other entries that wait it would also name this customer for
   * @param clearNow how many of these would stand clear
   * @param rightBefore how many settled entries of the last {@value #DAYS_BACK} days of this payer
   *     were this customer's
   * @param wrongBefore how many of them were somebody else's
   */
  record Offer(
      @NotNull Remember what,
      @NotNull String written,
      @Schema(description = "null where the company is still being read after a start")
          Integer explainsNow,
      @Schema(description = "null where the company is still being read after a start")
          Integer clearNow,
      @NotNull int rightBefore,
      @NotNull int wrongBefore) {}

  /** What is offered where the money of an entry turns out to be of a customer. */
  List<Offer> of(Long entryId, Long customerId) {
    var entry = entries.entry(entryId);
    var customer = customers.customer(entry.companyId(), customerId);
    var offers = new ArrayList<Offer>();
    if (!entry.payerName().isBlank()
        && !entry.payerName().strip().equalsIgnoreCase(customer.name())) {
      offer(offers, entry, customer, Remember.TEXT);
    }
    if (!entry.payerAccount().isBlank()) {
      offer(offers, entry, customer, Remember.ACCOUNT);
    }
    return offers;
  }

  private void offer(
      List<Offer> offers, BankEntryEntity entry, CustomerEntity customer, Remember what) {
    var alias = what.of(entry.payerName(), entry.payerAccount(), customer.id());
    var own =
        customer.toCustomer().accounts().stream()
            .anyMatch(a -> Alias.ofAccount(a, alias.customerId()).key().equals(alias.key()));
    if (own || aliases.knows(entry.companyId(), alias)) {
      return;
    }
    var since = LocalDate.now(clock).minusDays(DAYS_BACK);
    var before =
        entries.settledSince(entry.companyId(), since).stream()
            .filter(past -> what.stands(past.payerName(), past.payerAccount()))
            .filter(
                past ->
                    what.of(past.payerName(), past.payerAccount(), customer.id())
                        .key()
                        .equals(alias.key()))
            .collect(
                Collectors.partitioningBy(
                    past -> past.customerId().equals(customer.id()), Collectors.counting()));
    var now =
        renewal
            .ifKnown(entry.companyId(), entry.amount().getCurrencyUnit(), alias)
            .map(
                all ->
                    all.stream()
                        .filter(one -> !one.entryId().equals(entry.id()))
                        .filter(one -> customer.id().equals(one.customerId()))
                        .toList());
    offers.add(
        new Offer(
            what,
            what == Remember.TEXT ? entry.payerName() : entry.payerAccount(),
            now.map(List::size).orElse(null),
            now.map(all -> (int) all.stream().filter(o -> o.standing() == Standing.CLEAR).count())
                .orElse(null),
            before.get(true).intValue(),
            before.get(false).intValue()));
  }
}
