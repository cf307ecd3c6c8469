package org.sumbrel.server;

import jakarta.persistence.EntityManager;
import java.util.List;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Inserts many rows in the transaction that is under way without keeping them in mind afterwards: a
 * file may bring a hundred thousand, and whatever is kept is gone through again and again.
 */
@Component
public class ManyRows {

  private final EntityManager entities;

  ManyRows(EntityManager entities) {
    this.entities = entities;
  }

  /** Inserts the rows, and all that was to be written before; each has its id afterwards. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void insert(List<?> rows) {
    if (!rows.isEmpty()) {
      rows.forEach(entities::persist);
      entities.flush();
      rows.forEach(entities::detach);
    }
  }
}
