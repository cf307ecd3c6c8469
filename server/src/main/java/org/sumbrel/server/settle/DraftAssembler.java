package org.sumbrel.server.settle;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Component;
import org.sumbrel.core.exchange.RateUsed;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.settle.Adjustment;
import org.sumbrel.core.settle.Application;
import org.sumbrel.core.settle.Draft;
import org.sumbrel.core.settle.Exchanged;
import org.sumbrel.core.settle.OfCompany;
import org.sumbrel.core.settle.Place;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.settle.PostSettlement.AppliedItem;

/**
 * Turns a draft as it is sent into the core's draft: looks everything up and holds it against what
 * was seen.
 */
@Component
class DraftAssembler {

  private final Entries entries;
  private final Customers customers;
  private final Companies companies;
  private final BankAccounts bankAccounts;
  private final SettlementRepository settlements;
  private final Differences differences;
  private final PostingHolds holds;
  private final Valuing valuing;
  private final Clock clock;

  DraftAssembler(
      Entries entries,
      Customers customers,
      Companies companies,
      BankAccounts bankAccounts,
      SettlementRepository settlements,
      Differences differences,
      PostingHolds holds,
      Valuing valuing,
      Clock clock) {
    this.valuing = valuing;
    this.entries = entries;
    this.customers = customers;
    this.companies = companies;
    this.bankAccounts = bankAccounts;
    this.settlements = settlements;
    this.differences = differences;
    this.holds = holds;
    this.clock = clock;
  }

  /**
   * A draft with the rows it was made of.
   *
   * @param entry null where no money came
   */
  record Assembled(
      Draft draft, Long companyId, BankEntryEntity entry, Map<Long, OpenItemEntity> items) {}

  /**
   * What has changed under a draft since its items were looked at.
   *
   * @param open what is open of it now
   */
  record Change(OpenItemEntity item, Money taken, String sentence) {}

  /**
   * The draft.
   *
   * @param released whether a second person has said yes to it
   * @throws Conflict where the entry is settled already, something must be decided first, or entry
   *     or item changed since they were looked at
   */
  Assembled assemble(PostSettlement command, boolean released) {
    var assembled = look(command);
    var entry = assembled.entry();
    if (entry != null
        && command.entryVersion() != null
        && command.entryVersion() != entry.version()) {
      throw new Conflict(
          "STALE",
          "This entry has changed since you looked at it. Look again; nothing was posted.");
    }
    if (entry != null && bankAccounts.account(entry.bankAccountId()).isPouch()) {
      holds
          .against(entry.id(), released)
          .ifPresent(
              why -> {
                throw new Conflict("HELD_BACK", why + " Nothing was posted.");
              });
    }
    var changes = changes(command, assembled.items());
    if (!changes.isEmpty()) {
      throw new Conflict("STALE", changes.get(0).sentence() + " Nothing was posted.");
    }
    return assembled;
  }

  /** The draft as things stand now, whatever has changed since. */
  Assembled look(PostSettlement command) {
    var entry = command.entryId() == null ? null : entries.entry(command.entryId());
    if (entry != null) {
      requireWaiting(entry);
    } else if (command.accountOf() == null) {
      throw new BadRequest("Say which entry this explains, or whose account it is about.");
    }
    var companyId = entry == null ? customers.companyOf(command.accountOf()) : entry.companyId();
    var receipt = entry == null ? nothing(command, companyId) : entry.toReceipt();
    var items =
        customers.items(
            command.applications().stream().map(AppliedItem::itemId).distinct().toList());
    var zero = Money.zero(receipt.amount().getCurrencyUnit());
    var applications =
        command.applications().stream()
            .map(
                a ->
                    new Application(
                        items.get(a.itemId()).toItem(),
                        a.amount().toMoney(),
                        a.discount() == null
                            ? Money.zero(a.amount().toMoney().getCurrencyUnit())
                            : a.discount().toMoney()))
            .toList();
    var adjustments =
        command.adjustments().stream().map(d -> differences.toAdjustment(d, companyId)).toList();
    var onAccount = Optional.ofNullable(command.onAccount()).map(MoneyView::toMoney).orElse(zero);
    if (onAccount.isNegative()) {
      throw new BadRequest("What stays on account cannot be negative.");
    }
    var keeper =
        Optional.ofNullable(command.onAccountCustomerId())
            .map(id -> customers.customer(companyId, id).id().toString());
    var exchanges = counting(command, receipt, entry, applications, adjustments);
    return new Assembled(
        new Draft(receipt, applications, adjustments, onAccount, keeper, exchanges),
        companyId,
        entry,
        items);
  }

  /**
   * What of the receipt counts elsewhere: there as much as is settled there, of the receipt what
   * was said, or as much as the rate says. That is the bank's own, where it tells what was
   * instructed, what it booked and what it kept; else the one of the receipt's day.
   */
  private List<Exchanged> counting(
      PostSettlement command,
      Receipt receipt,
      BankEntryEntity entry,
      List<Application> applications,
      List<Adjustment> adjustments) {
    var own = new Place(receipt.companyId(), receipt.amount().getCurrencyUnit());
    var counted = new LinkedHashMap<Place, Money>();
    applications.forEach(a -> counted.merge(a.place(), a.taken(), Money::plus));
    adjustments.forEach(a -> counted.merge(placeOf(a, own), a.amount().negated(), Money::plus));
    counted.remove(own);
    var exchanges = new ArrayList<Exchanged>();
    for (var where : counted.entrySet()) {
      var place = where.getKey();
      var there = where.getValue();
      if (entry == null && !place.companyId().equals(own.companyId())) {
        throw new BadRequest(
            "Without money that came, only items of one company are set against each other.");
      }
      if (place.currency().equals(own.currency())) {
        exchanges.add(Exchanged.in(place.companyId(), there));
        continue;
      }
      var used = rate(entry, receipt, place.currency());
      var given = said(command, place, own);
      given.ifPresent(said -> requireLike(said, there, own.currency()));
      exchanges.add(
          given
              .map(said -> new Exchanged(place.companyId(), said, there, Optional.of(used)))
              .orElseGet(() -> Exchanged.atRate(place.companyId(), there, used)));
    }
    return exchanges;
  }

  private static Place placeOf(Adjustment adjustment, Place own) {
    return new Place(
        adjustment instanceof OfCompany of ? of.companyId() : own.companyId(),
        unit(adjustment.amount()));
  }

  /** How much of the receipt counts in a place, where the call says so. */
  private static Optional<Money> said(PostSettlement command, Place place, Place own) {
    var company =
        place.companyId().equals(own.companyId()) ? null : Long.valueOf(place.companyId());
    return command.exchanges() == null
        ? Optional.empty()
        : command.exchanges().stream()
            .filter(c -> c.currency().equals(place.currency().getCode()))
            .filter(c -> Objects.equals(c.companyId(), company) && c.given() != null)
            .map(c -> c.given().toMoney())
            .findFirst();
  }

  private static CurrencyUnit unit(Money money) {
    return money.getCurrencyUnit();
  }

  private static void requireLike(Money said, Money there, CurrencyUnit own) {
    if (!unit(said).equals(own) || said.getAmount().signum() * there.getAmount().signum() < 0) {
      throw new BadRequest(
          MoneyText.grouped(said)
              + " "
              + unit(said)
              + " cannot be what counts for "
              + MoneyText.grouped(there)
              + " "
              + unit(there)
              + ".");
    }
  }

  private RateUsed rate(BankEntryEntity entry, Receipt receipt, CurrencyUnit there) {
    var own = receipt.amount().getCurrencyUnit();
    return Optional.ofNullable(entry)
        .flatMap(BankEntryEntity::conversion)
        .filter(bank -> bank.instructed().getCurrencyUnit().equals(there))
        .map(bank -> bank.used(receipt.amount()))
        .orElseGet(() -> valuing.rate(there, own, receipt.receivedOn()));
  }

  private Receipt nothing(PostSettlement command, Long companyId) {
    var currency =
        command.applications().stream()
            .findFirst()
            .map(a -> a.amount().toMoney().getCurrencyUnit())
            .orElseGet(() -> CurrencyUnit.of(companies.company(companyId).currency()));
    return Receipt.none(companyId.toString(), LocalDate.now(clock), currency);
  }

  /**
   * The items that have changed since the draft saw them, each with a sentence. An item that no
   * settlement has touched, and of which the draft takes all that is open, has only been valued or
   * is due on another day: the draft is as right as before.
   */
  List<Change> changes(PostSettlement command, Map<Long, OpenItemEntity> items) {
    var changes = new ArrayList<Change>();
    for (var application : command.applications()) {
      var item = items.get(application.itemId());
      if (application.itemVersion() != null
          && application.itemVersion() != item.version()
          && !wholeAndUntouched(application.amount().toMoney(), item)) {
        changes.add(new Change(item, application.amount().toMoney(), sentence(item)));
      }
    }
    return changes;
  }

  private boolean wholeAndUntouched(Money taken, OpenItemEntity item) {
    return taken.equals(item.open()) && settlements.latestOf(item.id()).isEmpty();
  }

  private String sentence(OpenItemEntity item) {
    var by =
        settlements
            .latestOf(item.id())
            .map(s -> ", by " + s.lastTouchedBy() + " with settlement " + s.id())
            .orElse("");
    return item.number()
        + " has changed since you looked at it"
        + by
        + ": "
        + MoneyText.grouped(item.open())
        + " of it is open now.";
  }

  private void requireWaiting(BankEntryEntity entry) {
    if (entry.status() == BankEntryEntity.Status.DEBIT) {
      return;
    }
    if (entry.status() == BankEntryEntity.Status.RETURNED) {
      throw new Conflict(
          "RETURNED",
          "The bank took these "
              + MoneyText.grouped(entry.amount())
              + " back; nothing was posted.");
    }
    if (entry.status() == BankEntryEntity.Status.SHELVED) {
      throw new Conflict(
          "SHELVED",
          "These "
              + MoneyText.grouped(entry.amount())
              + " are on the shelf; take them back first. Nothing was posted.");
    }
    if (entry.status() == BankEntryEntity.Status.SETTLED
        || entry.status() == BankEntryEntity.Status.PAID) {
      var by =
          settlements
              .findFirstByEntryIdAndStatus(entry.id(), SettlementEntity.Status.POSTED)
              .map(s -> " by " + s.postedBy() + " with settlement " + s.id())
              .orElse("");
      throw new Conflict(
          "ALREADY_SETTLED",
          "These "
              + MoneyText.grouped(entry.amount())
              + " are settled already"
              + by
              + "; nothing was posted.");
    }
  }
}
