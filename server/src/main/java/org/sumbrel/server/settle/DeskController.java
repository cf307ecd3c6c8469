package org.sumbrel.server.settle;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.money.TypedSplit;
import org.sumbrel.core.propose.DoubleCounting;
import org.sumbrel.core.propose.PastedList;
import org.sumbrel.core.receivables.OldestFirst;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.companies.CompanyPolicies;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.settle.PostSettlement.AppliedItem;

/** What helps a clerk to make a draft: pasted lists, the watch against double counting. */
@RestController
@Tag(name = "settle")
@Transactional(readOnly = true)
class DeskController {

  private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{N}][\\p{L}\\p{N}./#_-]{2,40}");
  private static final int MOST_WORDS = 5_000;

  private final Entries entries;
  private final Customers customers;
  private final Companies companies;
  private final CompanyPolicies policies;
  private final Proposals proposals;
  private final DoubleCountingWatch watch;

  DeskController(
      Entries entries,
      Customers customers,
      Companies companies,
      CompanyPolicies policies,
      Proposals proposals,
      DoubleCountingWatch watch) {
    this.entries = entries;
    this.customers = customers;
    this.companies = companies;
    this.policies = policies;
    this.proposals = proposals;
    this.watch = watch;
  }

  record PastedText(@NotNull @Size(max = 200_000) String text, Long customerId) {}

  record PastedRow(
      @NotNull int line,
      @NotNull String text,
      @NotNull PastedList.Outcome outcome,
      Long itemId,
      String number,
      MoneyView open,
      MoneyView amount,
      MoneyView discount,
      Long itemVersion,
      @NotNull String message) {}

  record NamedItem(
      @NotNull Long itemId,
      @NotNull String number,
      @NotNull String customer,
      @NotNull MoneyView open,
      @NotNull long itemVersion) {}

  record Finding(
      @NotNull String sentence,
      @NotNull MoneyView amount,
      Long settlementId,
      @NotNull List<NamedItem> items) {}

  record TypedParts(
      @NotNull @Valid MoneyView whole,
      @NotNull
          @Size(min = 1, max = 200)
          @Schema(
              description = "amounts, shares, or one blank that takes the rest",
              example = "[\"412.50\", \"40 %\", \"\"]")
          List<@NotNull @Size(max = 40) String> parts) {}

  record PartRead(MoneyView amount, @NotNull String refusal) {}

  @PostMapping("/api/splits")
  @Operation(
      summary =
          "Divides an amount by typed amounts and shares; shares are rounded by largest remainder")
  List<PartRead> split(@Valid @RequestBody TypedParts typed) {
    return TypedSplit.read(typed.whole().toMoney(), typed.parts()).stream()
        .map(p -> new PartRead(p.amount().map(MoneyView::of).orElse(null), p.refusal()))
        .toList();
  }

  @PostMapping("/api/entries/{id}/pasted-list")
  @Operation(
      summary =
          "Reads a list of references and amounts against the open items; says of every line what became of it")
  List<PastedRow> pasted(@PathVariable Long id, @Valid @RequestBody PastedText pasted) {
    var entry = entries.entry(id);
    var known = new HashMap<Long, OpenItemEntity>();
    var payer = Optional.ofNullable(pasted.customerId()).or(() -> proposals.explained(id).payer());
    payer.ifPresent(p -> customers.openOfFamily(p).forEach(item -> known.put(item.id(), item)));
    customers
        .named(entry.companyId(), words(pasted.text()))
        .forEach(item -> known.put(item.id(), item));
    var grace =
        policies.of(entry.companyId(), entry.amount().getCurrencyUnit()).discountGraceDays();
    return PastedList.read(
            pasted.text(),
            entry.toReceipt(),
            grace,
            known.values().stream().map(OpenItemEntity::toItem).toList())
        .stream()
        .map(row -> view(row, known))
        .toList();
  }

  private static HashSet<String> words(String text) {
    var words = new HashSet<String>();
    var matcher = WORD.matcher(text.toUpperCase(Locale.ROOT));
    while (matcher.find() && words.size() < MOST_WORDS) {
      words.add(matcher.group());
    }
    return words;
  }

  private static PastedRow view(PastedList.Row row, Map<Long, OpenItemEntity> known) {
    var item = row.item().map(i -> known.get(Long.valueOf(i.id()))).orElse(null);
    return new PastedRow(
        row.line(),
        row.text(),
        row.outcome(),
        item == null ? null : item.id(),
        item == null ? null : item.number(),
        item == null ? null : MoneyView.of(item.open()),
        row.amount().map(MoneyView::of).orElse(null),
        row.discount().map(MoneyView::of).orElse(null),
        item == null ? null : item.version(),
        row.message());
  }

  @GetMapping("/api/entries/{id}/double-counting")
  @Operation(
      summary =
          "What speaks against booking an entry to an account: open items it would pay, money settled before")
  List<Finding> doubleCounting(@PathVariable Long id) {
    var findings = watch.findings(id);
    var rows =
        customers.items(
            findings.stream()
                .flatMap(f -> f.items().stream())
                .map(i -> Long.valueOf(i.id()))
                .distinct()
                .toList());
    var names =
        customers.names(rows.values().stream().map(OpenItemEntity::customerId).distinct().toList());
    return findings.stream().map(f -> view(f, rows, names)).toList();
  }

  private static Finding view(
      DoubleCounting.Finding finding, Map<Long, OpenItemEntity> rows, Map<Long, String> names) {
    return new Finding(
        finding.sentence(),
        MoneyView.of(finding.amount()),
        finding.settlementId().map(Long::valueOf).orElse(null),
        finding.items().stream()
            .map(i -> rows.get(Long.valueOf(i.id())))
            .map(
                i ->
                    new NamedItem(
                        i.id(),
                        i.number(),
                        names.getOrDefault(i.customerId(), ""),
                        MoneyView.of(i.open()),
                        i.version()))
            .toList());
  }

  @GetMapping("/api/customers/{id}/oldest-first")
  @Operation(
      summary =
          "The draft that applies a customer's credit (money on account, credit notes) down the due dates")
  PostSettlement oldestFirst(@PathVariable Long id) {
    var company = customers.companyOf(id);
    var rows = new HashMap<String, OpenItemEntity>();
    var currency = CurrencyUnit.of(companies.company(company).currency());
    var open = customers.openOf(id);
    open.forEach(i -> rows.put(i.id().toString(), i));
    var unit =
        open.stream()
            .filter(i -> i.open().isNegative())
            .findFirst()
            .map(i -> i.open().getCurrencyUnit())
            .orElse(currency);
    var applications =
        OldestFirst.applyCredit(open.stream().map(OpenItemEntity::toItem).toList(), unit).stream()
            .map(
                part -> {
                  var item = rows.get(part.item().id());
                  return new AppliedItem(
                      item.id(), MoneyView.of(part.amount()), null, item.version());
                })
            .toList();
    return new PostSettlement(
        null, null, id, applications, List.of(), null, null, id, null, null, null, null);
  }
}
