package org.sumbrel.server.pouch;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.settle.PaidInFull;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.CompanyPolicies;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;

/** What the numbers mean that somebody types while he records a receipt. */
@Service
@Transactional(readOnly = true)
class ReceiptLookup {

  private static final int MOST_WORDS = 200;

  /** So many figures at the end of a number stand for it. */
  private static final int FEWEST_FIGURES = 3;

  private final Customers customers;
  private final CompanyPolicies policies;

  ReceiptLookup(Customers customers, CompanyPolicies policies) {
    this.customers = customers;
    this.policies = policies;
  }

  record PayableItem(
      @NotNull Long itemId,
      @NotNull String number,
      @NotNull Long customerId,
      @NotNull String customerName,
      @NotNull MoneyView open,
      @NotNull @Schema(description = "the early-payment discount earned on the day")
          MoneyView discount) {}

  /** Whoever pays for all of them: the customer, or the parent of several. */
  record LikelyPayer(@NotNull Long customerId, @NotNull String name) {}

  record Looked(
      @NotNull List<PayableItem> items,
      LikelyPayer payer,
      @NotNull @Schema(description = "words that name nothing that is open") List<String> unknown,
      @NotNull MoneyView open,
      @NotNull @Schema(description = "the same less the discounts") MoneyView net) {}

  Looked find(Long company, CurrencyUnit currency, String words, LocalDate on) {
    var named = new LinkedHashMap<Long, OpenItemEntity>();
    var unknown = new ArrayList<String>();
    for (var word : List.of(words.strip().split("[\\s,;]+")).stream().limit(MOST_WORDS).toList()) {
      if (word.isEmpty()) {
        continue;
      }
      var item = meant(company, currency, word);
      if (item == null) {
        unknown.add(word);
      } else {
        named.put(item.id(), item);
      }
    }
    var paid =
        PaidInFull.on(
            on,
            currency,
            named.values().stream().map(OpenItemEntity::toItem).toList(),
            policies.of(company, currency).discountGraceDays());
    Map<Long, String> names =
        customers.names(named.values().stream().map(OpenItemEntity::customerId).toList());
    var items =
        paid.applications().stream()
            .map(
                a -> {
                  var owner = Long.valueOf(a.item().customerId());
                  return new PayableItem(
                      Long.valueOf(a.item().id()),
                      a.item().number(),
                      owner,
                      names.getOrDefault(owner, ""),
                      MoneyView.of(a.amount()),
                      MoneyView.of(a.discount()));
                })
            .toList();
    return new Looked(
        items, payer(company, names), unknown, MoneyView.of(paid.open()), MoneyView.of(paid.net()));
  }

  private LikelyPayer payer(Long company, Map<Long, String> owners) {
    if (owners.size() == 1) {
      var one = owners.entrySet().iterator().next();
      return new LikelyPayer(one.getKey(), one.getValue());
    }
    var heads =
        owners.keySet().stream()
            .map(id -> customers.customer(company, id))
            .map(c -> c.parentId() == null ? c.id() : c.parentId())
            .distinct()
            .toList();
    return heads.size() == 1
        ? new LikelyPayer(heads.get(0), customers.customer(company, heads.get(0)).name())
        : null;
  }

  /** The one open item that a word names: its number, its order, or the end of its number. */
  private OpenItemEntity meant(Long company, CurrencyUnit currency, String word) {
    var exact =
        customers.named(company, List.of(word.toUpperCase(Locale.ROOT))).stream()
            .filter(i -> !i.open().isZero() && i.currency().equals(currency.getCode()))
            .toList();
    if (exact.size() == 1) {
      return exact.get(0);
    }
    if (!exact.isEmpty() || word.length() < FEWEST_FIGURES || !word.matches("\\d+")) {
      return null;
    }
    var ending =
        customers.openEnding(company, word).stream()
            .filter(i -> i.currency().equals(currency.getCode()))
            .toList();
    return ending.size() == 1 ? ending.get(0) : null;
  }
}
