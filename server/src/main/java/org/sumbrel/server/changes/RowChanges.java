package org.sumbrel.server.changes;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
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

  RowChanges(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** A reader of its own for whoever keeps something; what was written before it is not told. */
  public Reader reader() {
    return new Reader();
  }

  /** Notes that every reader has had long since. */
  @Scheduled(fixedDelayString = "PT6H")
  @Transactional
  public void forgetOld() {
    jdbc.sql("delete from row_change where noted_at < dateadd(day, -1, current_timestamp)")
        .update();
  }

  private record Note(long seq, String table, long row) {}

  /** Numbers that were missing when a later one was read. */
  private record Missing(long from, long until, Instant since) {}

  /** Where one has read to. Not for two threads at once. */
  public final class Reader {

    private long read = -1;
    private List<Missing> missing = new ArrayList<>();

    private Reader() {}

    /**
     * The rows written since the last call, by table; nothing at the first call, after which one
     * reads everything.
     */
    public Map<String, Set<Long>> next() {
      if (read < 0) {
        begin();
        return Map.of();
      }
      var changed = new HashMap<String, Set<Long>>();
      take(notes(read + 1, Long.MAX_VALUE), changed);
      lookAgain(changed);
      return changed;
    }

    private void begin() {
      read =
          jdbc.sql(
                  "select coalesce(max(seq), 0) from row_change where noted_at < dateadd(second, :before, current_timestamp)")
              .param("before", -LONGEST_TRANSACTION.toSeconds())
              .query(Long.class)
              .single();
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
