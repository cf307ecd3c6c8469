package org.sumbrel.core.propose;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.sumbrel.core.receivables.Customer;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.settle.Policy;

/**
 * Everything the engine knows of one company, as it stands at one moment.
 *
 * @param items all items it may speak of, settled ones included
 * @param choices what people took where another explanation stood first
 * @param settledOn the day on which a settled item was settled, by its id, where that is known
 */
public record Snapshot(
    List<? extends OpenItem> items,
    Map<String, LocalDate> settledOn,
    List<Customer> customers,
    List<Alias> aliases,
    List<PastPayer> history,
    List<PastChoice> choices,
    Policy policy) {

  /** Where nobody has chosen yet. */
  public Snapshot(
      List<? extends OpenItem> items,
      Map<String, LocalDate> settledOn,
      List<Customer> customers,
      List<Alias> aliases,
      List<PastPayer> history,
      Policy policy) {
    this(items, settledOn, customers, aliases, history, List.of(), policy);
  }

  public Snapshot {
    items = List.copyOf(items);
    settledOn = Map.copyOf(settledOn);
    customers = List.copyOf(customers);
    aliases = List.copyOf(aliases);
    history = List.copyOf(history);
    choices = List.copyOf(choices);
  }
}
