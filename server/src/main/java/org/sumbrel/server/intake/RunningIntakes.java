package org.sumbrel.server.intake;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Which intakes run now and how far they are. Each look and each note is a transaction of its own,
 * so that others see it while the intake itself is not kept yet.
 */
@Component
class RunningIntakes {

  private static final Duration FORGOTTEN = Duration.ofDays(1);

  private final JdbcClient jdbc;
  private final TransactionTemplate beside;
  private final Clock clock;

  RunningIntakes(JdbcClient jdbc, PlatformTransactionManager transactions, Clock clock) {
    this.jdbc = jdbc;
    this.beside = new TransactionTemplate(transactions);
    this.beside.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
    this.clock = clock;
  }

  /**
   * How far one is.
   *
   * @param phase READING or KEEPING
   * @param done records so far
   * @param total records in all; 0 while it is not known
   */
  record Progress(String phase, long done, long total) {}

  void begin(String id, String fileName, String by) {
    beside.executeWithoutResult(
        t -> {
          // what a process that was killed has left
          jdbc.sql("delete from running_intake where started_at < :before")
              .param("before", Timestamp.from(clock.instant().minus(FORGOTTEN)))
              .update();
          jdbc.sql(
                  """
                  insert into running_intake (id, file_name, started_by, started_at, phase, done, total, stop_asked)
                  values (:id, :name, :by, :at, 'READING', 0, 0, false)
                  """)
              .param("id", id)
              .param("name", fileName)
              .param("by", by)
              .param("at", Timestamp.from(clock.instant()))
              .update();
        });
  }

  void end(String id) {
    beside.executeWithoutResult(
        t -> jdbc.sql("delete from running_intake where id = :id").param("id", id).update());
  }

  /** Notes how far one is; whether somebody asked to stop it. */
  boolean note(String id, Progress progress) {
    return Boolean.TRUE.equals(
        beside.execute(
            t -> {
              jdbc.sql(
                      "update running_intake set phase = :phase, done = :done, total = :total where id = :id")
                  .param("phase", progress.phase())
                  .param("done", progress.done())
                  .param("total", progress.total())
                  .param("id", id)
                  .update();
              return jdbc.sql("select stop_asked from running_intake where id = :id")
                  .param("id", id)
                  .query(Boolean.class)
                  .optional()
                  .orElse(false);
            }));
  }

  Optional<Progress> progress(String id) {
    return jdbc.sql("select phase, done, total from running_intake where id = :id")
        .param("id", id)
        .query(
            (row, n) ->
                new Progress(row.getString("phase"), row.getLong("done"), row.getLong("total")))
        .optional();
  }

  /** Asks one to stop; whether there is one. */
  boolean stop(String id) {
    return Boolean.TRUE.equals(
        beside.execute(
            t ->
                jdbc.sql("update running_intake set stop_asked = true where id = :id")
                        .param("id", id)
                        .update()
                    > 0));
  }
}
