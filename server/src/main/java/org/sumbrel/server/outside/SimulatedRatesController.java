package org.sumbrel.server.outside;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.server.api.NotThere;

/** The simulated rate service, there with the demo data only. */
@RestController
@RequestMapping("/api/outside/rates")
@Tag(name = "outside")
class SimulatedRatesController {

  private final ObjectProvider<SimulatedRates> rates;

  SimulatedRatesController(ObjectProvider<SimulatedRates> rates) {
    this.rates = rates;
  }

  private SimulatedRates there() {
    return rates.stream()
        .findFirst()
        .orElseThrow(() -> new NotThere("simulated rate service", "outside the demonstration"));
  }

  @GetMapping
  @Operation(summary = "How the simulated rate service behaves")
  RatesBehaviour behaviour() {
    return there().behaviour();
  }

  @PutMapping("/behaviour")
  @Operation(summary = "Sets how the simulated rate service misbehaves from now on")
  RatesBehaviour behave(@Valid @RequestBody RatesBehaviour behaviour) {
    there().behave(behaviour);
    return there().behaviour();
  }
}
