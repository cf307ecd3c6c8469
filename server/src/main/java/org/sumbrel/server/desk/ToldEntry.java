package org.sumbrel.server.desk;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.ObjectWriter;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.statement.EntryDetail;
import org.sumbrel.formats.statement.Exchange;
import org.sumbrel.formats.statement.StatementEntry;

/**
 * What a file says of some entries beside their text: charges, whether they take something back,
 * and their transactions. Stored as JSON beside the entry.
 */
record ToldEntry(boolean reversal, String charges, List<Part> parts) {

  /** One transaction of the entry; amounts are plain decimals, empty where nothing is said. */
  @JsonInclude(JsonInclude.Include.NON_EMPTY)
  record Part(
      String amount,
      String payerName,
      String payerAccount,
      String ultimatePayer,
      String remittance,
      String bankReference,
      String endToEnd,
      String checkNumber,
      String charges,
      String instructed,
      String instructedCurrency,
      String rate) {}

  private static final ObjectMapper JSON = new ObjectMapper();
  private static final ObjectWriter WRITER = JSON.writerFor(ToldEntry.class);
  private static final ToldEntry NOTHING = new ToldEntry(false, "", List.of());

  /** As text to store; empty where the file says nothing more. */
  static String written(StatementEntry entry) {
    if (!entry.reversal() && entry.charges().isZero() && !worthKeeping(entry)) {
      return "";
    }
    var told =
        new ToldEntry(
            entry.reversal(),
            entry.charges().isZero() ? "" : MoneyText.plain(entry.charges()),
            worthKeeping(entry)
                ? entry.details().stream().map(ToldEntry::part).toList()
                : List.of());
    try {
      return WRITER.writeValueAsString(told);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("what a file tells can be written", e);
    }
  }

  /** A single transaction that only repeats what stands in the entry is not kept once more. */
  private static boolean worthKeeping(StatementEntry entry) {
    return entry.details().size() > 1
        || entry.details().stream()
            .anyMatch(
                d ->
                    !d.charges().isZero()
                        || d.exchange().isPresent()
                        || !d.ultimatePayer().isEmpty());
  }

  private static Part part(EntryDetail detail) {
    var exchange = detail.exchange();
    return new Part(
        detail.amount().map(MoneyText::plain).orElse(""),
        detail.payerName(),
        detail.payerAccount(),
        detail.ultimatePayer(),
        detail.remittance(),
        detail.bankReference(),
        detail.endToEnd(),
        detail.checkNumber(),
        detail.charges().isZero() ? "" : MoneyText.plain(detail.charges()),
        exchange.flatMap(Exchange::instructed).map(MoneyText::plain).orElse(""),
        exchange.flatMap(Exchange::instructed).map(a -> a.getCurrencyUnit().getCode()).orElse(""),
        exchange.flatMap(Exchange::rate).map(BigDecimal::toPlainString).orElse(""));
  }

  /**
   * How the bank converted the entry.
   *
   * @param own the currency of the account
   */
  Optional<BankConversion> conversion(CurrencyUnit own) {
    if (parts.size() != 1) {
      return Optional.empty();
    }
    var part = parts.get(0);
    if (isNothing(part.instructed()) || part.instructedCurrency().equals(own.getCode())) {
      return Optional.empty();
    }
    var instructed = MoneyText.parse(part.instructed(), CurrencyUnit.of(part.instructedCurrency()));
    // what the transaction says it kept, else what the entry says
    var kept = isNothing(part.charges()) ? charges : part.charges();
    return instructed.isPositive()
        ? Optional.of(
            new BankConversion(
                instructed, isNothing(kept) ? Money.zero(own) : MoneyText.parse(kept, own)))
        : Optional.empty();
  }

  private static boolean isNothing(String text) {
    return text == null || text.isEmpty();
  }

  static ToldEntry read(String stored) {
    if (stored.isEmpty()) {
      return NOTHING;
    }
    try {
      return JSON.readValue(stored, ToldEntry.class);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("what was stored of an entry can be read", e);
    }
  }
}
