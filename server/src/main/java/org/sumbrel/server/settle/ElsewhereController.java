package org.sumbrel.server.settle;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.settle.ElsewhereProposal;
import org.sumbrel.core.settle.Place;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.companies.Companies;

/** What waiting money may pay in other currencies or for other companies. */
@RestController
@Tag(name = "desk")
class ElsewhereController {

  /** An entry of the largest books takes some hundredths of a second. */
  private static final int MOST_HINTS = 40;

  private final Elsewhere elsewhere;
  private final Companies companies;

  ElsewhereController(Elsewhere elsewhere, Companies companies) {
    this.elsewhere = elsewhere;
    this.companies = companies;
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

  record ElsewhereHint(
      @NotNull Long entryId,
      @NotNull @Schema(description = "of its items, codes of ISO 4217, without the entry's own")
          List<String> currencies,
      @NotNull @Schema(description = "to which its items are owed, without the entry's own")
          List<String> companies,
      @NotNull @Schema(description = "the first reason, with the rate") String why) {}

  @GetMapping("/api/entries/elsewhere")
  @Operation(
      summary = "Which of some entries may pay something elsewhere, and where",
      description =
          "Of each the likeliest of what the call for a single entry tells; those that may pay nothing elsewhere are left out. At most 40 entries in one call: each is looked at anew")
  List<ElsewhereHint> hints(@RequestParam List<Long> entryIds) {
    if (entryIds.size() > MOST_HINTS) {
      throw new BadRequest(
          "%d entries were asked for at once; at most %d are looked at"
              .formatted(entryIds.size(), MOST_HINTS));
    }
    return entryIds.stream()
        .distinct()
        .flatMap(id -> elsewhere.of(id).stream().limit(1).map(p -> hint(id, p)))
        .toList();
  }

  private ElsewhereHint hint(Long entry, ElsewhereProposal proposal) {
    var receipt = proposal.draft().place();
    return new ElsewhereHint(
        entry,
        proposal.places().stream()
            .map(place -> place.currency().getCode())
            .filter(code -> !code.equals(receipt.currency().getCode()))
            .distinct()
            .toList(),
        proposal.places().stream()
            .map(Place::companyId)
            .filter(id -> !id.equals(receipt.companyId()))
            .distinct()
            .map(id -> companies.company(Long.valueOf(id)).name())
            .toList(),
        proposal.why());
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
