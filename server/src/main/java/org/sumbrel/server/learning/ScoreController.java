package org.sumbrel.server.learning;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.server.api.Currencies;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.companies.PolicyView;

/** How good the engine is here, and what another policy would do. */
@RestController
@Tag(name = "learning")
class ScoreController {

  private final Score score;
  private final PolicyEffects effects;
  private final Companies companies;

  ScoreController(Score score, PolicyEffects effects, Companies companies) {
    this.score = score;
    this.effects = effects;
    this.companies = companies;
  }

  @GetMapping("/api/score")
  @Operation(
      summary =
          "How often the first explanation was what was posted: as it stood there, or rehearsed on the money of the last days")
  Score.Scored score(
      @RequestParam(required = false) Long company,
      @RequestParam String currency,
      @RequestParam(defaultValue = "false") boolean rehearsed) {
    var owner = companies.idOf(company);
    return rehearsed
        ? score.rehearsed(owner, Currencies.unit(currency))
        : score.posted(owner, Currencies.unit(currency));
  }

  @PostMapping("/api/policies/{currency}/effect")
  @Operation(summary = "What a policy would change if it were decided; changes nothing")
  PolicyEffects.Effect effect(
      @PathVariable String currency,
      @RequestParam(required = false) Long company,
      @Valid @RequestBody PolicyView looked) {
    var unit = Currencies.unit(currency);
    return effects.of(companies.idOf(company), unit, looked.toPolicy(unit));
  }
}
