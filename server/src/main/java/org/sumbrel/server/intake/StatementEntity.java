package org.sumbrel.server.intake;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.intake.StatementSpan;
import org.sumbrel.formats.statement.AccountStatement;
import org.sumbrel.formats.statement.StatementEntry;

/** A bank's statement as a file brought it, with its own control totals in minor units. */
@Entity
@Table(name = "statement")
class StatementEntity {

  private static final int LONGEST_NUMBER = 100;

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "statement_seq")
  @SequenceGenerator(name = "statement_seq", sequenceName = "statement_seq", allocationSize = 50)
  private Long id;

  private Long intakeId;
  private Long bankAccountId;
  private String currency;
  private String format;
  private String number;
  private Integer sequenceNo;
  private LocalDate fromOn;
  private LocalDate untilOn;
  private boolean daysSaid;
  private boolean whole;
  private LocalDate openingOn;
  private Long openingMinor;
  private LocalDate closingOn;
  private Long closingMinor;
  private int records;
  private long creditsMinor;
  private long debitsMinor;
  private long knownCreditsMinor;
  private long knownDebitsMinor;

  protected StatementEntity() {}

  StatementEntity(Long intakeId, Long bankAccountId, String format, AccountStatement statement) {
    this.intakeId = intakeId;
    this.bankAccountId = bankAccountId;
    this.currency = statement.currency().getCode();
    this.format = format;
    var name = statement.number();
    this.number = name.length() <= LONGEST_NUMBER ? name : name.substring(0, LONGEST_NUMBER);
    this.sequenceNo = statement.sequence().orElse(null);
    this.whole = statement.whole();
    statement
        .opening()
        .ifPresent(
            opening -> {
              this.openingOn = opening.date();
              this.openingMinor = opening.amount().getAmountMinorLong();
            });
    statement
        .closing()
        .ifPresent(
            closing -> {
              this.closingOn = closing.date();
              this.closingMinor = closing.amount().getAmountMinorLong();
            });
    this.daysSaid = statement.from().isPresent() && statement.until().isPresent();
    var days =
        statement.entries().stream()
            .filter(StatementEntry::booked)
            .map(StatementEntry::bookingDate)
            .sorted()
            .toList();
    this.untilOn =
        statement
            .until()
            .or(() -> Optional.ofNullable(closingOn))
            .orElse(days.isEmpty() ? null : days.get(days.size() - 1));
    this.fromOn =
        statement
            .from()
            .or(() -> days.isEmpty() ? Optional.empty() : Optional.of(days.get(0)))
            .orElse(untilOn);
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

  Long id() {
    return id;
  }

  Long intakeId() {
    return intakeId;
  }

  Long bankAccountId() {
    return bankAccountId;
  }

  String format() {
    return format;
  }

  String number() {
    return number;
  }

  Integer sequenceNo() {
    return sequenceNo;
  }

  LocalDate fromOn() {
    return fromOn;
  }

  LocalDate untilOn() {
    return untilOn;
  }

  boolean whole() {
    return whole;
  }

  int records() {
    return records;
  }

  Optional<Money> opening() {
    return money(openingMinor);
  }

  Optional<Money> closing() {
    return money(closingMinor);
  }

  Money movements() {
    return Money.ofMinor(CurrencyUnit.of(currency), creditsMinor - debitsMinor);
  }

  private Optional<Money> money(Long minor) {
    return Optional.ofNullable(minor).map(m -> Money.ofMinor(CurrencyUnit.of(currency), m));
  }

  /** What it covers, where it holds all movements of its days and they are known. */
  Optional<StatementSpan> span() {
    return whole && fromOn != null && untilOn != null
        ? Optional.of(
            new StatementSpan(
                id,
                fromOn,
                untilOn,
                daysSaid,
                Optional.ofNullable(sequenceNo),
                opening(),
                movements(),
                closing()))
        : Optional.empty();
  }
}
