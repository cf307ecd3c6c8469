package org.sumbrel.server.changes;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.WeakHashMap;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Tells what was written since one looked last. The notes are numbered without gaps, but a
 * transaction that takes longer commits a lower number later: what is missing between the numbers
 * is looked for again, until no transaction can still be open that has it.
 */
@Component
public class RowChanges {

  private static final Duration LONGEST_TRANSACTION = Duration.ofHours(1);

  private final JdbcClient jdbc;

  /** All who may still read; whoever is kept by nobody else is forgotten here too. */
  private final Set<Reader> readers = Collections.newSetFromMap(new WeakHashMap<>());

  RowChanges(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** A reader of its own for whoever keeps something; what was written before it is not told. */
  public Reader reader() {
    var reader = new Reader();
    synchronized (readers) {
      readers.add(reader);
    }
    return reader;
  }

  /**
   * Forgets notes of the day before and earlier. Whoever has not looked since, as over a weekend,
   * is told at his next look that everything may be other.
   */
  @Scheduled(fixedDelayString = "PT6H")
  @Transactional
  public void forgetOld() {
    var last =
        jdbc.sql(
                "select coalesce(max(seq), 0) from row_change where noted_at < dateadd(day, -1, current_timestamp)")
            .query(Long.class)
            .single();
    synchronized (readers) {
      readers.forEach(reader -> reader.forgotten(last));
    }
    jdbc.sql("delete from row_change where seq <= :last").param("last", last).update();
  }

  /**
   * What was written since one looked last.
   *
   * @param everything whether any row may be other, so that all are to be read
   * @param rows ids of the rows that were written, by table
   */
  public record Told(boolean everything, Map<String, Set<Long>> rows) {

    /** The rows of one table. */
    public Set<Long> rows(String table) {
      return rows.getOrDefault(table, Set.of());
    }
  }

  private record Note(long seq, String table, long row) {}

  /** Numbers that were missing when a later one was read. */
  private record Missing(long from, long until, Instant since) {}

  /** Where one has read to. Not for two threads at once. */
  public final class Reader {

    private volatile long read = -1;
    private volatile long forgotten;
    private List<Missing> missing = new ArrayList<>();

    private Reader() {}

    /** The rows written since the last call; at the first one, and after too long, everything. */
    public Told next() {
      if (read < forgotten) {
        missing = new ArrayList<>();
        begin();
        return new Told(true, Map.of());
      }
      var changed = new HashMap<String, Set<Long>>();
      take(notes(read + 1, Long.MAX_VALUE), changed);
      lookAgain(changed);
      return new Told(false, changed);
    }

    private void forgotten(long last) {
      forgotten = Math.max(forgotten, last);
    }

    private void begin() {
      var old =
          jdbc.sql(
                  "select coalesce(max(seq), 0) from row_change where noted_at < dateadd(second, :before, current_timestamp)")
              .param("before", -LONGEST_TRANSACTION.toSeconds())
              .query(Long.class)
              .single();
      read = Math.max(old, forgotten);
      take(notes(read + 1, Long.MAX_VALUE), new HashMap<>());
    }

    private List<Note> notes(long from, long until) {
      return jdbc.sql(
              "select seq, what, row_id from row_change where seq between :from and :until order by seq")
          .param("from", from)
          .param("until", until)
          .query((row, n) -> new Note(row.getLong(1), row.getString(2), row.getLong(3)))
          .list();
    }

    private void take(List<Note> notes, Map<String, Set<Long>> changed) {
      for (var note : notes) {
        if (note.seq() > read + 1) {
          missing.add(new Missing(read + 1, note.seq() - 1, Instant.now()));
        }
        read = note.seq();
        changed.computeIfAbsent(note.table(), t -> new HashSet<>()).add(note.row());
      }
    }

    private void lookAgain(Map<String, Set<Long>> changed) {
      if (missing.isEmpty()) {
        return;
      }
      var still = new ArrayList<Missing>();
      var oldest = Instant.now().minus(LONGEST_TRANSACTION);
      for (var one : missing) {
        var from = one.from();
        for (var note : notes(one.from(), one.until())) {
          if (note.seq() > from) {
            still.add(new Missing(from, note.seq() - 1, one.since()));
          }
          from = note.seq() + 1;
          changed.computeIfAbsent(note.table(), t -> new HashSet<>()).add(note.row());
        }
        if (from <= one.until()) {
          still.add(new Missing(from, one.until(), one.since()));
        }
      }
      still.removeIf(m -> m.since().isBefore(oldest));
      missing = still;
    }
  }
}
