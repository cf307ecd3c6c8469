package org.sumbrel.server.settle;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.find.SearchLine;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.Entries;

/** What paid what on a customer's account: two lists and the lines between them. */
@RestController
@Tag(name = "settle")
@Transactional(readOnly = true)
class PaymentsController {

  private static final int SETTLEMENTS = 60;

  private final SettlementSearch settlements;
  private final Customers customers;
  private final Entries entries;

  PaymentsController(SettlementSearch settlements, Customers customers, Entries entries) {
    this.settlements = settlements;
    this.customers = customers;
    this.entries = entries;
  }

  record Paying(
      @NotNull @Schema(description = "settlement-12 or item-45") String key,
      Long settlementId,
      @Schema(description = "a credit that is open and can be applied") Long itemId,
      @NotNull LocalDate on,
      @NotNull String name,
      @NotNull MoneyView amount,
      @Schema(description = "what of a credit is not applied yet, positive") MoneyView left,
      @Schema(description = "the version of an open credit") Long itemVersion) {}

  record Paid(
      @NotNull Long itemId,
      @NotNull OpenItemEntity.Kind kind,
      @NotNull String number,
      @NotNull String customerName,
      @NotNull LocalDate on,
      @NotNull LocalDate dueOn,
      @NotNull MoneyView total,
      @NotNull MoneyView open,
      @NotNull long itemVersion) {}

  record PaidLink(@NotNull String from, @NotNull Long itemId, @NotNull MoneyView amount) {}

  record Payments(
      @NotNull List<Paying> paying,
      @NotNull List<Paid> paid,
      @NotNull List<PaidLink> links,
      @NotNull @Schema(description = "whether older settlements are left out") boolean more) {}

  @GetMapping("/api/customers/{id}/payments")
  @Operation(
      summary =
          "What paid what: receipts and credits, what they were set against, and how much of each")
  Payments payments(@PathVariable Long id, @RequestParam(defaultValue = "true") boolean settled) {
    var company = customers.companyOf(id);
    var found =
        settlements.page(
            company, id, SearchLine.read("", LocalDate.EPOCH), Long.MAX_VALUE, SETTLEMENTS + 1);
    var posted =
        found.stream()
            .limit(SETTLEMENTS)
            .filter(s -> s.status() == SettlementEntity.Status.POSTED)
            .toList();
    var open = customers.openOfFamily(id);
    var family = new HashSet<>(customers.family(id));
    var items = new LinkedHashMap<Long, OpenItemEntity>();
    open.forEach(i -> items.put(i.id(), i));
    items.putAll(
        customers.items(
            posted.stream()
                .flatMap(s -> s.applications().stream())
                .map(ApplicationEntity::itemId)
                .collect(Collectors.toSet())));

    var links = new ArrayList<PaidLink>();
    for (var s : posted) {
      for (var a : s.applications()) {
        var item = items.get(a.itemId());
        var shown = settled || !item.open().isZero();
        if (a.amount().isPositive() && shown && family.contains(item.customerId())) {
          links.add(new PaidLink(key(s), item.id(), MoneyView.of(a.amount())));
        }
      }
    }
    var drawn = links.stream().map(PaidLink::from).collect(Collectors.toSet());
    var paying = new ArrayList<Paying>();
    open.stream().filter(PaymentsController::applicable).map(this::credit).forEach(paying::add);
    var receipts = receipts(posted);
    posted.stream()
        .filter(s -> drawn.contains(key(s)))
        .map(s -> receipt(s, receipts.get(s.entryId()), items))
        .forEach(paying::add);
    var reached = links.stream().map(PaidLink::itemId).collect(Collectors.toSet());
    var names = customers.names(family);
    var places = places(paying, links);
    var paid =
        items.values().stream()
            .filter(i -> family.contains(i.customerId()))
            .filter(i -> reached.contains(i.id()) || i.open().isPositive())
            .sorted(Comparator.comparing(i -> places.apply(i.id())))
            .map(i -> paid(i, names))
            .toList();
    return new Payments(paying, paid, links, found.size() > SETTLEMENTS);
  }

  /**
   * Items stand beside what paid them, so that lines are short; those that nothing paid beside the
   * open credits that could, else after all others.
   */
  private static Function<Long, Integer> places(List<Paying> paying, List<PaidLink> links) {
    var credits = (int) paying.stream().filter(p -> p.settlementId() == null).count();
    var order = new HashMap<String, Integer>();
    paying.forEach(p -> order.put(p.key(), order.size()));
    var places = new HashMap<Long, Integer>();
    links.forEach(l -> places.merge(l.itemId(), order.get(l.from()), Math::min));
    return item -> places.getOrDefault(item, credits > 0 ? credits - 1 : paying.size());
  }

  private static boolean applicable(OpenItemEntity item) {
    return item.open().isNegative() && item.kind() != OpenItemEntity.Kind.REFUND;
  }

  private static String key(SettlementEntity settlement) {
    return "settlement-" + settlement.id();
  }

  private Map<Long, BankEntryEntity> receipts(List<SettlementEntity> posted) {
    return entries
        .all(posted.stream().map(SettlementEntity::entryId).filter(Objects::nonNull).toList())
        .stream()
        .collect(Collectors.toMap(BankEntryEntity::id, Function.identity()));
  }

  private Paying credit(OpenItemEntity item) {
    return new Paying(
        "item-" + item.id(),
        null,
        item.id(),
        item.issuedOn(),
        item.number(),
        MoneyView.of(item.total().negated()),
        MoneyView.of(item.open().negated()),
        item.version());
  }

  private static Paying receipt(
      SettlementEntity s, BankEntryEntity receipt, Map<Long, OpenItemEntity> items) {
    var credits =
        s.applications().stream()
            .filter(a -> a.amount().isNegative())
            .map(a -> items.get(a.itemId()).number())
            .collect(Collectors.joining(", "));
    var name = receipt == null ? credits : receipt.payerWords();
    return new Paying(
        key(s),
        s.id(),
        null,
        receipt == null ? s.postedOn() : receipt.bookedOn(),
        receipt != null && !credits.isEmpty() ? name + " and " + credits : name,
        MoneyView.of(s.received()),
        null,
        null);
  }

  private static Paid paid(OpenItemEntity item, Map<Long, String> names) {
    return new Paid(
        item.id(),
        item.kind(),
        item.number(),
        names.getOrDefault(item.customerId(), ""),
        item.issuedOn(),
        item.dueOn(),
        MoneyView.of(item.total()),
        MoneyView.of(item.open()),
        item.version());
  }
}
