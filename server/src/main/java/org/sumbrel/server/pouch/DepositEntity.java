package org.sumbrel.server.pouch;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Embeddable;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.MapKeyColumn;
import jakarta.persistence.OrderColumn;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.deposit.CashCount;
import org.sumbrel.core.deposit.Deposit;
import org.sumbrel.core.deposit.DepositLine;

/** Receipts banked together. */
@Entity
@Table(name = "deposit")
class DepositEntity {

  enum Status {
    /** Opened again: it can be changed, and is in no account. */
    OPEN,
    /** Taken to the bank; in transit as far as the bank has not shown it. */
    MADE,
    /** The bank has shown all of it. */
    TIED,
    /** Given up; its receipts are in the pouch again. */
    GIVEN_UP
  }

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "deposit_seq")
  @SequenceGenerator(name = "deposit_seq", sequenceName = "deposit_seq", allocationSize = 1)
  private Long id;

  private Long companyId;
  private Long bankAccountId;
  private LocalDate bankedOn;
  private String slip;
  private String currency;

  @Enumerated(EnumType.STRING)
  private Status status;

  private long totalMinor;
  private long shownMinor;
  private String madeBy;
  private Instant madeAt;
  private Long journalEntryId;
  private Long payoutId;
  @Version private Long version;

  @ElementCollection
  @CollectionTable(name = "deposit_line", joinColumns = @JoinColumn(name = "deposit_id"))
  @OrderColumn(name = "place")
  private List<Line> lines = new ArrayList<>();

  @ElementCollection
  @CollectionTable(name = "deposit_count", joinColumns = @JoinColumn(name = "deposit_id"))
  @MapKeyColumn(name = "piece_minor")
  @Column(name = "pieces")
  private Map<Long, Integer> counted = new HashMap<>();

  @ElementCollection
  @CollectionTable(name = "deposit_shown", joinColumns = @JoinColumn(name = "deposit_id"))
  private List<Shown> shown = new ArrayList<>();

  /**
   * A line beside the receipts; one that was added when the deposit was tied has an entry of its
   * own.
   */
  @Embeddable
  static class Line {
    @Enumerated(EnumType.STRING)
    private DepositLine.Kind kind;

    private Long ledgerAccountId;
    private long amountMinor;
    private String words;
    private Long journalEntryId;

    protected Line() {}

    Line(DepositLine line, Long journalEntryId) {
      this.kind = line.kind();
      this.ledgerAccountId = line.accountId().map(Long::valueOf).orElse(null);
      this.amountMinor = line.amount().getAmountMinorLong();
      this.words = line.words();
      this.journalEntryId = journalEntryId;
    }

    Long journalEntryId() {
      return journalEntryId;
    }

    DepositLine toLine(CurrencyUnit currency) {
      return new DepositLine(
          kind,
          Money.ofMinor(currency, amountMinor),
          Optional.ofNullable(ledgerAccountId).map(Object::toString),
          words);
    }
  }

  /** What an entry of the bank shows of it. */
  @Embeddable
  static class Shown {
    private Long entryId;
    private long amountMinor;
    private String tiedBy;
    private Instant tiedAt;

    protected Shown() {}

    Shown(Long entryId, Money amount, String tiedBy, Instant tiedAt) {
      this.entryId = entryId;
      this.amountMinor = amount.getAmountMinorLong();
      this.tiedBy = tiedBy;
      this.tiedAt = tiedAt;
    }

    Long entryId() {
      return entryId;
    }

    long amountMinor() {
      return amountMinor;
    }

    String tiedBy() {
      return tiedBy;
    }
  }

  protected DepositEntity() {}

  /** A deposit of nothing yet. */
  DepositEntity(
      Long companyId, Long bankAccountId, String currency, LocalDate on, String by, Instant at) {
    this.companyId = companyId;
    this.bankAccountId = bankAccountId;
    this.currency = currency;
    this.bankedOn = on;
    this.slip = "";
    this.madeBy = by;
    this.madeAt = at;
    this.status = Status.OPEN;
  }

  /** It is what a processor sent. */
  void paidOut(Long payout) {
    payoutId = payout;
  }

  /** The payout whose it is; null where somebody carried it to the bank. */
  Long payoutId() {
    return payoutId;
  }

  /** Takes it to the bank as it is. */
  void make(
      Long account, String slipNumber, Deposit deposit, CashCount count, String by, Instant at) {
    bankAccountId = account;
    bankedOn = deposit.on();
    slip = slipNumber;
    totalMinor = deposit.total().getAmountMinorLong();
    lines.clear();
    deposit.lines().forEach(line -> lines.add(new Line(line, null)));
    counted.clear();
    count.pieces().forEach((piece, n) -> counted.put(piece.getAmountMinorLong(), n));
    madeBy = by;
    madeAt = at;
    status = Status.MADE;
  }

  void booked(Long journalEntry) {
    journalEntryId = journalEntry;
  }

  void open() {
    status = Status.OPEN;
    journalEntryId = null;
  }

  void giveUp() {
    status = Status.GIVEN_UP;
    totalMinor = 0;
  }

  /** Adds what explains a difference to what the bank shows. */
  void add(DepositLine line, Long journalEntry) {
    lines.add(new Line(line, journalEntry));
    totalMinor += line.amount().getAmountMinorLong();
  }

  void show(Long entryId, Money amount, String by, Instant at) {
    shown.add(new Shown(entryId, amount, by, at));
    shownMinor += amount.getAmountMinorLong();
    status = shownMinor == totalMinor ? Status.TIED : Status.MADE;
  }

  /** Nothing is known any more of what the bank shows of it; the lines that explained it go. */
  List<Long> untie() {
    var entries = new ArrayList<Long>();
    for (var line : lines) {
      if (line.journalEntryId() != null) {
        entries.add(line.journalEntryId());
        totalMinor -= line.amountMinor;
      }
    }
    lines.removeIf(line -> line.journalEntryId() != null);
    shown.clear();
    shownMinor = 0;
    status = Status.MADE;
    return entries;
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

  LocalDate bankedOn() {
    return bankedOn;
  }

  String slip() {
    return slip;
  }

  CurrencyUnit currency() {
    return CurrencyUnit.of(currency);
  }

  Status status() {
    return status;
  }

  Money total() {
    return Money.ofMinor(currency(), totalMinor);
  }

  Money left() {
    return Money.ofMinor(currency(), totalMinor - shownMinor);
  }

  String madeBy() {
    return madeBy;
  }

  Long journalEntryId() {
    return journalEntryId;
  }

  Long version() {
    return version;
  }

  List<DepositLine> lines() {
    return lines.stream().map(line -> line.toLine(currency())).toList();
  }

  List<Shown> shown() {
    return List.copyOf(shown);
  }

  CashCount count() {
    var pieces = new HashMap<Money, Integer>();
    counted.forEach((minor, n) -> pieces.put(Money.ofMinor(currency(), minor), n));
    return new CashCount(currency(), pieces);
  }
}
