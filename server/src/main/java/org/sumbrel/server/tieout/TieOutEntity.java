package org.sumbrel.server.tieout;

import jakarta.persistence.Embedded;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.tieout.TieOut;

/** A tie-out that was closed, with all that explained it; only its reopening is added to it. */
@Entity
@Table(name = "tie_out")
class TieOutEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "tie_out_seq")
  @SequenceGenerator(name = "tie_out_seq", sequenceName = "tie_out_seq", allocationSize = 1)
  private Long id;

  private Long companyId;
  private Long bankAccountId;
  private LocalDate asOf;
  private String currency;
  private long statementMinor;
  private long booksMinor;
  private String explained;
  @Embedded private Closing closing;
  @Version private long version;

  protected TieOutEntity() {}

  TieOutEntity(
      Long companyId, Long bankAccountId, TieOut tieOut, String explained, String by, Instant at) {
    this.companyId = companyId;
    this.bankAccountId = bankAccountId;
    this.asOf = tieOut.asOf();
    this.currency = tieOut.statement().getCurrencyUnit().getCode();
    this.statementMinor = tieOut.statement().getAmountMinorLong();
    this.booksMinor = tieOut.books().getAmountMinorLong();
    this.explained = explained;
    this.closing = new Closing(by, at);
  }

  Long id() {
    return id;
  }

  Long companyId() {
    return companyId;
  }

  Long bankAccountId() {
    return bankAccountId;
  }

  LocalDate asOf() {
    return asOf;
  }

  Money statement() {
    return Money.ofMinor(CurrencyUnit.of(currency), statementMinor);
  }

  Money books() {
    return Money.ofMinor(CurrencyUnit.of(currency), booksMinor);
  }

  /** The ways as JSON. */
  String explained() {
    return explained;
  }

  Closing closing() {
    return closing;
  }
}
