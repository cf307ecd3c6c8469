package org.sumbrel.server.desk;

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
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.propose.PastPayer;
import org.sumbrel.core.propose.Standing;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.formats.statement.StatementEntry;

/** One booked movement on a bank account; money to us is positive. */
@Entity
@Table(name = "bank_entry")
public class BankEntryEntity {

  /** What became of it. */
  public enum Status {
    /** Money to us that nobody has explained yet. */
    WAITING,
    /** Explained by a settlement. */
    SETTLED,
    /** What the bank shows of deposits; their receipts are settled themselves. */
    BANKED,
    /** A receipt of the office that was for a sale on the spot; takings explain it. */
    SOLD,
    /** Set aside with a reason. */
    SHELVED,
    /** Money from us that nobody has explained yet. */
    DEBIT,
    /** Money from us that a settlement explains: a charge, a refund, a transfer. */
    PAID,
    /** Announced by the bank, not on the account yet; in no total. */
    PENDING,
    /** Money to us that the bank took back again, and the debit by which it did. */
    RETURNED,
    /** Taken out, because a corrected statement no longer has it; in no total. */
    WITHDRAWN
  }

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "bank_entry_seq")
  @SequenceGenerator(name = "bank_entry_seq", sequenceName = "bank_entry_seq", allocationSize = 50)
  private Long id;

  private Long companyId;
  private Long bankAccountId;
  private Long intakeId;
  private Long announcedIntakeId;
  private String entryKey;
  private LocalDate bookedOn;
  private LocalDate valueOn;
  private String currency;
  private long amountMinor;
  private String payerName;
  private String payerAccount;
  private String remittance;
  private String bankReference;
  private String checkNumber;
  private String bankText;
  private String told;

  @Enumerated(EnumType.STRING)
  private Status status;

  private int standingRank;
  private Long leadCustomerId;
  private Long settledCustomerId;
  private boolean payerForgotten;

  @Enumerated(EnumType.STRING)
  private ShelvingReason shelvedReason;

  private String shelvedNote;
  private String shelvedBy;
  private Instant shelvedAt;
  @Version private long version;

  protected BankEntryEntity() {}

  /**
   * A receipt that was recorded in the office.
   *
   * @param key by which the pouch knows it
   * @param intakeId of the file that brought it; null where somebody recorded it
   */
  static BankEntryEntity received(
      Long companyId,
      Long pouchId,
      String key,
      Receipt receipt,
      String checkNumber,
      Long intakeId) {
    var entry = new BankEntryEntity();
    entry.companyId = companyId;
    entry.bankAccountId = pouchId;
    entry.intakeId = intakeId;
    entry.entryKey = key;
    entry.bookedOn = receipt.receivedOn();
    entry.valueOn = receipt.receivedOn();
    entry.currency = receipt.amount().getCurrencyUnit().getCode();
    entry.amountMinor = receipt.amount().getAmountMinorLong();
    entry.payerName = receipt.payerName();
    entry.payerAccount = receipt.payerAccount();
    entry.remittance = receipt.text();
    entry.bankReference = "";
    entry.checkNumber = checkNumber;
    entry.bankText = "";
    entry.told = "";
    entry.status = Status.WAITING;
    entry.standingRank = Standing.BLANK.ordinal();
    return entry;
  }

  /** What a booked movement is at first. */
  static Status statusOf(Money amount) {
    return amount.isPositive() ? Status.WAITING : Status.DEBIT;
  }

  /** An announced entry that the bank has booked now, as this intake tells it. */
  void becomesBooked(Long byIntake, StatementEntry entry) {
    announcedIntakeId = intakeId;
    intakeId = byIntake;
    bookedOn = entry.bookingDate();
    valueOn = entry.valueDate();
    amountMinor = entry.amount().getAmountMinorLong();
    payerName = entry.payerName().isEmpty() ? payerName : entry.payerName();
    payerAccount = entry.payerAccount().isEmpty() ? payerAccount : entry.payerAccount();
    remittance = entry.words().isEmpty() ? remittance : entry.words();
    bankReference = entry.bankReference();
    checkNumber = entry.checkNumber();
    bankText = Arrivals.cut(entry.bankText());
    told = ToldEntry.written(entry);
    status = statusOf(amount());
  }

  /** Takes the day and the amount of a corrected statement. */
  void corrected(LocalDate day, Money amount) {
    bookedOn = day;
    amountMinor = amount.getAmountMinorLong();
    if (status != Status.SHELVED || !amount.isPositive()) {
      status = statusOf(amount);
    }
    standingRank = Standing.BLANK.ordinal();
  }

  /** A corrected statement no longer has it. */
  void withdraw() {
    status = Status.WITHDRAWN;
  }

  public Long id() {
    return id;
  }

  public Long companyId() {
    return companyId;
  }

  public Long bankAccountId() {
    return bankAccountId;
  }

  public String entryKey() {
    return entryKey;
  }

  public LocalDate bookedOn() {
    return bookedOn;
  }

  LocalDate valueOn() {
    return valueOn;
  }

  public Money amount() {
    return Money.ofMinor(CurrencyUnit.of(currency), amountMinor);
  }

  public String payerName() {
    return payerName;
  }

  public String payerAccount() {
    return payerAccount;
  }

  public String remittance() {
    return remittance;
  }

  String bankText() {
    return bankText;
  }

  /** How the bank converted it, where its file tells; empty for several transactions in one. */
  public Optional<BankConversion> conversion() {
    var own = amount().getCurrencyUnit();
    return told().conversion(own).filter(c -> amount().isPositive());
  }

  ToldEntry told() {
    return ToldEntry.read(told);
  }

  public Long intakeId() {
    return intakeId;
  }

  String bankReference() {
    return bankReference;
  }

  public String checkNumber() {
    return checkNumber;
  }

  public Status status() {
    return status;
  }

  public Standing standing() {
    return Standing.values()[standingRank];
  }

  public long version() {
    return version;
  }

  /** What the payer is called where nothing better is known. */
  public String payerWords() {
    return payerWords(payerName, remittance);
  }

  static String payerWords(String payerName, String remittance) {
    var told = payerName.isBlank() ? remittance : payerName;
    return told.isBlank() ? "Nobody named" : told;
  }

  /** Explained by a settlement, mostly for this customer (null where for several). */
  public void settledFor(Long customerId) {
    status = amountMinor < 0 ? Status.PAID : Status.SETTLED;
    settledCustomerId = customerId;
  }

  /** For whom it was settled; null where for several, or nobody did. */
  Long settledCustomerId() {
    return settledCustomerId;
  }

  /** Deposits explain it. */
  public void banked() {
    status = Status.BANKED;
    standingRank = Standing.BLANK.ordinal();
  }

  /** It was for a sale on the spot. */
  public void sold() {
    status = Status.SOLD;
    standingRank = Standing.BLANK.ordinal();
  }

  public void waitsAgain() {
    status = statusOf(amount());
    settledCustomerId = null;
    standingRank = Standing.BLANK.ordinal();
  }

  /** The bank took it back; or it is the debit by which the bank took something back. */
  public void takenBack() {
    status = Status.RETURNED;
    settledCustomerId = null;
    standingRank = Standing.BLANK.ordinal();
  }

  /** Set aside with a reason; it stays in every total. */
  void shelve(ShelvingReason reason, String note, String by, Instant at) {
    status = Status.SHELVED;
    shelvedReason = reason;
    shelvedNote = note;
    shelvedBy = by;
    shelvedAt = at;
  }

  void takeBack() {
    status = Status.WAITING;
    shelvedReason = null;
    shelvedNote = null;
    shelvedBy = null;
    shelvedAt = null;
  }

  ShelvingReason shelvedReason() {
    return shelvedReason;
  }

  String shelvedNote() {
    return shelvedNote;
  }

  String shelvedBy() {
    return shelvedBy;
  }

  Instant shelvedAt() {
    return shelvedAt;
  }

  /** The entry as the core knows money that arrived. */
  public Receipt toReceipt() {
    return new Receipt(
        id.toString(),
        companyId.toString(),
        bookedOn,
        amount(),
        payerName,
        payerAccount,
        remittance);
  }

  /** Who paid for whom; empty where nobody settled it, or that is to be forgotten. */
  Optional<PastPayer> toPastPayer() {
    return Optional.ofNullable(payerForgotten ? null : settledCustomerId)
        .map(customer -> new PastPayer(payerName, payerAccount, customer.toString()));
  }
}
