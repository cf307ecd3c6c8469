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
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.server.outside.Deliveries.DeliveryView;
import org.sumbrel.server.outside.SimulatedDeliveryEntity.Source;

/** The simulated card processor, there with the demo data only. */
@RestController
@RequestMapping("/api/outside/processor")
@Tag(name = "outside")
class SimulatedProcessorController {

  private final SimulatedProcessor processor;
  private final Deliveries deliveries;
  private final DemoOnly demo;

  SimulatedProcessorController(SimulatedProcessor processor, Deliveries deliveries, DemoOnly demo) {
    this.processor = processor;
    this.deliveries = deliveries;
    this.demo = demo;
  }

  record SimulatedProcessorView(
      @NotNull String name,
      @NotNull @Schema(description = "the last day on which it paid out") LocalDate day,
      @NotNull ProcessorBehaviour behaviour,
      @NotNull List<DeliveryView> deliveries) {}

  @GetMapping
  @Operation(summary = "The simulated processor, its files and what became of them")
  SimulatedProcessorView view(@RequestParam(required = false) Long company) {
    var owner = owner(company);
    var now = processor.of(owner);
    return new SimulatedProcessorView(
        ProcessorFile.NAME, now.day(), now.behaviour(), deliveries.of(owner, Source.PROCESSOR));
  }

  private Long owner(Long company) {
    return demo.companyOf(company, "simulated processor");
  }

  @PostMapping("/week")
  @Operation(
      summary = "Lets a week go by at the simulated processor, which pays out and makes its file")
  SimulatedProcessorView weekForward(@RequestParam(required = false) Long company) {
    processor.weekForward(owner(company));
    return view(company);
  }

  @PutMapping("/behaviour")
  @Operation(summary = "Sets how the simulated processor misbehaves from now on")
  SimulatedProcessorView behave(
      @RequestParam(required = false) Long company,
      @Valid @RequestBody ProcessorBehaviour behaviour) {
    processor.behave(owner(company), behaviour);
    return view(company);
  }

  @PostMapping("/fetch")
  @Operation(summary = "Fetches what lies ready at the simulated processor and takes it in")
  SimulatedProcessorView fetch(@RequestParam(required = false) Long company, Principal principal)
      throws IOException {
    var owner = owner(company);
    deliveries.fetch(owner, processor.ready(owner), principal.getName());
    return view(company);
  }
}
