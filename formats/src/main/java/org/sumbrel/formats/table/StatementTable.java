package org.sumbrel.formats.table;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.Iban;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileAmount;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.statement.AccountStatement;
import org.sumbrel.formats.statement.EntryStatus;
import org.sumbrel.formats.statement.StatementBuilder;
import org.sumbrel.formats.statement.StatementEntry;

/** The entries of a bank's statement, one a row. */
final class StatementTable {

  private static final Set<String> CREDIT_WORDS =
      Set.of(
          "c",
          "cr",
          "credit",
          "crdt",
          "h",
          "haben",
          "gutschrift",
          "+",
          "bij",
          "haber",
          "avere",
          "credito",
          "in");
  private static final Set<String> DEBIT_WORDS =
      Set.of(
          "d",
          "dr",
          "debit",
          "dbit",
          "s",
          "soll",
          "lastschrift",
          "-",
          "af",
          "debe",
          "dare",
          "debito",
          "out");
  private static final Set<String> BOOKED_WORDS =
      Set.of(
          "booked",
          "book",
          "posted",
          "completed",
          "complete",
          "cleared",
          "settled",
          "executed",
          "final",
          "gebucht",
          "verbucht",
          "umsatz gebucht",
          "ausgeführt",
          "comptabilisé",
          "comptabilise",
          "contabilizado",
          "contabilizzato",
          "geboekt",
          "verwerkt");
  private static final Set<String> PENDING_WORDS =
      Set.of(
          "pending",
          "pdng",
          "announced",
          "vorgemerkt",
          "umsatz vorgemerkt",
          "en attente",
          "pendiente",
          "in attesa",
          "in behandeling");
  private static final List<TableField> AMOUNTS =
      List.of(StatementFields.AMOUNT, StatementFields.DEBIT, StatementFields.CREDIT);
  private static final Pattern IBAN =
      Pattern.compile("\\b[A-Z]{2}\\d{2}(?: ?[A-Z0-9]{1,4}){3,8}\\b");
  private static final int FEWEST_FIGURES = 5;

  private final TableProfile profile;
  private final Reading reading;
  private final Set<String> ids = new HashSet<>();

  private StatementTable(TableProfile profile, Reading reading) {
    this.profile = profile;
    this.reading = reading;
  }

  /** One entry, its own account and the balance after it, where the file has them. */
  private record Line(String account, StatementEntry entry, Optional<Money> balance) {}

  /**
   * The statements, one for each account and currency.
   *
   * @param before what stands before the headings
   * @throws BrokenFile where a row cannot be read
   */
  static List<AccountStatement> read(
      TableProfile profile, List<TableRow> before, List<TableRow> rows, Reading reading)
      throws BrokenFile {
    var table = new StatementTable(profile, reading);
    var lines = new ArrayList<Line>(rows.size());
    for (var row : rows) {
      table.line(new ProfiledRow(profile, row, reading)).ifPresent(lines::add);
    }
    reading.requireSound();
    var statements = table.statements(lines, accountIn(before));
    reading.requireSound();
    return statements;
  }

  private Optional<Line> line(ProfiledRow row) {
    var booked = row.date(StatementFields.BOOKED);
    var value = row.date(StatementFields.VALUE);
    var currency = row.currency(StatementFields.CURRENCY, AMOUNTS);
    var id = row.text(StatementFields.ENTRY_ID);
    if (profile.has(StatementFields.ENTRY_ID)
        && !row.required(StatementFields.ENTRY_ID).isEmpty()
        && !ids.add(id)) {
      row.wrong(profile.heading(StatementFields.ENTRY_ID) + " " + id + " stands twice in the file");
    }
    if (currency.isEmpty() || booked.isEmpty() || !row.sound()) {
      return Optional.empty();
    }
    var amount = amount(row, currency.get());
    if (amount.isEmpty()) {
      return Optional.empty();
    }
    var entry =
        new StatementEntry(
            id,
            booked.get(),
            value.orElse(booked.get()),
            amount.get(),
            row.text(StatementFields.PAYER),
            row.text(StatementFields.PAYER_ACCOUNT),
            row.text(StatementFields.TEXT),
            row.text(StatementFields.REFERENCE),
            row.text(StatementFields.CHECK),
            "",
            status(row),
            false,
            Money.zero(currency.get()),
            List.of(),
            row.line());
    return Optional.of(
        new Line(row.text(StatementFields.ACCOUNT), entry, balance(row, currency.get())));
  }

  private Optional<Money> amount(ProfiledRow row, CurrencyUnit currency) {
    try {
      if (profile.has(StatementFields.AMOUNT)) {
        var amount = row.amount(StatementFields.AMOUNT, currency);
        return directed(row, profile.signsReversed() ? amount.negated() : amount);
      }
      var debit = side(row, StatementFields.DEBIT, currency);
      var credit = side(row, StatementFields.CREDIT, currency);
      if (!debit.isZero() && !credit.isZero()) {
        row.wrong(
            "the line has a debit of "
                + MoneyText.plain(debit)
                + " and a credit of "
                + MoneyText.plain(credit));
        return Optional.empty();
      }
      // a debit counts down whether or not the file gives it a sign
      return Optional.of(debit.isZero() ? credit : debit.abs().negated());
    } catch (IllegalArgumentException e) {
      row.wrong(
          (profile.has(StatementFields.AMOUNT)
                  ? profile.heading(StatementFields.AMOUNT) + ": "
                  : "")
              + e.getMessage());
      return Optional.empty();
    }
  }

  private static Money side(ProfiledRow row, TableField field, CurrencyUnit currency) {
    var cell = row.text(field);
    return cell.isEmpty() || cell.equals("-") ? Money.zero(currency) : row.amount(field, currency);
  }

  private Optional<Money> directed(ProfiledRow row, Money amount) {
    if (!profile.has(StatementFields.DIRECTION)) {
      return Optional.of(amount);
    }
    var word = row.text(StatementFields.DIRECTION).toLowerCase(Locale.ROOT);
    if (!profile.debitWords().isEmpty()) {
      return Optional.of(profile.debitWords().contains(word) ? amount.abs().negated() : amount);
    }
    if (CREDIT_WORDS.contains(word)) {
      return Optional.of(amount);
    }
    if (DEBIT_WORDS.contains(word)) {
      return Optional.of(amount.abs().negated());
    }
    row.wrong(
        profile.heading(StatementFields.DIRECTION)
            + " \""
            + FileAmount.shortened(word)
            + "\" says neither debit nor credit");
    return Optional.empty();
  }

  private Optional<Money> balance(ProfiledRow row, CurrencyUnit currency) {
    if (row.text(StatementFields.BALANCE).isEmpty()) {
      return Optional.empty();
    }
    try {
      return Optional.of(row.amount(StatementFields.BALANCE, currency));
    } catch (IllegalArgumentException e) {
      reading.odd(row.line(), profile.heading(StatementFields.BALANCE) + ": " + e.getMessage());
      return Optional.empty();
    }
  }

  private EntryStatus status(ProfiledRow row) {
    var word = row.text(StatementFields.STATUS).toLowerCase(Locale.ROOT);
    if (word.isEmpty() || BOOKED_WORDS.contains(word)) {
      return EntryStatus.BOOKED;
    }
    if (word.equals("information") || word.equals("info")) {
      return EntryStatus.INFORMATION;
    }
    if (!PENDING_WORDS.contains(word)) {
      reading.odd(
          row.line(),
          "the status \""
              + FileAmount.shortened(word)
              + "\" is neither booked nor pending; the entry is kept as pending");
    }
    return EntryStatus.PENDING;
  }

  private List<AccountStatement> statements(List<Line> lines, String named) throws BrokenFile {
    var groups = new LinkedHashMap<String, List<Line>>();
    for (var line : lines) {
      var account = line.account().isEmpty() ? named : line.account();
      groups
          .computeIfAbsent(
              account + "\n" + line.entry().amount().getCurrencyUnit(), k -> new ArrayList<>())
          .add(line);
    }
    var statements = new ArrayList<AccountStatement>();
    for (var group : groups.entrySet()) {
      var account = group.getKey().substring(0, group.getKey().lastIndexOf('\n'));
      var builder =
          new StatementBuilder(reading, false, Math.max(1, profile.headingLine()))
              .account(account)
              .partOfTheDays();
      for (var line : group.getValue()) {
        builder.add(line.entry());
      }
      RunningBalances.apply(
          group.getValue().stream().map(Line::entry).toList(),
          group.getValue().stream().map(Line::balance).toList(),
          builder,
          reading);
      statements.add(builder.build(group.getValue().get(0).entry().amount().getCurrencyUnit()));
    }
    return statements;
  }

  /** The account that is named before the headings, or the one IBAN there, or empty. */
  private static String accountIn(List<TableRow> before) {
    for (var row : before) {
      for (var n = 0; n + 1 < row.cells().size(); n++) {
        var figures = row.cell(n + 1).chars().filter(Character::isDigit).count();
        if (Subject.STATEMENT
                .meaning(Headings.plain(row.cell(n)))
                .filter(StatementFields.ACCOUNT::equals)
                .isPresent()
            && figures >= FEWEST_FIGURES) {
          return row.cell(n + 1);
        }
      }
    }
    var found = new HashSet<String>();
    for (var row : before) {
      for (var cell : row.cells()) {
        var matcher = IBAN.matcher(cell);
        while (matcher.find()) {
          var iban = matcher.group().replace(" ", "");
          if (Iban.parse(iban).isPresent()) {
            found.add(iban);
          }
        }
      }
    }
    return found.size() == 1 ? found.iterator().next() : "";
  }
}
