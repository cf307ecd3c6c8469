package org.sumbrel.server.outside;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What the simulated mail room saw in its envelopes, beyond what its files say of them. */
@Component
@Transactional
public class Envelopes {

  private final JdbcClient jdbc;

  Envelopes(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * What stands on a cheque.
   *
   * @param item its number in the batch
   * @param drawer whose cheque it is, though the file may not say
   * @param memo what he wrote it is for
   * @param pays the numbers of what it is for
   */
  public record Seen(String item, String drawer, String memo, List<String> pays) {}

  /** Keeps what was seen in the envelopes of a batch. */
  public void keep(
      Long company, String lockbox, LocalDate depositedOn, String batch, List<Seen> all) {
    for (var seen : all) {
      jdbc.sql(
              """
              insert into simulated_envelope (company_id, lockbox, deposited_on, batch, item, drawer, memo, pays)
              values (:company, :lockbox, :deposited, :batch, :item, :drawer, :memo, :pays)
              """)
          .param("company", company)
          .param("lockbox", lockbox)
          .param("deposited", depositedOn)
          .param("batch", batch)
          .param("item", seen.item())
          .param("drawer", seen.drawer())
          .param("memo", seen.memo())
          .param("pays", String.join(" ", seen.pays()))
          .update();
    }
  }

  /** What was seen of a cheque. */
  @Transactional(readOnly = true)
  Optional<Seen> of(
      Long company, String lockbox, LocalDate depositedOn, String batch, String item) {
    return jdbc.sql(
            """
            select drawer, memo, pays from simulated_envelope where company_id = :company and lockbox = :lockbox
              and deposited_on = :deposited and batch = :batch and item = :item
            """)
        .param("company", company)
        .param("lockbox", lockbox)
        .param("deposited", depositedOn)
        .param("batch", batch)
        .param("item", item)
        .query(
            (row, n) ->
                new Seen(
                    item,
                    row.getString("drawer"),
                    row.getString("memo"),
                    List.of(row.getString("pays").split(" "))))
        .optional();
  }
}
