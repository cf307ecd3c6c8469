package org.sumbrel.server.outside;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.receivables.CheckDigit;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.pouch.ChequePictures;

/**
 * The simulated scanner: each cheque put on it is one of a customer who pays what has been open
 * longest and was on no cheque before.
 */
@Service
@Transactional
class ChequeScanner {

  private static final int MOST_ON_ONE = 2;

  private final JdbcClient jdbc;
  private final Companies companies;
  private final ChequePictures pictures;
  private final Clock clock;

  ChequeScanner(JdbcClient jdbc, Companies companies, ChequePictures pictures, Clock clock) {
    this.jdbc = jdbc;
    this.companies = companies;
    this.pictures = pictures;
    this.clock = clock;
  }

  /** A cheque that was read: the line at its foot, and its picture. */
  record Scanned(String codeLine, Long pictureId) {}

  private record Open(Long customer, String drawer, String number, Money amount) {}

  /**
   * Reads the next cheque.
   *
   * @throws Conflict where no cheque lies ready, since no invoice is open
   */
  Scanned scan(Long companyId) {
    var company = companies.company(companyId);
    var currency = CurrencyUnit.of(company.currency());
    var next = open(companyId, currency);
    if (next.isEmpty()) {
      throw new Conflict(
          "NO_CHEQUE", "No cheque lies ready at the simulated scanner: nothing is open.");
    }
    var first = next.get(0);
    var paid =
        next.stream()
            .filter(o -> o.customer().equals(first.customer()))
            .limit(MOST_ON_ONE)
            .toList();
    var bank = "9990%04d".formatted(first.customer() % 7);
    var drawing =
        new ChequeDrawing(
            first.drawer(),
            company.name(),
            LocalDate.now(clock).minusDays(1),
            MoneySum.of(currency, paid, Open::amount),
            String.join(", ", paid.stream().map(Open::number).toList()),
            bank + CheckDigit.aba(bank),
            "77%08d".formatted(first.customer() * 7_919 % 100_000_000),
            String.valueOf(1_000 + first.customer() % 97 * 83 + next.size() % 83));
    return new Scanned(drawing.codeLine(), pictures.keep(companyId, drawing.svg()));
  }

  private List<Open> open(Long company, CurrencyUnit currency) {
    return jdbc.sql(
            """
            select i.customer_id, c.name, i.number, i.open_minor from open_item i join customer c on c.id = i.customer_id
            where i.company_id = :company and i.kind = 'INVOICE' and i.open_minor > 0 and i.currency = :currency
              and not exists (select 1 from cheque_picture p where p.company_id = :company and locate(i.number, p.content) > 0)
            order by i.due_on, i.id
            """)
        .param("company", company)
        .param("currency", currency.getCode())
        .query(
            (row, n) ->
                new Open(
                    row.getLong("customer_id"),
                    row.getString("name"),
                    row.getString("number"),
                    Money.ofMinor(currency, row.getLong("open_minor"))))
        .list();
  }
}
