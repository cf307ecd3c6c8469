package org.sumbrel.server.access;

import java.util.Collection;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * Lets nobody at what belongs to a company in which he does not work: the one place that every call
 * goes through, with all it names in its path, its parameters and its body.
 */
@Component
class CompanyGate {

  private final JdbcClient jdbc;

  CompanyGate(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * That whoever calls may have this.
   *
   * @param reading whether he only looks at it: what is in the books of several companies may be
   *     seen from each of them, and changed by whoever works in all
   */
  void require(OwnedThing thing, Collection<Long> ids, boolean reading) {
    var membership = Membership.current();
    if (membership.everywhere()) {
      return;
    }
    for (var id : ids) {
      var companies = companiesOf(thing, id);
      var own = companies.stream().filter(membership::in).count();
      // what is not there is answered as such further in
      if (!companies.isEmpty() && (reading ? own == 0 : own < companies.size())) {
        throw Membership.refused(
            "You do not work in the company whose this is; ask the administrator.");
      }
    }
  }

  private List<Long> companiesOf(OwnedThing thing, Long id) {
    return jdbc.sql(thing.companies()).param("id", id).query(Long.class).list();
  }

  /** That whoever calls works in all companies, where the answer is about all of them. */
  void requireEverywhere() {
    if (!Membership.current().everywhere()) {
      throw Membership.refused("This is about all companies, and you work in some of them only.");
    }
  }
}
