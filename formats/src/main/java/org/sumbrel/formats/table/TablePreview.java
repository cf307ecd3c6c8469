package org.sumbrel.formats.table;

import java.time.LocalDate;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.sumbrel.core.lockbox.LockboxBatch;
import org.sumbrel.core.lockbox.LockboxCheque;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.payout.Payout;
import org.sumbrel.core.payout.PayoutItem;
import org.sumbrel.core.payout.PayoutItemType;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Problem;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.receivables.CustomerRow;
import org.sumbrel.formats.receivables.InvoiceRow;
import org.sumbrel.formats.statement.StatementEntry;

/**
 * What a sample looks like under a profile that is being made: what is guessed, what is open, and
 * what the first rows become.
 *
 * @param profile as asked for, and guessed where nothing was; without what is open
 * @param known the profile that reads files of these headings already, or empty
 * @param changed how the headings differ from those of a profile that is nearly the same, or empty
 * @param doubts what the sample leaves open and what is missing
 * @param lines the first lines of the file as they stand, the headings among them
 * @param rows the first records and what each becomes
 * @param words the words in the column of types and what each means, as often as they stand there,
 *     the unknown ones first; empty for all but payouts
 * @param records how many records the sample has
 * @param passedOver lines that are no records, with why
 */
public record TablePreview(
    ProfileDocument profile,
    String known,
    String changed,
    List<Problem> doubts,
    List<Line> lines,
    List<Becomes> rows,
    List<TypeWord> words,
    int records,
    List<Problem> passedOver) {

  /** Records that are shown. */
  private static final int SHOWN = 12;

  /** Lines that are shown of what stands before the headings, and behind them. */
  private static final int AFTER = 6;

  private static final int LONGEST_CELL = 200;

  private static final int MOST_WORDS = 60;

  /** A line of the file, cut into cells. */
  public record Line(int line, List<String> cells) {}

  /**
   * A record.
   *
   * @param fields what it becomes, by the fields' words; empty where it cannot be read
   * @param problems why it cannot be read
   */
  public record Becomes(int line, Map<String, String> fields, List<String> problems) {}

  /**
   * A word in the column of types.
   *
   * @param meaning the type of item; empty where nobody knows
   * @param rows how many have it
   */
  public record TypeWord(String word, Optional<PayoutItemType> meaning, int rows) {}

  /**
   * Looks at a sample.
   *
   * @param asked what somebody said of it already, or empty
   * @param profiles that are known
   * @param currency of the account, where there is only one
   * @throws BrokenFile where it is no table at all, or what was asked contradicts itself
   */
  public static TablePreview of(
      byte[] sample,
      Optional<ProfileDocument> asked,
      Collection<TableProfile> profiles,
      Optional<CurrencyUnit> currency)
      throws BrokenFile {
    var doubts = new Reading(currency);
    var passed = new Reading(currency);
    var file = TableFile.of(sample, passed);
    var known = ProfileMatch.exact(file.sources(), profiles).map(ProfileMatch::profile);
    var near =
        known.isPresent()
            ? Optional.<ProfileMatch>empty()
            : ProfileMatch.near(file.sources(), profiles);
    var wanted = asked.or(() -> known.map(ProfileDocument::of));
    var layout = layout(file, wanted);
    var guess =
        wanted.isPresent() && wanted.get().columns() != null
            ? new ProfileGuess(layout, wanted.get().columns(layout.subject()), doubts)
            : new ProfileGuess(layout, doubts);
    var passOver = wanted.map(ProfileDocument::passOverIncomplete).orElse(true);
    var rows = guess.rows(passOver == null || passOver, passed);
    var profile = merged(guess, rows, wanted, layout);
    passed.fatal().forEach(p -> doubts.wrong(p.line(), p.message()));
    var enough = profile.subject().enough(profile.columns().keySet());
    if (!enough) {
      doubts.wrong(
          Math.max(1, profile.headingLine()),
          "say which columns hold what is needed: " + profile.subject().needs());
    }
    var before = layout.source().head(Math.max(0, layout.headingLine() - 1));
    var shown = rows.stream().limit(SHOWN).toList();
    return new TablePreview(
        ProfileDocument.of(profile).without(guess.openDates(), guess.openMark()),
        known.map(TableProfile::name).orElse(""),
        near.map(m -> "\"" + m.profile().name() + "\": " + m.difference()).orElse(""),
        doubts.fatal(),
        lines(layout),
        enough
            ? shown.stream().map(r -> becomes(profile, before, r, currency)).toList()
            : List.of(),
        words(profile, rows),
        rows.size(),
        enough ? passed.odd() : List.of());
  }

  private static TableLayout layout(TableFile file, Optional<ProfileDocument> wanted)
      throws BrokenFile {
    if (wanted.isEmpty()) {
      return TableLayout.in(file.sources()).orElseGet(() -> TableLayout.blind(file.sources()));
    }
    var asked = wanted.get();
    var sources = file.sources();
    if (asked.sheet() != null || asked.separator() != null) {
      sources = file.in(asked.dialect());
    }
    var about = asked.subject() == null ? null : asked.about();
    if (asked.headingLine() == null) {
      var found = TableLayout.in(sources);
      var guessed = found.isPresent() ? found.get() : TableLayout.blind(sources);
      return about == null ? guessed : guessed.about(about);
    }
    var line = asked.headingLine();
    var row =
        sources.get(0).head(line).stream()
            .filter(r -> r.line() == line)
            .findFirst()
            .orElse(new TableRow(List.of(), line));
    return TableLayout.of(sources.get(0), about == null ? Subject.STATEMENT : about, row);
  }

  /** What was asked for, and what the rows tell where nothing was. */
  private static TableProfile merged(
      ProfileGuess guess, List<TableRow> rows, Optional<ProfileDocument> wanted, TableLayout layout)
      throws BrokenFile {
    if (wanted.isEmpty()) {
      return guess.profile(rows, true);
    }
    var asked = wanted.get();
    var about = layout.subject();
    var mark =
        Optional.ofNullable(asked.decimalMark()).filter(m -> !m.isEmpty()).map(m -> m.charAt(0));
    try {
      var guessed = guess.profile(rows, true, asked.dates(about), mark);
      return new TableProfile(
          asked.name() == null ? "" : asked.name(),
          about,
          guessed.dialect(),
          guessed.headingLine(),
          guessed.headings(),
          guessed.columns(),
          asked.constants(about),
          guessed.dates(),
          guessed.decimalMark(),
          Boolean.TRUE.equals(asked.signsReversed()),
          asked.wordsForDebits(),
          asked.wordsForTypes(),
          asked.zoneOfDays(),
          asked.passOverIncomplete() == null || asked.passOverIncomplete());
    } catch (IllegalArgumentException e) {
      throw new BrokenFile(0, e.getMessage());
    }
  }

  private static List<TypeWord> words(TableProfile profile, List<TableRow> rows) {
    if (profile.subject() != Subject.PAYOUT || !profile.has(PayoutFields.TYPE)) {
      return List.of();
    }
    var counted = new LinkedHashMap<String, Integer>();
    for (var row : rows) {
      var word = row.cell(profile.column(PayoutFields.TYPE));
      if (!word.isEmpty() && !PayoutWords.previous(word)) {
        counted.merge(word, 1, Integer::sum);
      }
    }
    return counted.entrySet().stream()
        .map(
            e ->
                new TypeWord(
                    e.getKey(), PayoutWords.meaning(e.getKey(), profile.typeWords()), e.getValue()))
        .sorted(Comparator.comparing(w -> w.meaning().isPresent()))
        .limit(MOST_WORDS)
        .toList();
  }

  private static List<Line> lines(TableLayout layout) {
    return layout.source().head(layout.headingLine() + AFTER).stream()
        .map(
            r ->
                new Line(
                    r.line(),
                    r.cells().stream()
                        .map(
                            c ->
                                c.length() <= LONGEST_CELL ? c : c.substring(0, LONGEST_CELL) + "…")
                        .toList()))
        .toList();
  }

  private static Becomes becomes(
      TableProfile profile, List<TableRow> before, TableRow row, Optional<CurrencyUnit> currency) {
    try {
      var content = TableFile.content(profile, before, List.of(row), new Reading(currency));
      return new Becomes(row.line(), fields(content), List.of());
    } catch (BrokenFile broken) {
      return new Becomes(
          row.line(), Map.of(), broken.problems().stream().map(Problem::message).toList());
    }
  }

  private static Map<String, String> fields(FileContent content) {
    var fields = new LinkedHashMap<String, String>();
    content.accounts().forEach(a -> a.entries().forEach(e -> entry(fields, a.account(), e)));
    content.invoices().forEach(i -> invoice(fields, i));
    content.customers().forEach(c -> customer(fields, c));
    content.batches().forEach(b -> b.cheques().forEach(c -> cheque(fields, b, c)));
    content.payouts().forEach(p -> p.items().forEach(i -> item(fields, p, i)));
    fields.values().removeIf(String::isEmpty);
    return fields;
  }

  private static void entry(Map<String, String> fields, String account, StatementEntry entry) {
    fields.put("booking_date", entry.bookingDate().toString());
    fields.put("value_date", entry.valueDate().toString());
    fields.put("amount", MoneyText.grouped(entry.amount()));
    fields.put("currency", entry.amount().getCurrencyUnit().getCode());
    fields.put("payer_name", entry.payerName());
    fields.put("payer_account", entry.payerAccount());
    fields.put("remittance", entry.remittance());
    fields.put("bank_reference", entry.bankReference());
    fields.put("check_number", entry.checkNumber());
    fields.put("account", account);
  }

  private static void invoice(Map<String, String> fields, InvoiceRow invoice) {
    fields.put("number", invoice.number());
    fields.put("kind", invoice.creditNote() ? "credit note" : "invoice");
    fields.put("customer_id", invoice.customerId());
    fields.put("customer_name", invoice.customerName());
    fields.put("issue_date", invoice.issueDate().toString());
    fields.put("due_date", invoice.dueDate().toString());
    fields.put("total", MoneyText.grouped(invoice.total()));
    fields.put("open", MoneyText.grouped(invoice.open()));
    fields.put("currency", invoice.total().getCurrencyUnit().getCode());
    fields.put("order_ref", invoice.orderReference());
    fields.put("terms", invoice.terms().map(Object::toString).orElse(""));
  }

  private static void cheque(Map<String, String> fields, LockboxBatch batch, LockboxCheque cheque) {
    fields.put("lockbox", batch.lockbox());
    fields.put("batch", batch.number());
    fields.put("deposit_date", batch.depositedOn().map(LocalDate::toString).orElse(""));
    fields.put("check_number", cheque.number());
    fields.put("routing", cheque.routing());
    fields.put("account", cheque.account());
    fields.put("check_amount", MoneyText.grouped(cheque.amount()));
    fields.put("currency", batch.currency().getCode());
    fields.put("payer_name", cheque.payerName());
    for (var item : cheque.items()) {
      fields.put("reference", item.reference());
      fields.put("item_amount", MoneyText.grouped(item.amount()));
    }
  }

  private static void item(Map<String, String> fields, Payout payout, PayoutItem item) {
    fields.put("processor", payout.processor());
    fields.put("payout", payout.number());
    fields.put("type", item.type().name().toLowerCase(Locale.ROOT).replace('_', ' '));
    fields.put("item", item.id());
    fields.put("reference", item.reference());
    fields.put("related", item.related());
    fields.put("date", item.on().map(LocalDate::toString).orElse(""));
    fields.put("gross", MoneyText.grouped(item.gross()));
    fields.put("fee", MoneyText.grouped(item.fee()));
    fields.put("net", MoneyText.grouped(item.net()));
    fields.put("currency", payout.currency().getCode());
    fields.put("method", item.method());
    fields.put("payer_name", item.payer());
    fields.put("text", item.text());
  }

  private static void customer(Map<String, String> fields, CustomerRow customer) {
    fields.put("customer_id", customer.customerId());
    fields.put("name", customer.name());
    fields.put("parent_id", customer.parentId());
    fields.put("payer_account", String.join("; ", customer.payerAccounts()));
  }
}
