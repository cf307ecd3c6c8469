package org.sumbrel.server.intake;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
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
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.ProposalRenewal;

/** What corrected statements say otherwise, and what is decided about it. */
@RestController
@Tag(name = "intake")
class CorrectionController {

  private final Corrections corrections;
  private final IntakeRepository intakes;
  private final Entries entries;
  private final Companies companies;
  private final BankAccounts bankAccounts;
  private final ProposalRenewal renewal;

  CorrectionController(
      Corrections corrections,
      IntakeRepository intakes,
      Entries entries,
      Companies companies,
      BankAccounts bankAccounts,
      ProposalRenewal renewal) {
    this.corrections = corrections;
    this.intakes = intakes;
    this.entries = entries;
    this.companies = companies;
    this.bankAccounts = bankAccounts;
    this.renewal = renewal;
  }

  record DayAndAmount(@NotNull LocalDate bookedOn, @NotNull MoneyView amount) {}

  record CorrectionView(
      @NotNull Long id,
      @NotNull Long entryId,
      @NotNull String fileName,
      @NotNull String bankAccount,
      @NotNull String payer,
      @NotNull BankEntryEntity.Status entryStatus,
      @NotNull CorrectionEntity.Kind kind,
      @NotNull DayAndAmount before,
      DayAndAmount after,
      @NotNull CorrectionEntity.Status status,
      String decidedBy,
      Instant decidedAt) {}

  record Decision(@NotNull Boolean accept) {}

  @GetMapping("/api/corrections")
  @Operation(summary = "What corrected statements say otherwise of known entries, latest first")
  List<CorrectionView> list(
      @RequestParam(required = false) Long company,
      @RequestParam(defaultValue = "OPEN") CorrectionEntity.Status status) {
    var found = corrections.list(companies.idOf(company), status);
    var known =
        entries.all(found.stream().map(CorrectionEntity::entryId).distinct().toList()).stream()
            .collect(Collectors.toMap(BankEntryEntity::id, Function.identity()));
    var files =
        intakes
            .findAllById(found.stream().map(CorrectionEntity::intakeId).distinct().toList())
            .stream()
            .collect(Collectors.toMap(IntakeEntity::id, IntakeEntity::fileName));
    return found.stream().map(c -> view(c, known.get(c.entryId()), files)).toList();
  }

  private CorrectionView view(
      CorrectionEntity correction, BankEntryEntity entry, Map<Long, String> files) {
    return new CorrectionView(
        correction.id(),
        correction.entryId(),
        files.get(correction.intakeId()),
        bankAccounts.account(correction.bankAccountId()).name(),
        entry.payerWords(),
        entry.status(),
        correction.kind(),
        new DayAndAmount(correction.oldBookedOn(), MoneyView.of(correction.oldAmount())),
        correction
            .newAmount()
            .map(
                amount ->
                    new DayAndAmount(correction.newBookedOn().orElseThrow(), MoneyView.of(amount)))
            .orElse(null),
        correction.status(),
        correction.decidedBy(),
        correction.decidedAt());
  }

  @PostMapping("/api/corrections/{id}/decision")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Takes over what the corrected statement says, or leaves the entry as it is")
  void decide(@PathVariable Long id, @Valid @RequestBody Decision call, Principal principal) {
    renewal.after(corrections.decide(id, call.accept(), Actor.of(principal)));
  }
}
