package org.sumbrel.server.find;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.find.SearchLine;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.Companies;

/** One field for all that there is. */
@RestController
@Tag(name = "find")
@Transactional(readOnly = true)
class EverythingController {

  private final Everything everything;
  private final Companies companies;
  private final Clock clock;

  EverythingController(Everything everything, Companies companies, Clock clock) {
    this.everything = everything;
    this.companies = companies;
    this.clock = clock;
  }

  /** What kind of thing was found. */
  enum FoundKind {
    CUSTOMER,
    ITEM,
    ENTRY,
    CHEQUE,
    DEPOSIT,
    PAYOUT,
    LOCKBOX_BATCH,
    SETTLEMENT,
    JOURNAL_ENTRY
  }

  record Thing(
      @NotNull FoundKind kind,
      @NotNull Long id,
      @NotNull @Schema(description = "its number or name") String title,
      @NotNull @Schema(description = "whose it is, or what it says") String words,
      @Schema(description = "null of a customer") LocalDate on,
      @Schema(description = "null of a customer") MoneyView amount,
      @Schema(
              description =
                  "the settlement that explains an entry, the batch of a lockbox cheque; else null")
          Long within,
      @NotNull @Schema(description = "what became of it, in a word; may be empty") String state) {}

  record Things(
      @NotNull @Schema(description = "the best of each kind, kinds in order") List<Thing> things,
      @NotNull @Schema(description = "what of the line was not understood, a sentence each")
          List<String> problems) {}

  @GetMapping("/api/everything")
  @Operation(
      summary =
          "Customers, items, entries, cheques, deposits, payouts, lockbox batches, settlements and journal entries that fit a search line; at most six of each")
  Things everything(
      @RequestParam(required = false) Long company, @RequestParam(defaultValue = "") String q) {
    var line = SearchLine.read(q, LocalDate.now(clock));
    if (line.isEmpty()) {
      return new Things(List.of(), line.problems());
    }
    return new Things(everything.found(companies.idOf(company), line, q.strip()), line.problems());
  }
}
