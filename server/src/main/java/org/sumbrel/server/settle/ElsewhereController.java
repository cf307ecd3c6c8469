package org.sumbrel.server.settle;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.settle.ElsewhereProposal;

/** What waiting money may pay in other currencies or for other companies. */
@RestController
@Tag(name = "desk")
class ElsewhereController {

  private final Elsewhere elsewhere;

  ElsewhereController(Elsewhere elsewhere) {
    this.elsewhere = elsewhere;
  }

  record ElsewhereItem(@NotNull Long itemId, @NotNull String number) {}

  record ElsewhereView(
      @NotNull @Schema(description = "as it would be taken") PostSettlement draft,
      @NotNull @Schema(description = "whether the text names the items; else their amount fits")
          boolean named,
      @NotNull @Schema(description = "why, with the rate") String why,
      @NotNull List<ElsewhereItem> items) {}

  @GetMapping("/api/entries/{id}/elsewhere")
  @Operation(
      summary = "What an entry may pay in other currencies than its own, or for other companies",
      description =
          "What its text names, of whichever company the user works in; else what of the payer's items comes to it: in another currency through a rate, within the clerk's limit for exchange differences; for another company, whose customer is called as the payer is, in the same currency to the cent. Empty where nothing does or no rate is known")
  List<ElsewhereView> elsewhere(@PathVariable Long id) {
    return elsewhere.of(id).stream().map(p -> view(id, p)).toList();
  }

  private static ElsewhereView view(Long entry, ElsewhereProposal proposal) {
    return new ElsewhereView(
        PostSettlement.of(proposal.draft(), entry, null),
        proposal.named(),
        proposal.why(),
        proposal.draft().applications().stream()
            .map(a -> new ElsewhereItem(Long.valueOf(a.item().id()), a.item().number()))
            .toList());
  }
}
