package org.sumbrel.server.intake;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.LocalDate;
import org.sumbrel.formats.statement.AccountStatement;

/** A bank's statement as a file brought it, with its own control totals in minor units. */
@Entity
@Table(name = "statement")
class StatementEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "statement_seq")
  @SequenceGenerator(name = "statement_seq", sequenceName = "statement_seq", allocationSize = 50)
  private Long id;

  private Long intakeId;
  private Long bankAccountId;
  private String currency;
  private LocalDate closingOn;
  private Long closingMinor;
  private int records;
  private long creditsMinor;
  private long debitsMinor;
  private long knownCreditsMinor;
  private long knownDebitsMinor;

  protected StatementEntity() {}

  StatementEntity(Long intakeId, Long bankAccountId, AccountStatement statement) {
    this.intakeId = intakeId;
    this.bankAccountId = bankAccountId;
    this.currency = statement.currency().getCode();
    statement
        .closing()
        .ifPresent(
            closing -> {
              this.closingOn = closing.date();
              this.closingMinor = closing.amount().getAmountMinorLong();
            });
  }

  void counts(long minor) {
    records++;
    creditsMinor += Math.max(0, minor);
    debitsMinor += Math.max(0, -minor);
  }

  void knew(long minor) {
    knownCreditsMinor += Math.max(0, minor);
    knownDebitsMinor += Math.max(0, -minor);
  }
}
