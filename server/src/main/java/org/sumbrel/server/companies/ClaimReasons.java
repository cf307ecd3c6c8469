package org.sumbrel.server.companies;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.server.api.BadRequest;

/** Why something is claimed, in the words of a company, and which of the reasons it uses. */
@Service
@Transactional(readOnly = true)
public class ClaimReasons {

  private static final int LONGEST = 60;

  private final JdbcClient jdbc;

  ClaimReasons(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** A reason as a company has it. */
  public record ReasonView(
      @NotNull ClaimReason reason,
      @NotNull String words,
      @NotNull @Schema(description = "whether it is offered when a claim is made")
          boolean offered) {}

  public List<ReasonView> of(Long company) {
    return Stream.of(ClaimReason.values()).map(reason -> of(company, reason)).toList();
  }

  private ReasonView of(Long company, ClaimReason reason) {
    return jdbc.sql(
            "select words, offered from claim_reason_word where company_id = :company and reason = :reason")
        .param("company", company)
        .param("reason", reason.name())
        .query((row, n) -> new ReasonView(reason, row.getString(1), row.getBoolean(2)))
        .optional()
        .orElse(new ReasonView(reason, reason.words(), true));
  }

  /** A reason is called so from now on, and offered or not; claims that stand keep it. */
  @Transactional
  public void call(Long company, ClaimReason reason, String words, boolean offered) {
    if (words.isBlank() || words.length() > LONGEST) {
      throw new BadRequest("A reason has between 1 and " + LONGEST + " characters.");
    }
    var changed =
        jdbc.sql(
                "update claim_reason_word set words = :words, offered = :offered, version = version + 1"
                    + " where company_id = :company and reason = :reason")
            .param("words", words.strip())
            .param("offered", offered)
            .param("company", company)
            .param("reason", reason.name())
            .update();
    if (changed == 0) {
      jdbc.sql(
              "insert into claim_reason_word (company_id, reason, words, offered, version) values (:company, :reason, :words, :offered, 0)")
          .param("words", words.strip())
          .param("offered", offered)
          .param("company", company)
          .param("reason", reason.name())
          .update();
    }
  }
}
