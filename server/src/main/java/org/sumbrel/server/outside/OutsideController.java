package org.sumbrel.server.outside;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.security.Principal;
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
import org.sumbrel.server.outside.Deliveries.DeliveryView;
import org.sumbrel.server.outside.SimulatedDeliveryEntity.Source;

/** The simulated outside world. It is there with the demo data only, never beside real money. */
@RestController
@RequestMapping("/api/outside/bank")
@Tag(name = "outside")
class OutsideController {

  private final SimulatedBank bank;
  private final Deliveries deliveries;
  private final DemoOnly demo;

  OutsideController(SimulatedBank bank, Deliveries deliveries, DemoOnly demo) {
    this.bank = bank;
    this.deliveries = deliveries;
    this.demo = demo;
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
        deliveries.of(owner, Source.BANK));
  }

  private Long owner(Long company) {
    return demo.companyOf(company, "simulated bank");
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

  @PostMapping("/fetch")
  @Operation(summary = "Fetches what lies ready at the simulated bank and takes it in")
  BankView fetch(@RequestParam(required = false) Long company, Principal principal)
      throws IOException {
    var owner = owner(company);
    deliveries.fetch(owner, bank.ready(owner), principal.getName());
    return view(company);
  }
}
