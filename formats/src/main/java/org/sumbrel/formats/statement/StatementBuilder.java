package org.sumbrel.formats.statement;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.statement.AccountStatement.Balance;

/** A statement as a reader finds it, piece by piece; sees to ids and to its own arithmetic. */
public final class StatementBuilder {

  private final Reading reading;
  private final boolean idsAreUnique;
  private final int line;
  private final List<StatementEntry> entries = new ArrayList<>();
  private final Map<String, StatementEntry> byId = new HashMap<>();
  private final Fingerprints fingerprints = new Fingerprints();

  private String account = "";
  private String number = "";
  private Integer sequence;
  private LocalDate from;
  private LocalDate until;
  private boolean whole = true;
  private Balance opening;
  private Balance closing;

  /**
   * @param idsAreUnique whether the format's standard gives each movement an id of its own, so that
   *     the same id again is the same movement
   * @param line where the statement begins
   */
  public StatementBuilder(Reading reading, boolean idsAreUnique, int line) {
    this.reading = reading;
    this.idsAreUnique = idsAreUnique;
    this.line = line;
  }

  public StatementBuilder account(String number) {
    account = number;
    return this;
  }

  public String account() {
    return account;
  }

  public StatementBuilder number(String text) {
    number = text;
    return this;
  }

  public StatementBuilder sequence(int running) {
    sequence = running;
    return this;
  }

  public StatementBuilder from(LocalDate day) {
    from = day;
    return this;
  }

  public StatementBuilder until(LocalDate day) {
    until = day;
    return this;
  }

  public StatementBuilder partOfTheDays() {
    whole = false;
    return this;
  }

  public StatementBuilder opening(LocalDate day, Money amount) {
    opening = new Balance(day, amount);
    return this;
  }

  public StatementBuilder closing(LocalDate day, Money amount) {
    closing = new Balance(day, amount);
    return this;
  }

  public Optional<Balance> closing() {
    return Optional.ofNullable(closing);
  }

  public int size() {
    return entries.size();
  }

  /**
   * One more entry; where its id is empty it gets a fingerprint.
   *
   * @throws BrokenFile where there are too many
   */
  public void add(StatementEntry entry) throws BrokenFile {
    reading.record(entry.line());
    var named = entry.entryId().isEmpty() ? entry.called(fingerprints.of(account, entry)) : entry;
    var twin = byId.putIfAbsent(named.entryId(), named);
    if (twin == null) {
      entries.add(named);
      return;
    }
    var same =
        twin.amount().equals(named.amount()) && twin.bookingDate().equals(named.bookingDate());
    if (same && idsAreUnique) {
      reading.odd(
          named.line(),
          "the entry "
              + named.entryId()
              + " of line "
              + twin.line()
              + " stands here again; counted once");
      return;
    }
    if (idsAreUnique) {
      reading.odd(
          named.line(),
          "the id "
              + named.entryId()
              + " of line "
              + twin.line()
              + " is given to another entry here");
    }
    keepApart(named);
  }

  /** The id with the day and the amount, and a count where that stands already. */
  private void keepApart(StatementEntry entry) {
    var stem = entry.entryId() + "#" + entry.bookingDate() + "#" + MoneyText.plain(entry.amount());
    var id = stem;
    for (var n = 2; byId.containsKey(id); n++) {
      id = stem + "#" + n;
    }
    var apart = entry.called(id);
    byId.put(id, apart);
    entries.add(apart);
  }

  /** The statement, after its own arithmetic was looked at. */
  public AccountStatement build(CurrencyUnit currency) {
    var statement =
        new AccountStatement(
            account,
            currency,
            number,
            Optional.ofNullable(sequence),
            Optional.ofNullable(from),
            Optional.ofNullable(until),
            whole,
            Optional.ofNullable(opening),
            Optional.ofNullable(closing),
            entries);
    checkBalances(statement);
    return statement;
  }

  private void checkBalances(AccountStatement statement) {
    if (opening == null || closing == null || !reading.sound()) {
      return;
    }
    var movements = statement.movements();
    var off = closing.amount().minus(opening.amount()).minus(movements);
    if (!off.isZero()) {
      reading.odd(
          line,
          "the statement"
              + (account.isEmpty() ? "" : " of " + account)
              + " opens with "
              + MoneyText.grouped(opening.amount())
              + ", its booked entries come to "
              + MoneyText.grouped(movements)
              + ", but it closes with "
              + MoneyText.grouped(closing.amount())
              + "; they are off by "
              + MoneyText.grouped(off));
    }
  }
}
