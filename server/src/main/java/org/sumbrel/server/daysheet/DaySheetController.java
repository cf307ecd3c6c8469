package org.sumbrel.server.daysheet;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.LocalDate;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.daysheet.BehindFigures.Figure;
import org.sumbrel.server.daysheet.DayRows.Of;
import org.sumbrel.server.daysheet.DaySheetView.BehindFigure;

/** What a day's work came to, today's or any past day's. */
@RestController
@Tag(name = "day sheet")
@Transactional(readOnly = true)
class DaySheetController {

  private final DaySheets sheets;
  private final BehindFigures behind;
  private final Companies companies;
  private final Clock clock;

  DaySheetController(DaySheets sheets, BehindFigures behind, Companies companies, Clock clock) {
    this.sheets = sheets;
    this.behind = behind;
    this.companies = companies;
    this.clock = clock;
  }

  @GetMapping("/api/day-sheet")
  @Operation(summary = "The sheet of a day in one currency; today's where no day is given")
  DaySheetView sheet(
      @RequestParam(required = false) Long company,
      @RequestParam(required = false) String currency,
      @RequestParam(required = false) LocalDate on) {
    return sheets.of(of(company, currency), day(on), LocalDate.now(clock));
  }

  @GetMapping("/api/day-sheet/behind")
  @Operation(summary = "What a figure of the day sheet is made of; at most 200 lines")
  BehindFigure behind(
      @RequestParam(required = false) Long company,
      @RequestParam(required = false) String currency,
      @RequestParam(required = false) LocalDate on,
      @RequestParam Figure figure,
      @RequestParam(required = false) @Parameter(description = "of the day, 0 to 23") Integer hour,
      @RequestParam(required = false)
          @Parameter(description = "which hand, wait, bucket, kind or user")
          String key) {
    var day = day(on);
    return behind.of(
        of(company, currency),
        new BehindFigures.Which(figure, day, day.isBefore(LocalDate.now(clock)), hour, key));
  }

  private Of of(Long company, String currency) {
    var owner = companies.company(company);
    return new Of(owner.id(), owner.unit(currency));
  }

  private LocalDate day(LocalDate asked) {
    var today = LocalDate.now(clock);
    if (asked != null && asked.isAfter(today)) {
      throw new BadRequest("The sheet of " + asked + " is not there yet; today is " + today + ".");
    }
    return asked == null ? today : asked;
  }
}
