package org.sumbrel.server.changes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.h2.jdbcx.JdbcDataSource;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;

/** What is kept in memory is what the database has, whoever wrote it and however long it took. */
class ShelfTest {

  private record Thing(long id, int rank) {}

  private static final Comparator<Thing> BY_RANK =
      Comparator.comparing(Thing::rank).thenComparing(Thing::id);

  private final JdbcDataSource database = new JdbcDataSource();
  private JdbcClient jdbc;
  private RowChanges changes;
  private boolean broken;

  @BeforeEach
  void tablesWithTrigger() {
    database.setUrl("jdbc:h2:mem:" + UUID.randomUUID() + ";DB_CLOSE_DELAY=-1");
    jdbc = JdbcClient.create(database);
    changes = new RowChanges(jdbc);
    for (var sql :
        List.of(
            "create table row_change (seq bigint generated always as identity primary key, what varchar(30) not null,"
                + " row_id bigint not null, noted_at timestamp with time zone default current_timestamp not null)",
            "create table thing (id bigint primary key, rank_ int not null)",
            "create trigger thing_changes after insert, update, delete on thing for each row call '"
                + RowTrigger.class.getName()
                + "'")) {
      jdbc.sql(sql).update();
    }
  }

  private Shelf<Thing> shelf() {
    return new Shelf<>(
        changes,
        "thing",
        Thing::id,
        BY_RANK,
        new Shelf.Source<>() {
          @Override
          public List<Thing> all() {
            return things("");
          }

          @Override
          public List<Thing> some(Collection<Long> ids) {
            return ids.stream().flatMap(id -> things(" where id = " + id).stream()).toList();
          }
        });
  }

  private List<Thing> things(String some) {
    if (broken) {
      throw new IllegalStateException("the database is away");
    }
    return jdbc.sql("select id, rank_ from thing" + some)
        .query((row, n) -> new Thing(row.getLong(1), row.getInt(2)))
        .list();
  }

  private List<Thing> inDatabase() {
    return things("").stream().sorted(BY_RANK).toList();
  }

  private static void run(Connection connection, String sql) throws SQLException {
    try (var statement = connection.createStatement()) {
      statement.execute(sql);
    }
  }

  private static String anyWrite(Random random) {
    var id = random.nextInt(60);
    return switch (random.nextInt(4)) {
      case 0 -> "delete from thing where id = " + id;
      case 1 -> "update thing set rank_ = " + random.nextInt(9) + " where id = " + id;
      case 2 -> "update thing set rank_ = rank_ + 1 where rank_ = " + random.nextInt(9);
      default -> "merge into thing key (id) values (" + id + ", " + random.nextInt(9) + ")";
    };
  }

  @Test
  void isWhatTheDatabaseHasAfterAnyWrites() throws SQLException {
    var random = new Random(20_260_529);
    var shelf = shelf();
    try (var connection = database.getConnection()) {
      for (var round = 0; round < 400; round++) {
        connection.setAutoCommit(false);
        for (var n = random.nextInt(4); n >= 0; n--) {
          run(connection, anyWrite(random));
        }
        if (random.nextInt(5) == 0) {
          connection.rollback();
        } else {
          connection.commit();
        }
        assertThat(shelf.look().rows()).isEqualTo(inDatabase());
        for (var thing : inDatabase()) {
          assertThat(shelf.row(thing.id())).contains(thing);
        }
      }
    }
    assertThat(shelf.row(1_000)).isEmpty();
  }

  /** A transaction that began first and ends last has the lower numbers. */
  @Test
  void seesWhatALongTransactionCommitsLater() throws SQLException {
    try (var slow = database.getConnection();
        var quick = database.getConnection()) {
      slow.setAutoCommit(false);
      run(slow, "insert into thing values (1, 5)");
      var shelf = shelf();
      assertThat(shelf.look().rows()).isEmpty();
      for (var n = 2; n < 6; n++) {
        run(quick, "insert into thing values (" + n + ", 1)");
        run(slow, "update thing set rank_ = rank_ + 1 where id = 1");
      }
      assertThat(shelf.look().rows()).hasSize(4);
      assertThat(shelf.look().rows()).hasSize(4);
      var begunWhileItRan = shelf();
      assertThat(begunWhileItRan.look().rows()).hasSize(4);
      slow.commit();
      assertThat(shelf.look().rows()).isEqualTo(inDatabase()).hasSize(5);
      assertThat(begunWhileItRan.look().rows()).isEqualTo(inDatabase());
    }
  }

  @Test
  void readsEverythingAgainAfterAReadThatFailed() {
    var shelf = shelf();
    jdbc.sql("insert into thing values (1, 1)").update();
    shelf.look();
    jdbc.sql("insert into thing values (2, 1)").update();
    broken = true;
    assertThatThrownBy(shelf::look).hasMessage("the database is away");
    broken = false;
    assertThat(shelf.look().rows()).isEqualTo(inDatabase()).hasSize(2);
  }

  @Test
  void arrangesTheRowsOfOneMomentOnce() {
    jdbc.sql("insert into thing values (1, 1), (2, 7)").update();
    var look = shelf().look();
    List<Thing> high =
        look.arranged("high", rows -> rows.stream().filter(t -> t.rank() > 5).toList());
    assertThat(high).containsExactly(new Thing(2, 7));
    assertThat(look.<List<Thing>>arranged("high", rows -> List.of())).isSameAs(high);
  }

  @Test
  void forgetsNotesThatEveryReaderHasHad() {
    var reader = changes.reader();
    reader.next();
    jdbc.sql("insert into thing values (1, 1)").update();
    jdbc.sql("update row_change set noted_at = dateadd(day, -2, current_timestamp)").update();
    jdbc.sql("insert into thing values (2, 1)").update();
    assertThat(reader.next().rows()).isEqualTo(Map.of("thing", Set.of(1L, 2L)));
    changes.forgetOld();
    assertThat(jdbc.sql("select row_id from row_change").query(Long.class).list())
        .containsExactly(2L);
    assertThat(reader.next().rows()).isEmpty();
    assertThat(shelf().look().rows()).hasSize(2);
  }

  /** As on a Monday: what was noted on Saturday is forgotten before anybody looks. */
  @Test
  void readsEverythingAgainWhereNotesWereForgottenMeanwhile() {
    var shelf = shelf();
    jdbc.sql("insert into thing values (1, 10), (2, 20)").update();
    assertThat(shelf.look().rows()).isEqualTo(inDatabase());
    jdbc.sql("update thing set rank_ = 5 where id = 2").update();
    jdbc.sql("insert into thing values (3, 7)").update();
    jdbc.sql("update row_change set noted_at = dateadd(day, -2, current_timestamp)").update();
    changes.forgetOld();
    assertThat(jdbc.sql("select count(*) from row_change").query(Long.class).single()).isZero();
    assertThat(shelf.look().rows()).isEqualTo(inDatabase());
    // and follows from there on
    jdbc.sql("delete from thing where id = 1").update();
    assertThat(shelf.look().rows()).isEqualTo(inDatabase());
    var reader = changes.reader();
    assertThat(reader.next().everything()).isTrue();
    assertThat(reader.next().everything()).isFalse();
  }
}
