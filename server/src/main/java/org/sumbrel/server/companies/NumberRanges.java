package org.sumbrel.server.companies;

import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.server.api.BadRequest;

/** How the numbers begin that the application gives to what it makes. */
@Service
@Transactional(readOnly = true)
public class NumberRanges {

  private static final Pattern PREFIX = Pattern.compile("[A-Z][A-Z0-9]{0,9}");

  private final JdbcClient jdbc;

  NumberRanges(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** The prefix of a kind in a company. */
  public String prefix(Long company, NumberKind kind) {
    return jdbc.sql("select prefix from number_range where company_id = :company and kind = :kind")
        .param("company", company)
        .param("kind", kind.name())
        .query(String.class)
        .optional()
        .orElse(kind.usual());
  }

  /**
   * Numbers for what a settlement makes, by the prefix that the core gives: the settlement's own
   * number behind the company's prefix. One settlement can make several: the first carries its
   * number alone.
   */
  public UnaryOperator<String> ofSettlement(Long company, Long settlement) {
    var given = new AtomicInteger();
    return usual -> {
      var n = given.incrementAndGet();
      return prefix(company, NumberKind.ofUsual(usual))
          + "-"
          + settlement
          + (n == 1 ? "" : "-" + n);
    };
  }

  /**
   * Numbers of a kind begin so from now on; those that were given stay.
   *
   * @throws BadRequest where it will not do, or another kind begins so
   */
  @Transactional
  public void begin(Long company, NumberKind kind, String prefix) {
    if (!PREFIX.matcher(prefix).matches()) {
      throw new BadRequest(
          "A prefix has up to 10 capital letters and digits and begins with a letter.");
    }
    for (var other : NumberKind.values()) {
      if (other != kind && prefix(company, other).equals(prefix)) {
        throw new BadRequest(
            "\"" + prefix + "\" is taken by another kind of number; both would look alike.");
      }
    }
    var changed =
        jdbc.sql(
                "update number_range set prefix = :prefix, version = version + 1 where company_id = :company and kind = :kind")
            .param("prefix", prefix)
            .param("company", company)
            .param("kind", kind.name())
            .update();
    if (changed == 0) {
      jdbc.sql(
              "insert into number_range (company_id, kind, prefix, version) values (:company, :kind, :prefix, 0)")
          .param("prefix", prefix)
          .param("company", company)
          .param("kind", kind.name())
          .update();
    }
  }
}
