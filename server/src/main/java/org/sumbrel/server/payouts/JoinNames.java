package org.sumbrel.server.payouts;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.payout.Join;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.payouts.JoinText.Kind;

/** What the items of payouts belong to, by name. */
@Component
@Transactional(readOnly = true)
class JoinNames {

  private final PayoutItems items;
  private final Customers customers;
  private final JdbcClient jdbc;

  JoinNames(PayoutItems items, Customers customers, JdbcClient jdbc) {
    this.items = items;
    this.customers = customers;
    this.jdbc = jdbc;
  }

  @Schema(description = "what an item belongs to, or may")
  record JoinView(
      @NotNull Kind kind,
      @Schema(description = "the open item, the receipt, or the item of a payout") Long target,
      @NotNull @Schema(description = "what that is called; empty where there is nothing")
          String name) {}

  /**
   * The names that a page of items needs.
   *
   * @param concerned the open items that chargebacks of the page concern
   */
  Page of(List<PayoutItemRow> page, Map<Long, Long> concerned) {
    return new Page(page, concerned);
  }

  /** What the items of a page belong to, and may, by name; looked up all at once. */
  final class Page {

    private final Map<Long, Long> concerned;
    private final Map<Long, OpenItemEntity> invoices;
    private final Map<Long, String> receipts = new HashMap<>();
    private final Map<Long, String> sales = new HashMap<>();

    private Page(List<PayoutItemRow> page, Map<Long, Long> concerned) {
      this.concerned = concerned;
      var asked = new EnumMap<Kind, HashSet<Long>>(Kind.class);
      asked.put(Kind.INVOICE, new HashSet<>(concerned.values()));
      for (var row : page) {
        note(asked, row.join());
        if (row.join() instanceof Join.Asked several) {
          several.candidates().forEach(c -> note(asked, c));
        }
      }
      var none = new HashSet<Long>();
      invoices = customers.itemsLeft(asked.getOrDefault(Kind.INVOICE, none));
      items
          .some(List.copyOf(asked.getOrDefault(Kind.SALE, none)))
          .forEach(
              s ->
                  sales.put(
                      s.id(),
                      s.item().reference().isEmpty()
                          ? "sale " + s.item().id()
                          : s.item().reference()));
      var wanted = asked.getOrDefault(Kind.RECEIPT, none);
      if (!wanted.isEmpty()) {
        jdbc.sql("select entry_id, payer, reference from held_receipt where entry_id in (:ids)")
            .param("ids", wanted)
            .query(
                row -> {
                  receipts.put(
                      row.getLong("entry_id"),
                      row.getString("reference").isBlank()
                          ? "receipt from " + row.getString("payer")
                          : "card slip " + row.getString("reference"));
                });
      }
    }

    private static void note(Map<Kind, HashSet<Long>> asked, Join join) {
      var text = JoinText.of(join);
      if (text.target() != null) {
        var kind = text.kind() == Kind.REOPEN ? Kind.SALE : text.kind();
        asked.computeIfAbsent(kind, k -> new HashSet<>()).add(text.target());
      }
    }

    /** The item that one concerns; null where there is none. */
    JoinView concerned(Long id) {
      return concerned.containsKey(id)
          ? of(new Join.ToInvoice(concerned.get(id).toString()))
          : null;
    }

    JoinView of(Join join) {
      var text = JoinText.of(join);
      return new JoinView(
          text.kind(),
          text.target(),
          switch (text.kind()) {
            case INVOICE ->
                invoices.containsKey(text.target())
                    ? invoices.get(text.target()).number()
                    : "an item that is not there any more";
            case RECEIPT -> receipts.getOrDefault(text.target(), "");
            case SALE, REOPEN -> sales.getOrDefault(text.target(), "");
            default -> "";
          });
    }
  }
}
