package org.sumbrel.server.outside;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.Problem;
import org.sumbrel.server.SumbrelSettings;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.desk.ProposalRenewal;
import org.sumbrel.server.intake.Intakes;

/** The simulated outside world. It is there with the demo data only, never beside real money. */
@RestController
@RequestMapping("/api/outside/bank")
@Tag(name = "outside")
class OutsideController {

  private final SimulatedBank bank;
  private final Intakes intakes;
  private final Companies companies;
  private final ProposalRenewal renewal;
  private final SumbrelSettings settings;

  OutsideController(
      SimulatedBank bank,
      Intakes intakes,
      Companies companies,
      ProposalRenewal renewal,
      SumbrelSettings settings) {
    this.bank = bank;
    this.intakes = intakes;
    this.companies = companies;
    this.renewal = renewal;
    this.settings = settings;
  }

  record DeliveryView(
      @NotNull Long id,
      @NotNull String fileName,
      @NotNull LocalDate madeOn,
      @NotNull @Schema(description = "from which of the bank's days it can be fetched")
          LocalDate readyOn,
      Instant fetchedAt,
      @Schema(description = "what it became, where it was taken in") Long intakeId,
      @Schema(description = "why it was not taken in") String refused) {

    static DeliveryView of(SimulatedDeliveryEntity delivery) {
      return new DeliveryView(
          delivery.id(),
          delivery.fileName(),
          delivery.madeOn(),
          delivery.readyOn(),
          delivery.fetchedAt(),
          delivery.intakeId(),
          delivery.refused());
    }
  }

  record BankView(
      @Schema(description = "for which it delivers; missing while it is not connected")
          Long bankAccountId,
      @Schema(description = "the last day it has made a statement of") LocalDate day,
      Behaviour behaviour,
      @NotNull List<DeliveryView> deliveries) {}

  record Connection(@NotNull Long bankAccountId) {}

  @GetMapping
  @Operation(summary = "The simulated bank, its files and what became of them")
  BankView view(@RequestParam(required = false) Long company) {
    var owner = owner(company);
    var connected = bank.of(owner);
    return new BankView(
        connected.map(SimulatedBankEntity::bankAccountId).orElse(null),
        connected.map(SimulatedBankEntity::day).orElse(null),
        connected.map(SimulatedBankEntity::behaviour).orElse(null),
        bank.deliveries(owner).stream().map(DeliveryView::of).toList());
  }

  private Long owner(Long company) {
    if (!settings.demo().enabled()) {
      throw new NotThere("simulated bank", "outside the demonstration");
    }
    return companies.idOf(company);
  }

  @PostMapping("/connection")
  @Operation(summary = "Connects the simulated bank to an account")
  BankView connect(
      @RequestParam(required = false) Long company, @Valid @RequestBody Connection connection) {
    bank.connect(owner(company), connection.bankAccountId());
    return view(company);
  }

  @DeleteMapping("/connection")
  @Operation(summary = "Parts from the simulated bank; what was fetched stays")
  BankView disconnect(@RequestParam(required = false) Long company) {
    bank.disconnect(owner(company));
    return view(company);
  }

  @PostMapping("/day")
  @Operation(summary = "Lets a working day go by at the simulated bank, which makes its statement")
  BankView dayForward(@RequestParam(required = false) Long company) {
    bank.dayForward(owner(company));
    return view(company);
  }

  @PutMapping("/behaviour")
  @Operation(summary = "Sets how the simulated bank misbehaves from now on")
  BankView behave(
      @RequestParam(required = false) Long company, @Valid @RequestBody Behaviour behaviour) {
    bank.behave(owner(company), behaviour);
    return view(company);
  }

  /**
   * Each file is an intake of its own. Stopped in the middle, a file that came in but was not
   * marked is fetched once more, and everything in it is known.
   */
  @PostMapping("/fetch")
  @Operation(summary = "Fetches what lies ready at the simulated bank and takes it in")
  BankView fetch(@RequestParam(required = false) Long company, Principal principal)
      throws IOException {
    var owner = owner(company);
    for (var delivery : bank.ready(owner)) {
      try {
        var file = FileBytes.of(delivery.content().getBytes(StandardCharsets.UTF_8));
        bank.becameIntake(
            delivery.id(),
            intakes.take(owner, delivery.fileName(), file, "", null, principal.getName()));
      } catch (BrokenFile broken) {
        bank.wasRefused(
            delivery.id(),
            String.join("; ", broken.problems().stream().map(Problem::message).toList()));
      }
    }
    renewal.after(owner);
    return view(company);
  }
}
