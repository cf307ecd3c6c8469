package org.sumbrel.core.propose;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.sumbrel.core.receivables.Customer;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.receivables.RemittanceAdvice;

/**
 * What happened since the last look, put together as it is found: the difference between two
 * snapshots, and between what waited at each.
 */
public final class Change {

  private final List<Customer> customers = new ArrayList<>();
  private final Map<String, OpenItem> items = new LinkedHashMap<>();
  private final Map<String, LocalDate> settledOn = new HashMap<>();
  private final Set<String> itemsGone = new HashSet<>();
  private final List<Alias> aliases = new ArrayList<>();
  private final List<Alias> aliasesGone = new ArrayList<>();
  private final List<PastPayer> past = new ArrayList<>();
  private final List<PastPayer> pastGone = new ArrayList<>();
  private final List<PastChoice> choices = new ArrayList<>();
  private final List<PastChoice> choicesGone = new ArrayList<>();
  private final Map<String, Receipt> receipts = new LinkedHashMap<>();
  private final Set<String> receiptsGone = new HashSet<>();
  private final Map<String, Optional<RemittanceAdvice>> advices = new HashMap<>();

  /** A customer who is new. */
  public Change customer(Customer customer) {
    customers.add(customer);
    return this;
  }

  /**
   * An item as it stands now, known before or not.
   *
   * @param settled the day on which it was settled, where it is and that is known
   */
  public Change item(OpenItem item, Optional<LocalDate> settled) {
    items.put(item.id(), item);
    settled.ifPresent(day -> settledOn.put(item.id(), day));
    return this;
  }

  /** An item that is no longer there. */
  public Change itemGone(String id) {
    itemsGone.add(id);
    return this;
  }

  /** An alias that is held to from now on. */
  public Change alias(Alias alias) {
    aliases.add(alias);
    return this;
  }

  /** An alias that no longer is. */
  public Change aliasGone(Alias alias) {
    aliasesGone.add(alias);
    return this;
  }

  /** Who was behind a receipt that somebody settled. */
  public Change past(PastPayer payment) {
    past.add(payment);
    return this;
  }

  /** A payment that no longer counts. */
  public Change pastGone(PastPayer payment) {
    pastGone.add(payment);
    return this;
  }

  /** That somebody took another explanation than the first. */
  public Change choice(PastChoice choice) {
    choices.add(choice);
    return this;
  }

  /** A choice that no longer counts. */
  public Change choiceGone(PastChoice choice) {
    choicesGone.add(choice);
    return this;
  }

  /** A receipt that waits now and did not, or is not what it was. */
  public Change receipt(Receipt receipt) {
    receipts.put(receipt.id(), receipt);
    return this;
  }

  /** A receipt that no longer waits. */
  public Change receiptGone(String id) {
    receiptsGone.add(id);
    return this;
  }

  /** What the payer of a receipt says of it now. */
  public Change advice(String receiptId, Optional<RemittanceAdvice> advice) {
    advices.put(receiptId, advice);
    return this;
  }

  /** How many receipts came. */
  public int receiptCount() {
    return receipts.size();
  }

  /** Whether nothing happened. */
  public boolean isEmpty() {
    return customers.isEmpty()
        && items.isEmpty()
        && itemsGone.isEmpty()
        && aliases.isEmpty()
        && aliasesGone.isEmpty()
        && past.isEmpty()
        && pastGone.isEmpty()
        && choices.isEmpty()
        && choicesGone.isEmpty()
        && receipts.isEmpty()
        && receiptsGone.isEmpty()
        && advices.isEmpty();
  }

  List<Customer> customers() {
    return customers;
  }

  List<OpenItem> items() {
    return List.copyOf(items.values());
  }

  Map<String, LocalDate> settledOn() {
    return settledOn;
  }

  Set<String> itemsGone() {
    return itemsGone;
  }

  List<Alias> aliases() {
    return aliases;
  }

  List<Alias> aliasesGone() {
    return aliasesGone;
  }

  List<PastPayer> past() {
    return past;
  }

  List<PastPayer> pastGone() {
    return pastGone;
  }

  List<PastChoice> choices() {
    return choices;
  }

  List<PastChoice> choicesGone() {
    return choicesGone;
  }

  List<Receipt> receipts() {
    return List.copyOf(receipts.values());
  }

  Set<String> receiptsGone() {
    return receiptsGone;
  }

  Map<String, Optional<RemittanceAdvice>> advices() {
    return advices;
  }
}
