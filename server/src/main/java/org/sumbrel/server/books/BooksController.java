package org.sumbrel.server.books;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.io.IOException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.Optional;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.exchange.RateTable.Counting;
import org.sumbrel.core.journal.AccountRole;
import org.sumbrel.core.journal.Agreement;
import org.sumbrel.core.receivables.Ageing;
import org.sumbrel.formats.ageing.AgeingPdf;
import org.sumbrel.formats.ageing.AgeingSheet;
import org.sumbrel.formats.ageing.AgeingTable;
import org.sumbrel.server.api.FileAnswer;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.api.Period;
import org.sumbrel.server.books.BooksView.AgedLine;
import org.sumbrel.server.books.BooksView.AgeingReport;
import org.sumbrel.server.books.BooksView.AgreementLine;
import org.sumbrel.server.books.BooksView.AgreementView;
import org.sumbrel.server.books.BooksView.ClaimsReport;
import org.sumbrel.server.books.BooksView.CostReport;
import org.sumbrel.server.books.BooksView.RestatedAgeing;
import org.sumbrel.server.books.BooksView.UnappliedMoney;
import org.sumbrel.server.books.Unrealised.UnrealisedReport;
import org.sumbrel.server.companies.Charts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.rates.InBooks;
import org.sumbrel.server.rates.Rates;

/** What the books say beyond the journal. */
@RestController
@Tag(name = "books")
@Transactional(readOnly = true)
class BooksController {

  private static final int MONTHS_BACK = 5;

  private final Agreements agreements;
  private final OpenMoney open;
  private final Costs costs;
  private final Unrealised unrealised;
  private final Companies companies;
  private final Charts charts;
  private final Customers customers;
  private final InBooks inBooks;
  private final Clock clock;

  BooksController(
      Agreements agreements,
      OpenMoney open,
      Costs costs,
      Unrealised unrealised,
      Companies companies,
      Charts charts,
      Customers customers,
      InBooks inBooks,
      Clock clock) {
    this.inBooks = inBooks;
    this.unrealised = unrealised;
    this.agreements = agreements;
    this.open = open;
    this.costs = costs;
    this.companies = companies;
    this.charts = charts;
    this.customers = customers;
    this.clock = clock;
  }

  /**
   * Of what a report is.
   *
   * @param company the first where none is given
   * @param currency the company's where none is given
   */
  record WhichBooks(Long company, String currency) {}

  /**
   * Of what, and of which day, a report is.
   *
   * @param company the first where none is given
   * @param currency the company's where none is given
   * @param on the end of which day; now where none is given
   */
  record WhichBooksOn(Long company, String currency, LocalDate on) {}

  /**
   * The same, and whether in the currency of the books as well.
   *
   * @param inBooks whether files have it so; the report has it where it is another currency
   * @param ratesOn at the rate of which day; that of the report where none is given
   */
  record WhichAgeing(
      Long company, String currency, LocalDate on, Boolean inBooks, LocalDate ratesOn) {

    WhichBooksOn report() {
      return new WhichBooksOn(company, currency, on);
    }

    LocalDate rateDay(AgeingSheet sheet) {
      return ratesOn == null ? sheet.asOf() : ratesOn;
    }
  }

  private CurrencyUnit unit(Long company, String currency) {
    return companies.company(company).unit(currency);
  }

  @GetMapping("/api/books/agreement")
  @Operation(
      summary =
          "The items of customers held against their accounts in the ledger; at the end of a day where one is given")
  AgreementView agreement(@ParameterObject WhichBooksOn which) {
    var owner = companies.idOf(which.company());
    var agreement = agreements.of(owner, unit(owner, which.currency()), which.on());
    var apart = agreement.apart();
    var names = customers.names(apart.stream().map(l -> Long.valueOf(l.customerId())).toList());
    var totals =
        Stream.of(AccountRole.values())
            .filter(AccountRole::byCustomer)
            .map(role -> line(owner, agreement.total(role), null))
            .toList();
    return new AgreementView(
        which.on(),
        agreement.currency().getCode(),
        agreement.agrees(),
        agreement.lines().stream().map(Agreement.Line::customerId).distinct().count(),
        totals,
        apart.stream()
            .map(l -> line(owner, l, names.get(Long.valueOf(l.customerId()))))
            .sorted(Comparator.comparing(AgreementLine::customer))
            .toList());
  }

  private AgreementLine line(Long company, Agreement.Line of, String customer) {
    var account = charts.account(company, charts.accountFor(company, of.role()));
    return new AgreementLine(
        customer == null ? null : Long.valueOf(of.customerId()),
        customer,
        of.role(),
        account.code() + " " + account.name(),
        account.id(),
        MoneyView.of(of.items()),
        MoneyView.of(of.books()),
        MoneyView.of(of.difference()));
  }

  @GetMapping("/api/books/unapplied")
  @Operation(summary = "Money on account and credit notes that nobody has applied, oldest first")
  UnappliedMoney unapplied(@ParameterObject WhichBooks which) {
    var owner = companies.idOf(which.company());
    return open.unapplied(owner, unit(owner, which.currency()), LocalDate.now(clock));
  }

  @GetMapping("/api/books/unrealised")
  @Operation(
      summary =
          "What open items in other currencies would bring or cost at the rates of a day; today where none is given")
  UnrealisedReport unrealised(
      @RequestParam(required = false) Long company, @RequestParam(required = false) LocalDate on) {
    var owner = companies.company(company);
    return unrealised.at(
        owner.id(), CurrencyUnit.of(owner.currency()), on == null ? LocalDate.now(clock) : on);
  }

  @GetMapping("/api/books/claims")
  @Operation(summary = "Claims on customers by reason and age, and each of them")
  ClaimsReport claims(@ParameterObject WhichBooks which) {
    var owner = companies.idOf(which.company());
    return open.claims(owner, unit(owner, which.currency()), LocalDate.now(clock));
  }

  @GetMapping("/api/books/differences")
  @Operation(
      summary =
          "What differences cost between two days (the last six months where none are given), by kind, month and customer")
  CostReport differences(
      @RequestParam(required = false) Long company,
      @RequestParam(required = false) String currency,
      @RequestParam(required = false) LocalDate from,
      @RequestParam(required = false) LocalDate until) {
    var owner = companies.idOf(company);
    return costs.within(
        owner, unit(owner, currency), Period.asked(from, until, LocalDate.now(clock), MONTHS_BACK));
  }

  @GetMapping("/api/books/ageing")
  @Operation(summary = "What customers owe by age on a day; today where none is given")
  AgeingReport ageing(@ParameterObject WhichAgeing which) {
    var sheet = sheet(which.report());
    var ids =
        customers.byNumbers(
            companies.idOf(which.company()),
            sheet.lines().stream().map(AgeingSheet.Line::number).toList());
    return new AgeingReport(
        sheet.asOf(),
        sheet.currency().getCode(),
        sheet.lines().stream()
            .map(
                l ->
                    new AgedLine(
                        ids.get(l.number()),
                        l.number(),
                        l.customer(),
                        OpenMoney.buckets(l.ageing()),
                        MoneyView.of(l.total())))
            .toList(),
        OpenMoney.buckets(sheet.total().ageing()),
        MoneyView.of(sheet.total().total()),
        restated(sheet, books(which.company()), which.rateDay(sheet)));
  }

  private CurrencyUnit books(Long company) {
    return CurrencyUnit.of(companies.company(company).currency());
  }

  private RestatedAgeing restated(AgeingSheet sheet, CurrencyUnit books, LocalDate day) {
    if (sheet.currency().equals(books)) {
      return null;
    }
    var rate = inBooks.rate(sheet.currency(), books, day);
    var ageing = rate.map(r -> sheet.total().ageing().restated(r.rate()::of));
    return new RestatedAgeing(
        books.getCode(),
        day,
        rate.map(Rates::words).orElse(""),
        ageing.map(OpenMoney::buckets).orElse(null),
        ageing.map(Ageing::total).map(MoneyView::of).orElse(null));
  }

  private AgeingSheet sheet(WhichBooksOn which) {
    var owner = companies.idOf(which.company());
    var today = LocalDate.now(clock);
    var day = which.on() == null ? today : which.on();
    return open.byCustomer(owner, unit(owner, which.currency()), day, day.isBefore(today));
  }

  @GetMapping(value = "/api/books/ageing.pdf", produces = "application/pdf")
  @Operation(summary = "The ageing as PDF")
  ResponseEntity<byte[]> ageingPdf(@ParameterObject WhichAgeing which) throws IOException {
    var sheet = sheet(which.report());
    var books = books(which.company());
    var restated =
        Boolean.TRUE.equals(which.inBooks()) && !sheet.currency().equals(books)
            ? Optional.of(inBooks.required(sheet.currency(), books, which.rateDay(sheet)))
            : Optional.<Counting>empty();
    return FileAnswer.of(
        name(sheet, "pdf"),
        MediaType.APPLICATION_PDF,
        out ->
            AgeingPdf.write(
                sheet,
                restated.map(
                    r ->
                        new AgeingSheet.InBooks(
                            sheet.total().ageing().restated(r.rate()::of), Rates.words(r))),
                out));
  }

  @GetMapping(value = "/api/books/ageing.csv", produces = "text/csv")
  @Operation(summary = "The ageing as CSV")
  ResponseEntity<byte[]> ageingCsv(@ParameterObject WhichAgeing which) throws IOException {
    var sheet = sheet(which.report());
    return FileAnswer.csv(name(sheet, "csv"), table(sheet, which)::write);
  }

  @GetMapping(value = "/api/books/ageing.xlsx", produces = FileAnswer.XLSX)
  @Operation(summary = "The ageing as a workbook")
  ResponseEntity<byte[]> ageingXlsx(@ParameterObject WhichAgeing which) throws IOException {
    var sheet = sheet(which.report());
    return FileAnswer.xlsx(name(sheet, "xlsx"), "Ageing", table(sheet, which)::write);
  }

  private InBooks.Table table(AgeingSheet sheet, WhichAgeing which) {
    return inBooks.of(
        out -> AgeingTable.write(sheet, out),
        Boolean.TRUE.equals(which.inBooks()),
        "total",
        sheet.currency(),
        books(which.company()),
        which.rateDay(sheet));
  }

  private static String name(AgeingSheet sheet, String ending) {
    return "ageing-" + sheet.currency().getCode() + "-" + sheet.asOf() + "." + ending;
  }
}
