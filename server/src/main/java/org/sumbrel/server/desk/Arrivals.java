package org.sumbrel.server.desk;

import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.PrimitiveIterator;
import java.util.Set;
import java.util.function.LongConsumer;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.dao.CannotAcquireLockException;
import org.springframework.jdbc.core.BatchPreparedStatementSetter;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.intake.KnownMovement;
import org.sumbrel.core.intake.Movement;
import org.sumbrel.core.propose.Standing;
import org.sumbrel.formats.statement.StatementEntry;
import org.sumbrel.server.desk.BankEntryEntity.Status;

/**
 * Reads and writes entries as they arrive, many at a time and past the entities, because a file may
 * bring a hundred thousand.
 */
@Service
@Transactional(propagation = Propagation.MANDATORY)
public class Arrivals {

  private static final int CHUNK = 1_000;
  private static final int BATCH = 1_000;

  /** Rows of one statement, and statements of one batch. */
  private static final int ROWS = 50;

  private static final int STATEMENTS = 20;

  /** Parameters of one row. */
  private static final int COLUMNS = 18;

  /** How many ids one step of the sequence stands for, as the entity's generator has it. */
  private static final int STEP = 50;

  /** The beginning of a text is enough to tell whether two are alike. */
  private static final int TOLD = 400;

  private static final int LONGEST_BANK_TEXT = 500;

  /** As often as a lock is waited for; four seconds each. */
  private static final int MOST_ATTEMPTS = 30;

  private final JdbcTemplate jdbc;
  private final JdbcClient client;

  Arrivals(JdbcTemplate jdbc, JdbcClient client) {
    this.jdbc = jdbc;
    this.client = client;
  }

  /**
   * Keeps others from taking in entries of the account until the end of the transaction: what they
   * bring at the same moment is held against what this one brings.
   */
  public void hold(Long bankAccountId) {
    for (var attempt = 1; ; attempt++) {
      try {
        client
            .sql("select id from bank_account where id = :account for update")
            .param("account", bankAccountId)
            .query(Long.class)
            .single();
        return;
      } catch (CannotAcquireLockException e) {
        // a large file takes longer than anybody waits for a lock elsewhere
        if (attempt == MOST_ATTEMPTS) {
          throw e;
        }
      }
    }
  }

  /** The account's entries booked or announced between two days, with all their ids. */
  public List<KnownMovement> known(Long bankAccountId, LocalDate from, LocalDate until) {
    Map<Long, Set<String>> otherIds = new HashMap<>();
    client
        .sql(
            """
            select k.entry_id, k.entry_key from bank_entry_key k join bank_entry e on e.id = k.entry_id
            where e.bank_account_id = :account and e.booked_on between :from and :until
            """)
        .param("account", bankAccountId)
        .param("from", from)
        .param("until", until)
        .query(
            row -> {
              otherIds
                  .computeIfAbsent(row.getLong("entry_id"), i -> new HashSet<>())
                  .add(row.getString("entry_key"));
            });
    return client
        .sql(
            """
            select id, entry_key, booked_on, value_on, currency, amount_minor, status, payer_name,
              substring(remittance, 1, :most) as said
            from bank_entry where bank_account_id = :account and booked_on between :from and :until order by id
            """)
        .param("most", TOLD)
        .param("account", bankAccountId)
        .param("from", from)
        .param("until", until)
        .query(
            (row, n) -> {
              var id = row.getLong("id");
              var key = row.getString("entry_key");
              var ids = otherIds.getOrDefault(id, new HashSet<>());
              ids.add(key);
              var colon = key.indexOf(':');
              var status = Status.valueOf(row.getString("status"));
              var own = key.substring(colon + 1);
              return new KnownMovement(
                  id,
                  ids,
                  new Movement(
                      key.substring(0, colon),
                      own,
                      !own.startsWith(StatementEntry.FINGERPRINT),
                      row.getObject("booked_on", LocalDate.class),
                      row.getObject("value_on", LocalDate.class),
                      Money.ofMinor(
                          CurrencyUnit.of(row.getString("currency")), row.getLong("amount_minor")),
                      status != Status.PENDING,
                      row.getString("payer_name") + " " + row.getString("said")),
                  status == Status.WITHDRAWN);
            })
        .list();
  }

  /** Those of the keys that an entry of the account has, whenever it was booked. */
  public Set<String> taken(Long bankAccountId, Collection<String> keys) {
    var taken = new HashSet<String>();
    var all = List.copyOf(keys);
    for (var from = 0; from < all.size(); from += CHUNK) {
      var chunk = all.subList(from, Math.min(all.size(), from + CHUNK));
      taken.addAll(taken("bank_entry", bankAccountId, chunk));
      taken.addAll(taken("bank_entry_key", bankAccountId, chunk));
    }
    return taken;
  }

  /**
   * Asks for each key by itself, which the database answers from the index of both columns; for "in
   * (...)" and for a join it goes through all rows of the account.
   */
  private List<String> taken(String table, Long bankAccountId, List<String> keys) {
    var values =
        keys.stream().map(k -> "(cast(? as varchar(320)))").collect(Collectors.joining(", "));
    var parameters = new ArrayList<Object>(keys);
    parameters.add(bankAccountId);
    return jdbc.queryForList(
        "select v.k from (values "
            + values
            + ") as v (k) where exists (select 1 from "
            + table
            + " t where t.bank_account_id = ? and t.entry_key = v.k)",
        String.class,
        parameters.toArray());
  }

  /** One more id of an entry that is known. */
  public record OtherId(Long entryId, String key) {}

  /** Keeps what another format calls entries that are known. */
  public void call(Long bankAccountId, List<OtherId> others) {
    jdbc.batchUpdate(
        "insert into bank_entry_key (bank_account_id, entry_key, entry_id) values (?, ?, ?)",
        others,
        BATCH,
        (row, other) -> {
          row.setLong(1, bankAccountId);
          row.setString(2, other.key());
          row.setLong(3, other.entryId());
        });
  }

  /** An entry that is new, everything it says as one text, and the key it gets. */
  public record Fresh(StatementEntry entry, String words, String key) {

    public Fresh called(String otherKey) {
      return new Fresh(entry, words, otherKey);
    }
  }

  /**
   * Adds entries that are new.
   *
   * @param told how many are added so far, again and again
   */
  public void add(
      Long companyId, Long bankAccountId, Long intakeId, List<Fresh> fresh, LongConsumer told) {
    if (fresh.isEmpty()) {
      return;
    }
    var ids = ids(fresh.size());
    var whole = fresh.size() - fresh.size() % ROWS;
    for (var from = 0; from < whole; from += ROWS * STATEMENTS) {
      var until = Math.min(whole, from + ROWS * STATEMENTS);
      told.accept(from);
      insert(companyId, bankAccountId, intakeId, ids, fresh.subList(from, until), ROWS);
    }
    insert(companyId, bankAccountId, intakeId, ids, fresh.subList(whole, fresh.size()), 1);
  }

  /** Many rows in one statement cost the database less than as many statements. */
  private void insert(
      Long companyId,
      Long bankAccountId,
      Long intakeId,
      PrimitiveIterator.OfLong ids,
      List<Fresh> fresh,
      int rows) {
    var row = "(" + "?, ".repeat(COLUMNS) + "0)";
    jdbc.batchUpdate(
        """
        insert into bank_entry (id, company_id, bank_account_id, intake_id, entry_key, booked_on, value_on, currency,
          amount_minor, payer_name, payer_account, remittance, bank_reference, check_number, bank_text, told, status,
          standing_rank, version) values\s"""
            + String.join(", ", Collections.nCopies(rows, row)),
        new BatchPreparedStatementSetter() {
          @Override
          public void setValues(PreparedStatement statement, int n) throws SQLException {
            for (var k = 0; k < rows; k++) {
              var at = k * COLUMNS;
              var one = fresh.get(n * rows + k);
              statement.setLong(at + 1, ids.nextLong());
              statement.setLong(at + 2, companyId);
              statement.setLong(at + 3, bankAccountId);
              statement.setLong(at + 4, intakeId);
              statement.setString(at + 5, one.key());
              set(statement, at, one);
            }
          }

          @Override
          public int getBatchSize() {
            return fresh.size() / rows;
          }
        });
  }

  private static void set(PreparedStatement row, int at, Fresh fresh) throws SQLException {
    var entry = fresh.entry();
    row.setObject(at + 6, entry.bookingDate());
    row.setObject(at + 7, entry.valueDate());
    row.setString(at + 8, entry.amount().getCurrencyUnit().getCode());
    row.setLong(at + 9, entry.amount().getAmountMinorLong());
    row.setString(at + 10, entry.payerName());
    row.setString(at + 11, entry.payerAccount());
    row.setString(at + 12, fresh.words());
    row.setString(at + 13, entry.bankReference());
    row.setString(at + 14, entry.checkNumber());
    row.setString(at + 15, cut(entry.bankText()));
    row.setString(at + 16, ToldEntry.written(entry));
    row.setString(
        at + 17,
        entry.booked() ? BankEntryEntity.statusOf(entry.amount()).name() : Status.PENDING.name());
    row.setInt(at + 18, Standing.BLANK.ordinal());
  }

  /**
   * Removes what an intake brought and nobody has settled: its entries with all that hangs on them;
   * those that were announced before are announced again.
   */
  public void remove(Long intakeId) {
    client
        .sql(
            """
            update bank_entry set status = 'PENDING', intake_id = announced_intake_id, announced_intake_id = null,
              standing_rank = :blank, version = version + 1
            where intake_id = :intake and announced_intake_id is not null
            """)
        .param("blank", Standing.BLANK.ordinal())
        .param("intake", intakeId)
        .update();
    for (var table : List.of("proposal", "bank_entry_key")) {
      client
          .sql(
              "delete from "
                  + table
                  + " where entry_id in (select id from bank_entry where intake_id = :intake)")
          .param("intake", intakeId)
          .update();
    }
    client
        .sql("delete from bank_entry where intake_id = :intake")
        .param("intake", intakeId)
        .update();
  }

  /** The bank's own words are no part of what is paid; their beginning is enough. */
  static String cut(String bankText) {
    return bankText.length() <= LONGEST_BANK_TEXT
        ? bankText
        : bankText.substring(0, LONGEST_BANK_TEXT);
  }

  /** So many ids, from blocks of the entity's sequence; each of its values ends a block. */
  private PrimitiveIterator.OfLong ids(int count) {
    // the very first value of the sequence may stand for one id only
    var blocks = count / STEP + 2;
    return client
        .sql("select next value for bank_entry_seq from system_range(1, :blocks)")
        .param("blocks", blocks)
        .query(Long.class)
        .list()
        .stream()
        .sorted()
        .flatMapToLong(last -> LongStream.rangeClosed(Math.max(1, last - STEP + 1), last))
        .iterator();
  }
}
