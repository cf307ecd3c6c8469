package org.sumbrel.server.check;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import org.springframework.core.NestedExceptionUtils;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.sumbrel.server.SumbrelSettings;
import org.sumbrel.server.api.Conflict;

/** Copies the database into one file while it is in use, as of one moment. */
@Component
class Backups {

  private static final DateTimeFormatter MOMENT =
      DateTimeFormatter.ofPattern("yyyy-MM-dd-HHmm", Locale.ROOT);

  private final JdbcClient jdbc;
  private final SumbrelSettings settings;
  private final Clock clock;

  Backups(JdbcClient jdbc, SumbrelSettings settings, Clock clock) {
    this.jdbc = jdbc;
    this.settings = settings;
    this.clock = clock;
  }

  /** How the file is called. */
  String name() {
    return "sumbrel-backup-" + MOMENT.format(LocalDateTime.now(clock)) + ".zip";
  }

  /**
   * Makes the file beside the database, to be deleted by whoever has taken it.
   *
   * @throws Conflict where it cannot be written; the database goes on as before
   */
  Path make() throws IOException {
    Path file = null;
    try {
      file = Files.createTempFile(Path.of(settings.data()).toAbsolutePath(), "backup-", ".zip");
      jdbc.sql("backup to '" + file.toString().replace("'", "''") + "'").update();
      return file;
    } catch (IOException | DataAccessException e) {
      if (file != null) {
        Files.deleteIfExists(file);
      }
      throw new Conflict(
          "NO_BACKUP",
          "The backup could not be written: "
              + NestedExceptionUtils.getMostSpecificCause(e).getMessage()
              + ". Nothing is lost; is the disk full, or the folder read-only?");
    }
  }
}
