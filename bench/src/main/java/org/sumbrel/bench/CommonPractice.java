package org.sumbrel.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.sumbrel.bench.Truth.Part;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;

/**
 * What is commonly done instead of an engine, as a baseline: an invoice number together with its
 * customer, then the number alone, then the amount with the customer, then the customer's oldest
 * first. Common practice, not a published standard. A customer is known by the account or by the
 * name written as we write it.
 */
final class CommonPractice {

  private static final Pattern WORD = Pattern.compile("[A-Za-z]{0,3}-?\\d{4,}");

  private final Map<String, String> byAccount = new HashMap<>();
  private final Map<String, String> byName = new HashMap<>();
  private final Map<String, OpenItem> byNumber = new HashMap<>();
  private final Map<String, List<OpenItem>> open = new HashMap<>();
  private final Set<String> used = new HashSet<>();

  CommonPractice(World world) {
    for (var customer : world.customers) {
      byName.put(customer.name().toUpperCase(Locale.ROOT), customer.id());
      customer.accounts().forEach(a -> byAccount.put(a, customer.id()));
      var items =
          world.open.get(customer.id()).stream()
              .sorted(Comparator.comparing(OpenItem::dueOn).thenComparing(OpenItem::number))
              .toList();
      open.put(customer.id(), items);
      items.forEach(i -> byNumber.put(i.number(), i));
    }
  }

  /** What it settles, in the words of {@link Truth#key()}. */
  String explain(Receipt receipt) {
    var customer =
        Optional.ofNullable(byAccount.get(receipt.payerAccount()))
            .or(() -> Optional.ofNullable(byName.get(receipt.payerName().toUpperCase(Locale.ROOT))))
            .orElse("");
    var amount = receipt.amount().getAmountMinorLong();
    var named = new ArrayList<OpenItem>();
    var words = WORD.matcher(receipt.text());
    while (words.find()) {
      var item = byNumber.get(words.group().toUpperCase(Locale.ROOT));
      if (item != null && !used.contains(item.id())) {
        named.add(item);
      }
    }
    var own = named.stream().filter(i -> i.customerId().equals(customer)).toList();
    if (!own.isEmpty()) {
      return take(own, amount);
    }
    if (!named.isEmpty()) {
      return take(named, amount);
    }
    var free = open.getOrDefault(customer, List.of()).stream().filter(i -> !used.contains(i.id()));
    var list = free.toList();
    var equal = list.stream().filter(i -> i.open().getAmountMinorLong() == amount).findFirst();
    return take(equal.map(List::of).orElse(list), amount);
  }

  /** One after the other as far as the money goes; what is left is kept on account. */
  private String take(List<OpenItem> items, long amount) {
    var left = amount;
    var parts = new ArrayList<Part>();
    for (var item : items) {
      var part = Math.min(left, item.open().getAmountMinorLong());
      if (part != 0 && left > 0) {
        parts.add(new Part(item.id(), part, 0));
        left -= part;
        used.add(item.id());
      }
    }
    return new Truth("", true, parts, "", 0, left).key();
  }
}
