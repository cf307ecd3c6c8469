package org.sumbrel.server.tieout;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
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
import org.sumbrel.core.tieout.TieOut.Kind;
import org.sumbrel.core.tieout.TieOut.Side;
import org.sumbrel.core.tieout.TieOut.Way;

/** An error of the bank or of the books that somebody has written down, until it is put right. */
@Entity
@Table(name = "tie_out_error")
class TieOutErrorEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "tie_out_error_seq")
  @SequenceGenerator(
      name = "tie_out_error_seq",
      sequenceName = "tie_out_error_seq",
      allocationSize = 1)
  private Long id;

  private Long companyId;
  private Long bankAccountId;

  @Enumerated(EnumType.STRING)
  private Side whose;

  private LocalDate noticedOn;
  private long amountMinor;
  private String words;
  private String notedBy;
  private Instant notedAt;
  private LocalDate rightSince;
  private String rightBy;
  private Instant rightAt;
  @Version private long version;

  protected TieOutErrorEntity() {}

  TieOutErrorEntity(
      Long companyId,
      Long bankAccountId,
      Side whose,
      LocalDate noticedOn,
      Money amount,
      String words,
      String by,
      Instant at) {
    this.companyId = companyId;
    this.bankAccountId = bankAccountId;
    this.whose = whose;
    this.noticedOn = noticedOn;
    this.amountMinor = amount.getAmountMinorLong();
    this.words = words;
    this.notedBy = by;
    this.notedAt = at;
  }

  /** It does not stand between bank and books any more from this day on. */
  void right(LocalDate since, String by, Instant at) {
    rightSince = since;
    rightBy = by;
    rightAt = at;
  }

  Long id() {
    return id;
  }

  Long bankAccountId() {
    return bankAccountId;
  }

  LocalDate noticedOn() {
    return noticedOn;
  }

  String notedBy() {
    return notedBy;
  }

  boolean isRight() {
    return rightAt != null;
  }

  /** Whether it stood between the two at the end of a day. */
  boolean stoodAt(LocalDate day) {
    return !noticedOn.isAfter(day) && (rightSince == null || rightSince.isAfter(day));
  }

  Way toWay(String currency) {
    return new Way(
        whose == Side.BANK ? Kind.BANK_ERROR : Kind.BOOK_ERROR,
        "error-" + id,
        noticedOn,
        words,
        Money.ofMinor(CurrencyUnit.of(currency), amountMinor));
  }
}
