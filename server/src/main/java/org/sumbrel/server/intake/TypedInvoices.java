package org.sumbrel.server.intake;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.journal.Posting;
import org.sumbrel.core.money.IncludedTax;
import org.sumbrel.core.receivables.EarlyPaymentTerms;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.companies.NumberKind;
import org.sumbrel.server.companies.NumberRanges;
import org.sumbrel.server.companies.TaxCodeEntity;
import org.sumbrel.server.companies.TaxCodes;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.journal.Journal;

/** Writes an invoice for money that came before one: typed at the desk instead of taken in. */
@Service
@Transactional
class TypedInvoices {

  private final Customers customers;
  private final TaxCodes taxCodes;
  private final Journal journal;
  private final Proposals proposals;
  private final NumberRanges numbers;

  TypedInvoices(
      Customers customers,
      TaxCodes taxCodes,
      Journal journal,
      Proposals proposals,
      NumberRanges numbers) {
    this.numbers = numbers;
    this.customers = customers;
    this.taxCodes = taxCodes;
    this.journal = journal;
    this.proposals = proposals;
  }

  /** What was typed. */
  record Typed(
      Long customerId,
      String number,
      LocalDate issuedOn,
      LocalDate dueOn,
      Money total,
      String taxCode,
      String terms,
      String orderReference) {}

  /** An invoice that was written, and the company whose proposals are behind now. */
  record Written(Long itemId, Long companyId, long version, String number) {}

  /**
   * Writes the invoice with its journal entry.
   *
   * @throws Conflict where the number is taken
   * @throws BadRequest where dates, amount or terms contradict each other
   */
  Written write(Typed typed, Actor actor) {
    var company = customers.companyOf(typed.customerId());
    var number = typed.number().isBlank() ? nextNumber(company, typed) : typed.number().strip();
    if (customers.hasItem(company, number)) {
      throw new Conflict("NUMBER_TAKEN", "There is an item " + number + " already.");
    }
    if (!typed.total().isPositive()) {
      throw new BadRequest("An invoice is about an amount above zero.");
    }
    if (typed.dueOn().isBefore(typed.issuedOn())) {
      throw new BadRequest(
          "It would be due on "
              + typed.dueOn()
              + ", before it is issued on "
              + typed.issuedOn()
              + ".");
    }
    var invoice =
        new Invoice(
            "new",
            company.toString(),
            typed.customerId().toString(),
            number,
            typed.issuedOn(),
            typed.dueOn(),
            typed.total(),
            typed.total(),
            typed.orderReference().strip(),
            "",
            terms(typed.terms()));
    var tax =
        typed.taxCode().isBlank()
            ? Money.zero(typed.total().getCurrencyUnit())
            : IncludedTax.in(typed.total(), taxCodes.code(company, typed.taxCode()).percent());
    var row = customers.add(invoice, tax);
    Posting.entryFor(invoice, tax).ifPresent(e -> journal.write(e, null, actor.name(), null));
    proposals.mark(company);
    return new Written(row.id(), company, row.version(), number);
  }

  /**
   * What an invoice would be that is like an earlier one: its amount, terms and order, as many days
   * to pay, and the tax code that its tax was counted with, where one fits.
   *
   * @throws BadRequest where the item is no invoice
   */
  @Transactional(readOnly = true)
  public Typed like(Long itemId, LocalDate issuedOn) {
    var earlier = customers.items(List.of(itemId)).get(itemId);
    if (earlier.kind() != OpenItemEntity.Kind.INVOICE) {
      throw new BadRequest(earlier.number() + " is no invoice.");
    }
    var toPay = ChronoUnit.DAYS.between(earlier.issuedOn(), earlier.dueOn());
    var taxCode =
        taxCodes.of(earlier.companyId()).stream()
            .filter(t -> t.percent().signum() > 0 && earlier.tax().isPositive())
            .filter(t -> IncludedTax.in(earlier.total(), t.percent()).equals(earlier.tax()))
            .findFirst()
            .map(TaxCodeEntity::code)
            .orElse("");
    return new Typed(
        earlier.customerId(),
        "",
        issuedOn,
        issuedOn.plusDays(toPay),
        earlier.total(),
        taxCode,
        earlier.terms(),
        earlier.orderReference());
  }

  private static Optional<EarlyPaymentTerms> terms(String written) {
    try {
      return written.isBlank() ? Optional.empty() : Optional.of(EarlyPaymentTerms.parse(written));
    } catch (IllegalArgumentException e) {
      throw new BadRequest(e.getMessage() + ".");
    }
  }

  /** The day and a running number, such as SB-260529-2. */
  private String nextNumber(Long company, Typed typed) {
    var day = typed.issuedOn();
    var stem =
        numbers.prefix(company, NumberKind.INVOICE)
            + "-%02d%02d%02d"
                .formatted(day.getYear() % 100, day.getMonthValue(), day.getDayOfMonth());
    for (var n = 1; ; n++) {
      if (!customers.hasItem(company, stem + "-" + n)) {
        return stem + "-" + n;
      }
    }
  }
}
