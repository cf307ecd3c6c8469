package org.sumbrel.server.desk;

import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import org.sumbrel.core.propose.Alias;
import org.sumbrel.core.propose.PastChoice;
import org.sumbrel.core.propose.PastPayer;
import org.sumbrel.core.propose.Snapshot;
import org.sumbrel.core.receivables.Customer;
import org.sumbrel.core.settle.Policy;
import org.sumbrel.server.customers.OpenItemEntity;

/** The books of one currency as the engine reads them. */
public final class EngineBooks {

  private EngineBooks() {}

  /** Puts together what was read from rows. */
  public static Snapshot of(
      Collection<OpenItemEntity> items,
      Collection<Customer> customers,
      Collection<Alias> aliases,
      Collection<PastPayer> past,
      Collection<PastChoice> chosen,
      Policy policy) {
    var settledOn = new HashMap<String, LocalDate>();
    for (var item : items) {
      if (item.settledOn() != null) {
        settledOn.put(item.id().toString(), item.settledOn());
      }
    }
    return new Snapshot(
        items.stream().map(OpenItemEntity::toItem).toList(),
        settledOn,
        List.copyOf(customers),
        List.copyOf(aliases),
        List.copyOf(past),
        List.copyOf(chosen),
        policy);
  }
}
