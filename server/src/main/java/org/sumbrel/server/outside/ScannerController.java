package org.sumbrel.server.outside;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The simulated cheque scanner, there with the demo data only. */
@RestController
@Tag(name = "outside")
class ScannerController {

  private final ChequeScanner scanner;
  private final DemoOnly demo;

  ScannerController(ChequeScanner scanner, DemoOnly demo) {
    this.scanner = scanner;
    this.demo = demo;
  }

  record ScannedView(
      @NotNull @Schema(description = "as a reader gives it: transit T, on-us U") String codeLine,
      @NotNull Long pictureId) {}

  @PostMapping("/api/outside/scanner/cheque")
  @Operation(summary = "Puts the next made-up cheque on the simulated scanner")
  ScannedView scan(@RequestParam(required = false) Long company) {
    var scanned = scanner.scan(demo.companyOf(company, "simulated scanner"));
    return new ScannedView(scanned.codeLine(), scanned.pictureId());
  }
}
