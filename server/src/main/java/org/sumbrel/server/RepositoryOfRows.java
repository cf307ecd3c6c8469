package org.sumbrel.server;

import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import org.hibernate.Session;
import org.springframework.data.jpa.repository.support.JpaEntityInformation;
import org.springframework.data.jpa.repository.support.SimpleJpaRepository;

/**
 * What all repositories are made of. Rows are read by many ids with one statement that is the same
 * for any number of them, so that it is prepared once, and what the transaction has read already is
 * not read again; the usual way writes another query for each number of ids and flushes before it.
 */
public class RepositoryOfRows<T, K> extends SimpleJpaRepository<T, K> {

  private final Class<T> type;
  private final Session session;

  /** As Spring Data makes one. */
  public RepositoryOfRows(JpaEntityInformation<T, ?> entity, EntityManager entities) {
    super(entity, entities);
    this.type = entity.getJavaType();
    this.session = entities.unwrap(Session.class);
  }

  @Override
  public List<T> findAllById(Iterable<K> ids) {
    var some = new LinkedHashSet<K>();
    ids.forEach(some::add);
    if (some.isEmpty()) {
      return List.of();
    }
    return session
        .byMultipleIds(type)
        .enableSessionCheck(true)
        .enableOrderedReturn(false)
        .multiLoad(new ArrayList<>(some))
        .stream()
        .filter(Objects::nonNull)
        .toList();
  }
}
