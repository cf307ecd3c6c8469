package org.sumbrel.server.companies;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.LocalDate;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/** An account of a company at a bank; or its pouch, where receipts are before they are banked. */
@Entity
@Table(name = "bank_account")
public class BankAccountEntity {

  enum Kind {
    BANK,
    POUCH
  }

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "bank_account_seq")
  @SequenceGenerator(
      name = "bank_account_seq",
      sequenceName = "bank_account_seq",
      allocationSize = 50)
  private Long id;

  private Long companyId;
  private String name;
  private String bank;
  private String number;
  private String currency;
  private Long ledgerAccountId;
  private String lockbox = "";
  private LocalDate openingOn;
  private Long openingMinor;
  private Long openingEntryId;

  @Enumerated(EnumType.STRING)
  private Kind kind;

  @Version private long version;

  protected BankAccountEntity() {}

  BankAccountEntity(
      Long companyId,
      String name,
      String bank,
      String number,
      String currency,
      Long ledgerAccountId,
      Kind kind) {
    this.companyId = companyId;
    this.name = name;
    this.bank = bank;
    this.number = number;
    this.currency = currency;
    this.ledgerAccountId = ledgerAccountId;
    this.kind = kind;
  }

  public Long id() {
    return id;
  }

  public Long companyId() {
    return companyId;
  }

  public String name() {
    return name;
  }

  public String bank() {
    return bank;
  }

  public String number() {
    return number;
  }

  public String currency() {
    return currency;
  }

  /** Whether it is the pouch, rather than an account at a bank. */
  public boolean isPouch() {
    return kind == Kind.POUCH;
  }

  /**
   * The number of the lockbox whose cheques the bank puts on this account; empty where there is
   * none.
   */
  public String lockbox() {
    return lockbox;
  }

  void takesLockbox(String number) {
    lockbox = number;
  }

  /** How it is called, at which bank, by which number. */
  void isCalled(String other, String atBank, String numbered) {
    name = other;
    bank = atBank;
    number = numbered;
  }

  void isIn(String code) {
    currency = code;
  }

  long version() {
    return version;
  }

  /** What stood on the account when these books began with it. */
  public void openedWith(LocalDate on, Money balance, Long journalEntry) {
    openingOn = on;
    openingMinor = balance.getAmountMinorLong();
    openingEntryId = journalEntry;
  }

  /** The day at whose end it stood there; null where nobody has said. */
  public LocalDate openingOn() {
    return openingOn;
  }

  /** What stood there; null where nobody has said. */
  public Money opening() {
    return openingMinor == null ? null : Money.ofMinor(CurrencyUnit.of(currency), openingMinor);
  }

  public Long openingEntryId() {
    return openingEntryId;
  }

  public Long ledgerAccountId() {
    return ledgerAccountId;
  }
}
