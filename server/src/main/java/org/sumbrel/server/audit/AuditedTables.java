package org.sumbrel.server.audit;

import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What of which table is told, and as what. */
final class AuditedTables {

  /** A part of another thing: by which of its columns, and how its own columns are called there. */
  record PartOf(String what, Set<String> key) {}

  private static final Map<String, PartOf> PARTS =
      Map.of(
          "policy_limit", new PartOf("policy", Set.of("company_id", "currency")),
          "customer_account", new PartOf("customer", Set.of("customer_id")),
          "deposit_line", new PartOf("deposit", Set.of("deposit_id")),
          "deposit_count", new PartOf("deposit", Set.of("deposit_id")),
          "deposit_shown", new PartOf("deposit", Set.of("deposit_id")),
          "treatment_share", new PartOf("treatment", Set.of("treatment_id")),
          "user_company", new PartOf("app_user", Set.of("user_id")));

  /** By which a row of a part is told from others of the same thing. */
  private static final Map<String, Set<String>> PART_KEYS =
      Map.of(
          "policy_limit", Set.of("authority", "kind"),
          "customer_account", Set.of("account"),
          "deposit_line", Set.of("place"),
          "deposit_count", Set.of("piece_minor"),
          "deposit_shown", Set.of("entry_id"),
          "treatment_share", Set.of("place"),
          "user_company", Set.of("works_in"));

  private static final Map<String, Set<String>> KEYS =
      Map.of(
          "policy", Set.of("company_id", "currency"),
          "tax_code", Set.of("company_id", "code"),
          "held_receipt", Set.of("entry_id"),
          "number_range", Set.of("company_id", "kind"),
          "claim_reason_word", Set.of("company_id", "reason"));

  /** What the engine and the work itself write; nobody decided it. */
  private static final Map<String, Set<String>> DERIVED =
      Map.of(
          "bank_entry",
          Set.of("standing_rank", "lead_customer_id", "settled_customer_id", "entry_key", "told"),
          // which standing it had is told, by which the policy let it be posted; how sure the
          // engine was is not
          "settlement",
          Set.of("proposed_probability", "proposed_evidence", "proposed_right", "chosen_manner"),
          "posting_run",
          Set.of("posted", "refused", "posted_minor"),
          "app_user",
          Set.of("failed_attempts", "locked_until"),
          "attachment",
          Set.of("content"));

  /** What is told without its value. */
  private static final Set<String> SECRET = Set.of("password_hash");

  private AuditedTables() {}

  static Optional<PartOf> partOf(String table) {
    return Optional.ofNullable(PARTS.get(table));
  }

  static boolean isPartKey(String table, String column) {
    return PART_KEYS.getOrDefault(table, Set.of()).contains(column);
  }

  static boolean isKey(String table, String column) {
    return KEYS.getOrDefault(table, Set.of("id")).contains(column);
  }

  static boolean told(String table, String column) {
    return !column.equals("version")
        && !column.equals("company_id")
        && !isKey(table, column)
        && !DERIVED.getOrDefault(table, Set.of()).contains(column);
  }

  static boolean secret(String column) {
    return SECRET.contains(column);
  }

  /** Whether rows of a file are told by its intake, and need no record each. */
  static boolean cameByFile(String table) {
    return table.equals("open_item") || table.equals("customer");
  }
}
