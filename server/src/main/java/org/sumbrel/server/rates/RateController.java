package org.sumbrel.server.rates;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.math.BigDecimal;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.exchange.Rate;
import org.sumbrel.core.exchange.RateTable.Counting;
import org.sumbrel.core.exchange.RateTable.How;
import org.sumbrel.core.exchange.RateTable.Quote;
import org.sumbrel.formats.rates.RateListCsv;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Currencies;
import org.sumbrel.server.api.FileAnswer;
import org.sumbrel.server.api.Page;
import org.sumbrel.server.rates.RateEntity.Origin;
import org.sumbrel.server.rates.RateRows.Which;

/** Exchange rates by day and pair, the same for all companies. */
@RestController
@RequestMapping("/api/rates")
@Tag(name = "rates")
class RateController {

  private final Rates rates;
  private final RateRows rows;
  private final Clock clock;

  RateController(Rates rates, RateRows rows, Clock clock) {
    this.rates = rates;
    this.rows = rows;
    this.clock = clock;
  }

  record RateView(
      @NotNull Long id,
      @NotNull LocalDate on,
      @NotNull String from,
      @NotNull String to,
      @NotNull @Schema(description = "units of to for one of from", example = "1.0854") String rate,
      @NotNull Origin origin,
      @NotNull @Schema(description = "why it was typed; empty where it was not") String reason,
      @NotNull @Schema(description = "the file that brought it, or empty") String fileName,
      @NotNull String recordedBy,
      @NotNull Instant recordedAt,
      @NotNull @Schema(description = "whether a later one stands in its place") boolean replaced) {}

  /** What is known of two currencies. */
  record PairView(
      @NotNull String from,
      @NotNull String to,
      @NotNull long days,
      @NotNull LocalDate latestOn,
      @NotNull String latestRate) {}

  record RatesView(
      @NotNull List<PairView> pairs,
      @NotNull @Schema(description = "the service of daily rates; empty where none is connected")
          String service,
      @NotNull @Schema(description = "for how many days after its own a rate counts")
          int longestDays) {}

  @GetMapping("/pairs")
  @Operation(summary = "Which pairs of currencies have rates, and where more come from")
  RatesView pairs() {
    return new RatesView(rows.pairs(), rates.serviceName().orElse(""), Rates.LONGEST_DAYS);
  }

  @GetMapping
  @Operation(summary = "Rates, the latest first", description = "Those that were replaced too")
  Page<RateView> list(
      @ParameterObject Which which,
      @RequestParam(required = false) String cursor,
      @RequestParam(defaultValue = "100") int limit) {
    var most = Page.limit(limit);
    return Page.of(
        rows.of(which, cursor, most + 1), most, row -> row, row -> row.on() + "," + row.id());
  }

  @GetMapping("/file")
  @Operation(
      summary = "The rates that count, as CSV",
      description = "Under the headings rate_date, from, to, rate, which are read back")
  ResponseEntity<byte[]> file(@ParameterObject Which which) throws IOException {
    var csv = RateListCsv.write(rows.quotes(which));
    return FileAnswer.of("rates.csv", new MediaType("text", "csv"), out -> out.write(csv));
  }

  record QuoteView(
      @NotNull LocalDate on, @NotNull String from, @NotNull String to, @NotNull String rate) {
    static QuoteView of(Quote quote) {
      return new QuoteView(
          quote.on(),
          quote.rate().from().getCode(),
          quote.rate().to().getCode(),
          Rates.text(quote.rate().perUnit()));
    }
  }

  /**
   * A rate that counts.
   *
   * @param on the day of its older quote
   * @param by the third currency, or empty
   */
  record CountingView(
      @NotNull String from,
      @NotNull String to,
      @NotNull String rate,
      @NotNull LocalDate on,
      @NotNull How how,
      @NotNull @Schema(description = "the third currency across which it leads, or empty")
          String by,
      @NotNull List<QuoteView> quotes) {
    static CountingView of(Counting counting) {
      return new CountingView(
          counting.rate().from().getCode(),
          counting.rate().to().getCode(),
          Rates.text(counting.rate().perUnit()),
          counting.on(),
          counting.how(),
          counting.by().map(c -> c.getCode()).orElse(""),
          counting.of().stream().map(QuoteView::of).toList());
    }
  }

  record RateAnswer(
      @Schema(description = "null where there is none; then one is to be asked for")
          CountingView rate) {}

  @GetMapping("/counting")
  @Operation(
      summary = "The rate that counts between two currencies on a day",
      description =
          "Quoted, or the inverse of what was quoted the other way round, or across a third currency; never guessed")
  RateAnswer counting(
      @RequestParam String from,
      @RequestParam String to,
      @RequestParam(required = false) LocalDate on) {
    if (from.equals(to)) {
      throw new BadRequest("Between " + from + " and itself there is no rate.");
    }
    return new RateAnswer(
        rates
            .on(Currencies.unit(from), Currencies.unit(to), on == null ? LocalDate.now(clock) : on)
            .map(CountingView::of)
            .orElse(null));
  }

  record TypedRate(
      @NotNull LocalDate on,
      @NotBlank String from,
      @NotBlank String to,
      @NotBlank @Size(max = 40) @Schema(description = "units of to for one of from") String rate,
      @NotBlank @Size(max = 400) String reason,
      @Schema(description = "keeps it however far it is from the last one") boolean sure) {

    Quote quote() {
      if (from.equals(to)) {
        throw new BadRequest("Between " + from + " and itself there is no rate.");
      }
      if (!rate.strip().matches("\\d{1,9}(\\.\\d{1,12})?")) {
        throw new BadRequest(
            "\"" + rate + "\" is not a rate such as 1.0854, with at most 12 decimals.");
      }
      try {
        return new Quote(
            on, new Rate(Currencies.unit(from), Currencies.unit(to), new BigDecimal(rate.strip())));
      } catch (IllegalArgumentException e) {
        throw new BadRequest("A rate of " + rate + " is not above 0.");
      }
    }
  }

  record KeptRate(@NotNull Long id) {}

  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(
      summary = "Keeps a rate typed by hand, with its reason",
      description =
          "It stands in the place of one of the same day and pair; what was settled keeps the rate it was settled at. 409 FAR_FROM_THE_LAST where it is more than a tenth from the last one and nobody is sure")
  KeptRate type(@Valid @RequestBody TypedRate typed, Principal principal) {
    return new KeptRate(
        rates.type(typed.quote(), typed.reason().strip(), typed.sure(), principal.getName()));
  }

  record FetchRates(@NotNull LocalDate from, @NotNull LocalDate until) {}

  record FetchedRates(
      @NotNull int fresh,
      @NotNull int known,
      @NotNull List<String> problems,
      @NotNull @Schema(description = "days for which the service has none")
          List<LocalDate> empty) {}

  @PostMapping("/fetch")
  @Operation(summary = "Asks the service of daily rates for some days and keeps what is new")
  FetchedRates fetch(@Valid @RequestBody FetchRates days, Principal principal) {
    var fetched = rates.fetch(days.from(), days.until(), principal.getName());
    return new FetchedRates(
        fetched.taken().fresh(),
        fetched.taken().known(),
        fetched.taken().problems(),
        fetched.empty());
  }
}
