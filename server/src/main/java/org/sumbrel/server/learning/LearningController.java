package org.sumbrel.server.learning;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.propose.Manner;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.PastChoices;
import org.sumbrel.server.desk.ProposalRenewal;
import org.sumbrel.server.payers.PayerAliases;

/** What is known of who pays for a customer, and how it is forgotten. */
@RestController
@Tag(name = "learning")
class LearningController {

  private final AliasOffers offers;
  private final Learned learned;
  private final PayerAliases aliases;
  private final Entries entries;
  private final Customers customers;
  private final PastChoices choices;
  private final ProposalRenewal renewal;

  LearningController(
      AliasOffers offers,
      Learned learned,
      PayerAliases aliases,
      Entries entries,
      Customers customers,
      PastChoices choices,
      ProposalRenewal renewal) {
    this.choices = choices;
    this.offers = offers;
    this.learned = learned;
    this.aliases = aliases;
    this.entries = entries;
    this.customers = customers;
    this.renewal = renewal;
  }

  /** An alias that is held to. */
  record AliasView(
      @NotNull Long id,
      @NotNull @Schema(description = "empty where it is an account") String payerText,
      @NotNull @Schema(description = "empty where it is a name") String payerAccount,
      @Schema(description = "from which it was learned") Long settlementId,
      @NotNull String by,
      @NotNull Instant at) {

    static AliasView of(PayerAliases.Held held) {
      return new AliasView(
          held.id(),
          held.alias().payerText(),
          held.alias().payerAccount(),
          held.settlementId(),
          held.by(),
          held.at());
    }
  }

  /** How often money that came under a name and from an account was this customer's. */
  record PastView(
      @NotNull String payerName,
      @NotNull String payerAccount,
      @NotNull long times,
      @NotNull LocalDate last) {

    static PastView of(Entries.PaidBefore before) {
      return new PastView(before.payerName(), before.payerAccount(), before.times(), before.last());
    }
  }

  /** What was chosen for a payer where another explanation stood first. */
  record ChosenView(
      @NotNull String payerName,
      @NotNull String payerAccount,
      @NotNull Manner manner,
      @NotNull int times) {

    static ChosenView of(PastChoices.Chosen chosen) {
      return new ChosenView(
          chosen.payerName(), chosen.payerAccount(), chosen.manner(), chosen.times());
    }
  }

  record KnownPayers(
      @NotNull List<AliasView> aliases,
      @NotNull List<PastView> past,
      @NotNull List<ChosenView> chosen) {}

  record Payer(
      @NotNull @Size(max = 300) String payerName, @NotNull @Size(max = 64) String payerAccount) {}

  @GetMapping("/api/entries/{id}/alias-offers")
  @Operation(
      summary =
          "What could be remembered where an entry's money is of a customer who was not thought of first")
  List<AliasOffers.Offer> offers(@PathVariable Long id, @RequestParam Long customer) {
    return offers.of(id, customer);
  }

  @GetMapping("/api/customers/{id}/payers")
  @Operation(summary = "Who is known to pay for a customer: aliases, and whose money it was before")
  KnownPayers payers(@PathVariable Long id) {
    var company = customers.companyOf(id);
    return new KnownPayers(
        aliases.of(company, id).stream().map(AliasView::of).toList(),
        entries.paidBefore(company, id).stream().map(PastView::of).toList(),
        choices.of(company, id).stream().map(ChosenView::of).toList());
  }

  @DeleteMapping("/api/payer-aliases/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Forgets an alias; what waits is thought about again")
  void forget(@PathVariable Long id, Principal principal) {
    renewal.after(learned.forget(id, Actor.of(principal)));
  }

  @PostMapping("/api/customers/{id}/payers/forgetting")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(
      summary =
          "Forgets that money under a name and from an account was this customer's before, and what was chosen for it; what was posted stays")
  void forgetPast(@PathVariable Long id, @Valid @RequestBody Payer payer) {
    renewal.after(learned.forgetPast(id, payer.payerName(), payer.payerAccount()));
  }
}
