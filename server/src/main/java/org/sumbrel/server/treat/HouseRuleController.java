package org.sumbrel.server.treat;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import org.sumbrel.core.propose.Alias;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.TextOf;
import org.sumbrel.formats.rules.HouseRulesDocument;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.ProposalRenewal;
import org.sumbrel.server.payers.PayerAliases;

/** The aliases of all customers, and all house rules as a file. */
@RestController
@Tag(name = "house rules")
class HouseRuleController {

  private static final MediaType YAML = MediaType.parseMediaType("application/yaml");

  private final HouseRuleFile file;
  private final TreatmentStart start;
  private final PayerAliases aliases;
  private final Customers customers;
  private final Entries entries;
  private final Companies companies;
  private final ProposalRenewal renewal;

  HouseRuleController(
      HouseRuleFile file,
      TreatmentStart start,
      PayerAliases aliases,
      Customers customers,
      Entries entries,
      Companies companies,
      ProposalRenewal renewal) {
    this.file = file;
    this.start = start;
    this.aliases = aliases;
    this.customers = customers;
    this.entries = entries;
    this.companies = companies;
    this.renewal = renewal;
  }

  record HeldAlias(
      @NotNull Long id,
      @NotNull @Schema(description = "empty where it is an account") String payerText,
      @NotNull @Schema(description = "empty where it is a name") String payerAccount,
      @NotNull Long customerId,
      @NotNull String customer,
      @NotNull String by,
      @NotNull Instant at,
      @NotNull @Schema(description = "how many entries of this payer were settled for him")
          long times,
      @Schema(description = "when the last of them was booked") LocalDate lastUsed) {}

  record TakenRules(@NotNull int added, @NotNull int changed, @NotNull int aliases) {}

  @GetMapping("/api/house-rules/aliases")
  @Operation(summary = "All aliases that are held to: which payer stands for which customer")
  List<HeldAlias> aliases(@RequestParam(required = false) Long company) {
    var owner = companies.idOf(company);
    var held = aliases.heldBy(owner);
    var names =
        customers.names(held.stream().map(h -> Long.valueOf(h.alias().customerId())).toList());
    return held.stream()
        .map(
            h -> {
              var customer = Long.valueOf(h.alias().customerId());
              var used = used(owner, customer, h.alias());
              return new HeldAlias(
                  h.id(),
                  h.alias().payerText(),
                  h.alias().payerAccount(),
                  customer,
                  names.get(customer),
                  h.by(),
                  h.at(),
                  used.stream().mapToLong(Entries.PaidBefore::times).sum(),
                  used.stream()
                      .map(Entries.PaidBefore::last)
                      .max(Comparator.naturalOrder())
                      .orElse(null));
            })
        .toList();
  }

  /** How money came for a customer under just this text, or from this account. */
  private List<Entries.PaidBefore> used(Long company, Long customer, Alias alias) {
    return entries.paidBefore(company, customer).stream()
        .filter(
            p ->
                alias.payerAccount().isEmpty()
                    ? !p.payerName().isBlank()
                        && Alias.ofText(p.payerName(), alias.customerId()).key().equals(alias.key())
                    : !p.payerAccount().isBlank()
                        && Alias.ofAccount(p.payerAccount(), alias.customerId())
                            .key()
                            .equals(alias.key()))
        .toList();
  }

  @GetMapping("/api/house-rules/file")
  @Operation(summary = "All house rules of a company as YAML")
  ResponseEntity<byte[]> file(@RequestParam(required = false) Long company) {
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename("house-rules.yml").build().toString())
        .contentType(YAML)
        .body(file.written(companies.idOf(company)).getBytes(StandardCharsets.UTF_8));
  }

  @PostMapping(path = "/api/house-rules/file", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @Operation(
      summary =
          "Takes house rules in from YAML: those of a known name are changed, others added; all or nothing")
  TakenRules take(
      @RequestPart("file") MultipartFile sent,
      @RequestParam(required = false) Long company,
      Principal principal)
      throws IOException, BrokenFile {
    var owner = companies.idOf(company);
    var document = HouseRulesDocument.read(TextOf.bytes(sent.getBytes()));
    var taken = file.take(owner, document, Actor.of(principal));
    renewal.after(owner);
    start.begin(owner);
    return new TakenRules(taken.added(), taken.changed(), taken.aliases());
  }
}
