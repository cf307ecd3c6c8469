package org.sumbrel.server.durability;

import java.sql.SQLException;
import javax.sql.DataSource;
import org.h2.engine.SessionLocal;
import org.h2.jdbc.JdbcConnection;
import org.h2.mvstore.MVStore;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.stereotype.Component;
import org.sumbrel.server.SumbrelSettings;

/**
 * Forces what is committed to disk. The embedded database answers a commit when its changes are in
 * memory and writes them up to half a second later; {@link #force()} writes and forces them at
 * once, one write for all that were committed by then. A database in a server of its own does this
 * by itself, and one in memory has no disk: for these there is nothing to do.
 */
@Component
public class CommittedChanges {

  private final DataSource dataSource;
  private final GroupCommit group = new GroupCommit(this::write);
  private final boolean forced;
  private volatile MVStore store;

  CommittedChanges(DataSource dataSource, SumbrelSettings settings) {
    this.dataSource = dataSource;
    this.forced = settings.forcedCommits();
  }

  /**
   * Returns when everything that was committed before the call is on disk.
   *
   * @throws DataAccessResourceFailureException where it cannot be written, such as on a full disk
   */
  public void force() {
    if (forced) {
      group.force();
    }
  }

  private void write() {
    try {
      var open = openStore();
      if (open == null || open.getFileStore() == null || open.getFileStore().isReadOnly()) {
        return;
      }
      open.commit();
      // another thread may have begun to write these changes in the background: wait for it too
      open.executeFilestoreOperation(() -> {});
      open.sync();
    } catch (RuntimeException | SQLException e) {
      throw new DataAccessResourceFailureException(
          "What was changed could not be written to disk: " + e.getMessage(), e);
    }
  }

  /** The store of the embedded database, looked up again after it was closed; null without one. */
  private MVStore openStore() throws SQLException {
    var known = store;
    if (known != null && !known.isClosed()) {
      return known;
    }
    try (var connection = dataSource.getConnection()) {
      if (!connection.isWrapperFor(JdbcConnection.class)) {
        return null;
      }
      var session = connection.unwrap(JdbcConnection.class).getSession();
      store =
          session instanceof SessionLocal local
              ? local.getDatabase().getStore().getMvStore()
              : null;
      return store;
    }
  }
}
