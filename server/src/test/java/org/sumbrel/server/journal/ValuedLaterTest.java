package org.sumbrel.server.journal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.server.TestBooks.expect;

import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.transaction.support.TransactionTemplate;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.customers.OpenItemEntity;

/** What is written before a rate of its day is known, and what is written after. */
@ApiTest
class ValuedLaterTest {

  @Autowired private MockMvc web;
  @Autowired private JdbcClient jdbc;
  @Autowired private EntityManager entities;
  @Autowired private TransactionTemplate transaction;

  private record Line(String entry, String code, long minor, Long worth) {}

  private List<Line> lines(String company) {
    return jdbc.sql(
            """
            select e.text, a.code, l.amount_minor, l.worth_minor from journal_line l
              join journal_entry e on e.id = l.journal_entry_id join ledger_account a on a.id = l.ledger_account_id
            where e.company_id = :company order by e.id, l.position
            """)
        .param("company", company)
        .query(
            (row, n) ->
                new Line(
                    row.getString(1),
                    row.getString(2),
                    row.getLong(3),
                    row.getObject(4, Long.class)))
        .list();
  }

  /** Twenty with a tax, so that there are roundings; the numbers begin with a letter. */
  private static void write(Clerk maren, String customer, String letter) {
    var random = new Random(14);
    for (var n = 0; n < 20; n++) {
      var total = BigDecimal.valueOf(100 + random.nextInt(90_000), 2);
      expect(
          201,
          maren.post(
              "/api/invoices",
              "{\"customerId\":%s,\"number\":\"%s-%d\",\"issuedOn\":\"2026-05-27\",\"dueOn\":\"2026-06-26\",\"total\":{\"amount\":\"%s\",\"currency\":\"UYU\"},\"taxCode\":\"VAT7\"}"
                  .formatted(customer, letter, n, total)));
    }
  }

  @Test
  void comesToTheSameAsIfTheRateHadBeenKnown() {
    var maren = Clerk.maren(web);
    var wynne = new Clerk(web, "wynne", "ADMINISTRATOR");
    var company =
        expect(201, wynne.post("/api/companies", "{\"name\":\"Later Ltd\",\"currency\":\"USD\"}"))
            .text("/id");
    var vat = "{\"name\":\"Tax\",\"percent\":7.5}";
    expect(200, wynne.put("/api/tax-codes/VAT7?company=" + company, vat));
    expect(201, maren.drop("c.csv", "customer_id,name\nLT1,Later Payer\n", "?company=" + company));
    var customer = maren.get("/api/customers?company=" + company).text("/rows/0/id");

    write(maren, customer, "A");
    assertThat(lines(company)).hasSize(60).allMatch(line -> line.worth() == null);

    expect(
        201,
        maren.post(
            "/api/rates",
            "{\"on\":\"2026-05-27\",\"from\":\"UYU\",\"to\":\"USD\",\"rate\":\"0.02513\",\"reason\":\"told by the bank\",\"sure\":true}"));
    var later = lines(company);
    write(maren, customer, "B");
    var all = lines(company);
    var known = all.subList(later.size(), all.size());

    // line by line, with what rounds away on a line of its own behind the others
    assertThat(later.size()).isGreaterThan(60);
    assertThat(
            later.stream()
                .map(l -> new Line(l.entry().replace("A-", "B-"), l.code(), l.minor(), l.worth()))
                .toList())
        .isEqualTo(known);
    assertThat(later.stream().mapToLong(Line::worth).sum()).isZero();
    assertThat(later).anyMatch(l -> l.minor() == 0 && Math.abs(l.worth()) == 1);
    // the items stand in the books with what their entries say
    for (var checked : maren.get("/api/check").body()) {
      assertThat(checked.at("/broken")).as(checked.at("/rule").asText()).isEmpty();
    }
  }

  /** A due date that is changed while a rate becomes known does not take the worth away again. */
  @Test
  void keepsTheWorthWhateverIsChangedAtTheSameMoment() {
    var maren = Clerk.maren(web);
    var wynne = new Clerk(web, "wynne", "ADMINISTRATOR");
    var company =
        expect(
                201,
                wynne.post("/api/companies", "{\"name\":\"Same Moment Ltd\",\"currency\":\"USD\"}"))
            .text("/id");
    expect(201, maren.drop("c.csv", "customer_id,name\nSM1,Same Moment\n", "?company=" + company));
    var customer = maren.get("/api/customers?company=" + company).text("/rows/0/id");
    var invoice =
        "{\"customerId\":%s,\"number\":\"SM-1\",\"issuedOn\":\"2026-05-26\",\"dueOn\":\"2026-06-26\",\"total\":{\"amount\":\"500.00\",\"currency\":\"BOB\"}}";
    expect(201, maren.post("/api/invoices", invoice.formatted(customer)));
    var id = jdbc.sql("select id from open_item where number = 'SM-1'").query(Long.class).single();

    assertThatThrownBy(
            () ->
                transaction.executeWithoutResult(
                    t -> {
                      var item = entities.find(OpenItemEntity.class, id);
                      CompletableFuture.runAsync(() -> typeRate()).join();
                      item.dueIs(LocalDate.of(2026, 7, 1));
                    }))
        .isInstanceOf(OptimisticLockingFailureException.class);

    assertThat(worth(id)).isEqualTo(7_200);
    transaction.executeWithoutResult(
        t -> entities.find(OpenItemEntity.class, id).dueIs(LocalDate.of(2026, 7, 1)));
    assertThat(worth(id)).isEqualTo(7_200);
  }

  private void typeRate() {
    expect(
        201,
        Clerk.maren(web)
            .post(
                "/api/rates",
                "{\"on\":\"2026-05-26\",\"from\":\"BOB\",\"to\":\"USD\",\"rate\":\"0.144\",\"reason\":\"told by the bank\",\"sure\":true}"));
  }

  private Long worth(Long id) {
    return jdbc.sql("select worth_minor from open_item where id = :id")
        .param("id", id)
        .query(Long.class)
        .single();
  }
}
