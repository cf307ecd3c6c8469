package org.sumbrel.server.intake;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.LocalDate;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.desk.ProposalRenewal;
import org.sumbrel.server.intake.TypedInvoices.Typed;

/** Invoices that are typed at the desk. */
@RestController
@Tag(name = "intake")
class TypedInvoiceController {

  private final TypedInvoices invoices;
  private final ProposalRenewal renewal;

  TypedInvoiceController(TypedInvoices invoices, ProposalRenewal renewal) {
    this.invoices = invoices;
    this.renewal = renewal;
  }

  record NewInvoice(
      @NotNull Long customerId,
      @Size(max = 64) @Schema(description = "blank for the next of our own") String number,
      @NotNull LocalDate issuedOn,
      @NotNull LocalDate dueOn,
      @NotNull @Valid @Schema(description = "its tax included") MoneyView total,
      @Size(max = 20) String taxCode,
      @Size(max = 40) @Schema(example = "2/10 net 30") String terms,
      @Size(max = 100) String orderReference) {}

  record WrittenInvoice(@NotNull Long itemId, @NotNull String number, @NotNull long version) {}

  @PostMapping("/api/invoices")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Writes an invoice for money that came before one, with its journal entry")
  WrittenInvoice write(@Valid @RequestBody NewInvoice sent, Principal principal) {
    var written =
        invoices.write(
            new Typed(
                sent.customerId(),
                orEmpty(sent.number()),
                sent.issuedOn(),
                sent.dueOn(),
                sent.total().toMoney(),
                orEmpty(sent.taxCode()),
                orEmpty(sent.terms()),
                orEmpty(sent.orderReference())),
            Actor.of(principal));
    renewal.after(written.companyId());
    return new WrittenInvoice(written.itemId(), written.number(), written.version());
  }

  @GetMapping("/api/invoices/like/{itemId}")
  @Operation(
      summary =
          "An invoice like an earlier one, on another day: to be looked at and sent, nothing is written")
  NewInvoice like(@PathVariable Long itemId, @RequestParam LocalDate issuedOn) {
    var typed = invoices.like(itemId, issuedOn);
    return new NewInvoice(
        typed.customerId(),
        typed.number(),
        typed.issuedOn(),
        typed.dueOn(),
        MoneyView.of(typed.total()),
        typed.taxCode(),
        typed.terms(),
        typed.orderReference());
  }

  private static String orEmpty(String text) {
    return text == null ? "" : text;
  }
}
