package org.sumbrel.server.intake;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.security.Principal;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.joda.money.Money;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.remittance.PastedAdvice;
import org.sumbrel.formats.table.OwnList;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.desk.ProposalRenewal;
import org.sumbrel.server.remittance.AdviceView;
import org.sumbrel.server.remittance.Advices;

/** Remittance advice: what waits for its money, what is pasted, and what a person ties. */
@RestController
@Tag(name = "intake")
class AdviceController {

  private final Advices advices;
  private final AdviceTies ties;
  private final Intakes intakes;
  private final IntakeViews views;
  private final Companies companies;
  private final ProposalRenewal renewal;

  AdviceController(
      Advices advices,
      AdviceTies ties,
      Intakes intakes,
      IntakeViews views,
      Companies companies,
      ProposalRenewal renewal) {
    this.advices = advices;
    this.ties = ties;
    this.intakes = intakes;
    this.views = views;
    this.companies = companies;
    this.renewal = renewal;
  }

  record Pasted(
      @NotNull @Size(max = 200_000) String text,
      @NotNull @Size(max = 3) String currency,
      @NotNull @Size(max = 200) String trace,
      @NotNull @Size(max = 200) String payerName,
      LocalDate paidOn) {}

  record EntryNamed(@NotNull Long entryId) {}

  @GetMapping("/api/remittances")
  @Operation(summary = "Remittance advice that no money is known of yet, the latest first")
  List<AdviceView> loose(@RequestParam(required = false) Long company) {
    return advices.loose(companies.idOf(company)).stream().map(AdviceView::of).toList();
  }

  @PostMapping("/api/remittances/pasted")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(
      summary =
          "Takes in a remittance advice that was pasted: a document and an amount on each line")
  IntakeViews.IntakeView paste(
      @RequestParam(required = false) Long company,
      @Valid @RequestBody Pasted pasted,
      Principal principal)
      throws BrokenFile, IOException {
    var owner = companies.idOf(company);
    var read = PastedAdvice.read(pasted.text(), currency(pasted.currency()));
    var sum =
        read.total()
            .orElseGet(
                () ->
                    read.items().stream()
                        .map(i -> i.amount())
                        .reduce(Money.zero(currency(pasted.currency())), Money::plus));
    var list =
        OwnList.of(
            "trace", "payment_date", "payer_name", "reference", "amount", "total", "currency");
    read.items()
        .forEach(
            item ->
                list.row(
                    pasted.trace().strip(),
                    pasted.paidOn() == null ? "" : pasted.paidOn().toString(),
                    pasted.payerName().strip(),
                    item.reference(),
                    MoneyText.plain(item.amount()),
                    MoneyText.plain(sum),
                    sum.getCurrencyUnit().getCode()));
    var id =
        intakes.take(
            owner,
            "Pasted advice" + (pasted.trace().isBlank() ? "" : " " + pasted.trace().strip()),
            FileBytes.of(list.bytes()),
            "",
            null,
            principal.getName());
    renewal.after(owner);
    return views.of(id);
  }

  private static CurrencyUnit currency(String code) {
    try {
      return CurrencyUnit.of(code);
    } catch (IllegalCurrencyException e) {
      throw new BadRequest("\"" + code + "\" is not a currency code.");
    }
  }

  @PutMapping("/api/remittances/{id}/entry")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Says which bank entry a remittance advice is about")
  void tie(@PathVariable Long id, @Valid @RequestBody EntryNamed named) {
    renewal.after(ties.tie(id, named.entryId()));
  }

  @DeleteMapping("/api/remittances/{id}/entry")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Says that a remittance advice is not about its bank entry after all")
  void untie(@PathVariable Long id) {
    renewal.after(ties.untie(id));
  }
}
