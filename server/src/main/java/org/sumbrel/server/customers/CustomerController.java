package org.sumbrel.server.customers;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.springframework.data.domain.Limit;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.find.Findable;
import org.sumbrel.core.find.SearchLine;
import org.sumbrel.core.receivables.Ageing;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.api.Page;
import org.sumbrel.server.api.SearchSum;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.companies.CompanyPolicies;

/** Customers, their accounts and their open items. */
@RestController
@Tag(name = "customers")
@Transactional(readOnly = true)
class CustomerController {

  private static final int SETTLED_SHOWN = 60;

  private final CustomerRepository customers;
  private final OpenItemRepository items;
  private final ItemSearch search;
  private final Companies companies;
  private final CompanyPolicies policies;
  private final Clock clock;

  CustomerController(
      CustomerRepository customers,
      OpenItemRepository items,
      ItemSearch search,
      Companies companies,
      CompanyPolicies policies,
      Clock clock) {
    this.search = search;
    this.customers = customers;
    this.items = items;
    this.companies = companies;
    this.policies = policies;
    this.clock = clock;
  }

  record OpenItemView(
      @NotNull Long id,
      @NotNull OpenItemEntity.Kind kind,
      @NotNull String number,
      @NotNull Long customerId,
      @NotNull String customerName,
      @NotNull LocalDate issuedOn,
      @NotNull LocalDate dueOn,
      @NotNull long daysOverdue,
      @NotNull MoneyView total,
      @NotNull MoneyView open,
      @NotNull String orderReference,
      @NotNull String terms,
      MoneyView discountAvailable,
      LocalDate discountUntil,
      LocalDate settledOn,
      ClaimReason claimReason,
      @NotNull long version) {}

  record ApplicableRow(
      @NotNull Long customerId,
      @NotNull String customer,
      @NotNull @Schema(description = "credit notes and money on account, positive")
          MoneyView credit,
      @NotNull MoneyView owed,
      @NotNull long invoices) {}

  record CustomerRow(
      @NotNull Long id,
      @NotNull String number,
      @NotNull String name,
      @NotNull long openItems,
      @NotNull List<MoneyView> owes) {}

  record Branch(@NotNull Long id, @NotNull String name) {}

  record AgeingView(@NotNull String currency, @NotNull Map<Ageing.Bucket, MoneyView> amounts) {}

  record CustomerAccount(
      @NotNull Long id,
      @NotNull @Schema(description = "whose customer it is") Long companyId,
      @NotNull String number,
      @NotNull String name,
      @NotNull boolean oldestFirst,
      Branch parent,
      @NotNull List<Branch> branches,
      @NotNull List<String> accounts,
      @NotNull List<MoneyView> owes,
      @NotNull List<AgeingView> ageing,
      @NotNull List<OpenItemView> openItems,
      @NotNull List<OpenItemView> settledItems) {}

  @GetMapping("/api/customers")
  @Operation(summary = "The customers of a company by name, with what they owe")
  Page<CustomerRow> list(
      @RequestParam(required = false) Long company,
      @RequestParam(defaultValue = "") String q,
      @RequestParam(required = false) String cursor,
      @RequestParam(defaultValue = "100") int limit) {
    var after = after(cursor);
    var size = Page.limit(limit);
    var found =
        customers.page(
            companies.idOf(company), q.strip(), after.name(), after.id(), Limit.of(size + 1));
    var owed = search.owed();
    return Page.of(
        found,
        size,
        c -> row(c, owed.apply(c.id())),
        c ->
            Base64.getUrlEncoder()
                .encodeToString((c.id() + " " + c.name()).getBytes(StandardCharsets.UTF_8)));
  }

  private record After(String name, long id) {}

  private static After after(String cursor) {
    if (cursor == null || cursor.isBlank()) {
      return new After("", 0);
    }
    try {
      var parts =
          new String(Base64.getUrlDecoder().decode(cursor), StandardCharsets.UTF_8).split(" ", 2);
      return new After(parts[1], Long.parseLong(parts[0]));
    } catch (IllegalArgumentException | ArrayIndexOutOfBoundsException e) {
      throw new BadRequest("\"" + cursor + "\" is not a cursor that this list gave.");
    }
  }

  private static CustomerRow row(CustomerEntity customer, List<SearchSum> owed) {
    return new CustomerRow(
        customer.id(),
        customer.number(),
        customer.name(),
        owed.stream().mapToLong(SearchSum::count).sum(),
        owed.stream().map(o -> MoneyView.ofMinor(o.currency(), o.amountMinor())).toList());
  }

  @GetMapping("/api/customers/{id}")
  @Operation(
      summary =
          "A customer's account: open items of it and its branches, ageing, what was settled last")
  CustomerAccount account(@PathVariable Long id) {
    var customer = customers.findById(id).orElseThrow(() -> new NotThere("customer", id));
    var branches = customers.findByParentIdOrderByName(id);
    var family = new ArrayList<Long>(List.of(id));
    branches.forEach(b -> family.add(b.id()));
    var open = items.openOf(family);
    var names = names(family);
    var today = LocalDate.now(clock);
    var byCurrency = open.stream().collect(Collectors.groupingBy(OpenItemEntity::currency));
    var ageing =
        byCurrency.entrySet().stream()
            .sorted(Map.Entry.comparingByKey())
            .map(e -> ageing(e.getKey(), e.getValue(), today))
            .toList();
    var owes =
        byCurrency.entrySet().stream()
            .sorted(Map.Entry.comparingByKey())
            .map(
                e ->
                    MoneyView.ofMinor(
                        e.getKey(),
                        e.getValue().stream().mapToLong(i -> i.open().getAmountMinorLong()).sum()))
            .toList();
    var parent =
        Optional.ofNullable(customer.parentId())
            .flatMap(customers::findById)
            .map(p -> new Branch(p.id(), p.name()))
            .orElse(null);
    return new CustomerAccount(
        customer.id(),
        customer.companyId(),
        customer.number(),
        customer.name(),
        customer.oldestFirst(),
        parent,
        branches.stream().map(b -> new Branch(b.id(), b.name())).toList(),
        customer.accounts().stream().sorted().toList(),
        owes,
        ageing,
        open.stream().map(i -> view(i, names, today)).toList(),
        items.settledOf(id, Limit.of(SETTLED_SHOWN)).stream()
            .map(i -> view(i, names, today))
            .toList());
  }

  private static AgeingView ageing(String currency, List<OpenItemEntity> open, LocalDate today) {
    var sorted =
        Ageing.of(
            CurrencyUnit.of(currency), open.stream().map(OpenItemEntity::toItem).toList(), today);
    var amounts = new EnumMap<Ageing.Bucket, MoneyView>(Ageing.Bucket.class);
    sorted.amounts().forEach((bucket, money) -> amounts.put(bucket, MoneyView.of(money)));
    return new AgeingView(currency, amounts);
  }

  @GetMapping("/api/open-items")
  @Operation(
      summary =
          "Open items of a customer (with its branches), or found by a search line, oldest first")
  Page<OpenItemView> openItems(
      @RequestParam(required = false) Long company,
      @RequestParam(required = false) Long customer,
      @RequestParam(defaultValue = "") String q,
      @RequestParam(required = false) String cursor,
      @RequestParam(defaultValue = "100") int limit) {
    var size = Page.limit(limit);
    var today = LocalDate.now(clock);
    var line = SearchLine.read(q, today);
    if (customer != null) {
      var family = new ArrayList<Long>(List.of(customer));
      customers.findByParentIdOrderByName(customer).forEach(b -> family.add(b.id()));
      var names = names(family);
      return new Page<>(
          items.openOf(family).stream()
              .filter(i -> line.fits(findable(i, names)))
              .map(i -> view(i, names, today))
              .toList(),
          null);
    }
    var found = search.open(companies.idOf(company), line, afterItem(cursor), size + 1);
    var names = names(found.stream().map(OpenItemEntity::customerId).distinct().toList());
    return Page.of(found, size, i -> view(i, names, today), i -> i.issuedOn() + "_" + i.id());
  }

  private static ItemSearch.After afterItem(String cursor) {
    if (cursor == null || cursor.isBlank()) {
      return new ItemSearch.After(LocalDate.MIN, 0);
    }
    try {
      var parts = cursor.split("_");
      return new ItemSearch.After(LocalDate.parse(parts[0]), Long.parseLong(parts[1]));
    } catch (NumberFormatException | DateTimeParseException | ArrayIndexOutOfBoundsException e) {
      throw new BadRequest("\"" + cursor + "\" is not a cursor that this list gave.");
    }
  }

  @GetMapping("/api/open-items/{id}")
  @Operation(summary = "One item of an account, open or settled")
  OpenItemView item(@PathVariable Long id) {
    var item = items.findById(id).orElseThrow(() -> new NotThere("open item", id));
    return view(item, names(List.of(item.customerId())), LocalDate.now(clock));
  }

  @GetMapping("/api/applicable")
  @Operation(
      summary =
          "Customers who have money on account and invoices it could be applied to, largest first")
  List<ApplicableRow> applicable(@RequestParam(required = false) Long company) {
    var found = items.applicable(companies.idOf(company));
    var names = names(found.stream().map(OpenItemRepository.Applicable::customerId).toList());
    return found.stream()
        .sorted(Comparator.comparingLong(OpenItemRepository.Applicable::creditMinor))
        .map(
            a ->
                new ApplicableRow(
                    a.customerId(),
                    names.get(a.customerId()),
                    MoneyView.ofMinor(a.currency(), -a.creditMinor()),
                    MoneyView.ofMinor(a.currency(), a.owedMinor()),
                    a.invoices()))
        .toList();
  }

  private static Findable findable(OpenItemEntity item, Map<Long, String> names) {
    return Findable.of(
        List.of(names.getOrDefault(item.customerId(), "")),
        List.of(item.number(), item.orderReference()),
        List.of(),
        List.of(item.open(), item.total()),
        item.issuedOn(),
        Optional.empty());
  }

  private Map<Long, String> names(List<Long> ids) {
    return customers.findAllById(ids).stream()
        .collect(Collectors.toMap(CustomerEntity::id, CustomerEntity::name));
  }

  private OpenItemView view(OpenItemEntity entity, Map<Long, String> names, LocalDate today) {
    var item = entity.toItem();
    MoneyView discount = null;
    LocalDate until = null;
    if (item instanceof Invoice invoice && invoice.terms().isPresent() && !invoice.settled()) {
      var grace =
          policies.of(entity.companyId(), invoice.total().getCurrencyUnit()).discountGraceDays();
      var earned = invoice.discountEarned(invoice.open(), today, grace);
      if (earned.isPositive()) {
        discount = MoneyView.of(earned);
        until = invoice.terms().get().lastDay(invoice.issuedOn(), grace);
      }
    }
    var overdue = item.settled() ? 0 : Math.max(0, ChronoUnit.DAYS.between(item.dueOn(), today));
    return new OpenItemView(
        entity.id(),
        entity.kind(),
        entity.number(),
        entity.customerId(),
        names.getOrDefault(entity.customerId(), ""),
        entity.issuedOn(),
        entity.dueOn(),
        overdue,
        MoneyView.of(entity.total()),
        MoneyView.of(entity.open()),
        entity.orderReference(),
        entity.terms(),
        discount,
        until,
        entity.settledOn(),
        entity.claimReason(),
        entity.version());
  }
}
