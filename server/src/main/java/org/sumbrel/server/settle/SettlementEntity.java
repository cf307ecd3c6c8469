package org.sumbrel.server.settle;

import jakarta.persistence.CascadeType;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.OneToMany;
import jakarta.persistence.OrderBy;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.hibernate.annotations.BatchSize;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.propose.Manner;
import org.sumbrel.core.propose.Standing;
import org.sumbrel.core.settle.Exchanged;
import org.sumbrel.core.settle.Settlement;

/** A posted settlement; only its reversal is ever added to it. */
@Entity
@Table(name = "settlement")
class SettlementEntity {

  enum Status {
    POSTED,
    REVERSED
  }

  /**
   * How it came about: an explanation of the engine as it stood, chosen, posted with all clear or
   * without a hand; or made by hand.
   */
  enum Origin {
    EXPLANATION,
    CLEAR,
    HAND,
    UNATTENDED,
    /** A house rule posted it by itself. */
    TREATMENT
  }

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "settlement_seq")
  @SequenceGenerator(name = "settlement_seq", sequenceName = "settlement_seq", allocationSize = 1)
  private Long id;

  private Long companyId;
  private Long entryId;
  private String currency;
  private long receivedMinor;
  private long onAccountMinor;
  private long exchangedMinor;
  private Long onAccountCustomerId;

  @Enumerated(EnumType.STRING)
  private Origin origin;

  @Enumerated(EnumType.STRING)
  private Status status;

  private Long accountOfId;
  private Long payoutId;
  private String payoutWords;
  private Long treatmentId;
  private String treatmentName;
  private Long transferId;
  private Long transferWithId;
  private Long sentFromId;
  private Long shownById;
  private String draftedBy;
  private String postedBy;
  private Instant postedAt;
  private LocalDate postedOn;
  private Long journalEntryId;
  private Long replacesId;
  private String reversedBy;
  private Instant reversedAt;
  private String reversalReason;
  private Long reversalEntryId;

  @Enumerated(EnumType.STRING)
  private Standing proposedStanding;

  private Double proposedProbability;
  private String proposedEvidence;
  private Boolean proposedRight;

  @Enumerated(EnumType.STRING)
  private Manner chosenManner;

  @Version private long version;

  @OneToMany(mappedBy = "settlement", cascade = CascadeType.PERSIST, fetch = FetchType.LAZY)
  @OrderBy("position")
  @BatchSize(size = 200)
  private List<ApplicationEntity> applications = new ArrayList<>();

  @OneToMany(mappedBy = "settlement", cascade = CascadeType.PERSIST, fetch = FetchType.LAZY)
  @OrderBy("position")
  @BatchSize(size = 200)
  private List<AdjustmentEntity> adjustments = new ArrayList<>();

  @OneToMany(mappedBy = "settlement", cascade = CascadeType.PERSIST, fetch = FetchType.LAZY)
  @OrderBy("position")
  @BatchSize(size = 200)
  private List<SettlementRateEntity> rates = new ArrayList<>();

  @OneToMany(mappedBy = "settlement", cascade = CascadeType.PERSIST, fetch = FetchType.LAZY)
  @OrderBy("position")
  @BatchSize(size = 200)
  private List<SettledElsewhereEntity> elsewhere = new ArrayList<>();

  protected SettlementEntity() {}

  /**
   * A settlement that is posted now.
   *
   * @param entryId the bank entry it explains; null where no money came
   * @param accountOfId the customer whose account it is about, where there is no entry
   * @param draftedBy who made the draft, where somebody else approved it; else null
   * @param replacesId the reversed settlement in whose place it stands, or null
   */
  SettlementEntity(
      Settlement settlement,
      Long entryId,
      Long accountOfId,
      Origin origin,
      String draftedBy,
      String postedBy,
      Instant postedAt,
      LocalDate postedOn,
      Long journalEntryId,
      Long replacesId) {
    this.companyId = Long.valueOf(settlement.receipt().companyId());
    this.entryId = entryId;
    this.accountOfId = accountOfId;
    this.draftedBy = draftedBy;
    this.currency = settlement.receipt().amount().getCurrencyUnit().getCode();
    this.receivedMinor = settlement.receipt().amount().getAmountMinorLong();
    this.onAccountMinor = settlement.onAccount().getAmountMinorLong();
    this.onAccountCustomerId =
        settlement.onAccount().isZero()
            ? null
            : settlement.onAccountCustomer().map(Long::valueOf).orElse(null);
    this.origin = origin;
    this.status = Status.POSTED;
    this.postedBy = postedBy;
    this.postedAt = postedAt;
    this.postedOn = postedOn;
    this.journalEntryId = journalEntryId;
    this.replacesId = replacesId;
    for (var application : settlement.applications()) {
      applications.add(new ApplicationEntity(this, applications.size(), application));
    }
    for (var adjustment : settlement.adjustments()) {
      adjustments.add(new AdjustmentEntity(this, adjustments.size(), adjustment));
    }
    for (var exchanged : settlement.exchanges()) {
      exchangedMinor += exchanged.given().getAmountMinorLong();
      rates.add(new SettlementRateEntity(this, rates.size(), exchanged));
    }
  }

  /** What it took of the items, and the rates at which the books value what came. */
  void valued(Valuing.Valued valued) {
    for (var application : applications) {
      Optional.ofNullable(valued.taken().get(application.itemId())).ifPresent(application::took);
    }
    for (var used : valued.used()) {
      rates.add(new SettlementRateEntity(this, rates.size(), used.companyId(), used.rate()));
    }
  }

  /** It wrote an entry into the journal of another company as well. */
  void wroteFor(Long otherCompany, Long otherEntry) {
    elsewhere.add(new SettledElsewhereEntity(this, elsewhere.size(), otherCompany, otherEntry));
  }

  /** What it wrote for other companies. */
  List<SettledElsewhereEntity> elsewhere() {
    return elsewhere;
  }

  /** The rates that are kept with it. */
  List<SettlementRateEntity> rates() {
    return rates;
  }

  /** What of the receipt counts elsewhere. */
  List<Exchanged> exchanges() {
    return rates.stream().flatMap(r -> r.exchanged().stream()).toList();
  }

  /**
   * What stood there as the first explanation when it was posted.
   *
   * @param evidence code of what spoke most for it
   * @param right whether it is what was posted
   */
  void proposed(Standing standing, double probability, String evidence, boolean right) {
    proposedStanding = standing;
    proposedProbability = probability;
    proposedEvidence = evidence;
    proposedRight = right;
  }

  /** Somebody took another explanation than the one that stood first. */
  void chosen(Manner manner) {
    chosenManner = manner;
  }

  /** It is what a payout is booked as. */
  void of(Long payout, String words) {
    payoutId = payout;
    payoutWords = words;
  }

  /** It follows a house rule, or is one side of a transfer. */
  void on(Grounds grounds) {
    treatmentId = grounds.treatmentId();
    treatmentName = grounds.treatmentName();
    transferId = grounds.transferId();
    transferWithId = grounds.transferWithId();
  }

  /** A refund that was sent from a bank account, which the bank has not shown yet. */
  void sentFrom(Long bankAccount) {
    sentFromId = bankAccount;
  }

  /** The bank has shown the refund. */
  void shownBy(Long entry) {
    shownById = entry;
  }

  Long treatmentId() {
    return treatmentId;
  }

  String treatmentName() {
    return treatmentName;
  }

  Long transferId() {
    return transferId;
  }

  Long transferWithId() {
    return transferWithId;
  }

  Long sentFromId() {
    return sentFromId;
  }

  Long shownById() {
    return shownById;
  }

  Long payoutId() {
    return payoutId;
  }

  /** How its payout is spoken of; null where it is of none. */
  String payoutWords() {
    return payoutWords;
  }

  Long id() {
    return id;
  }

  Long companyId() {
    return companyId;
  }

  Long entryId() {
    return entryId;
  }

  Money money(long minor) {
    return Money.ofMinor(CurrencyUnit.of(currency), minor);
  }

  Money received() {
    return money(receivedMinor);
  }

  Money onAccount() {
    return money(onAccountMinor);
  }

  Long accountOfId() {
    return accountOfId;
  }

  String draftedBy() {
    return draftedBy;
  }

  Long onAccountCustomerId() {
    return onAccountCustomerId;
  }

  Origin origin() {
    return origin;
  }

  Status status() {
    return status;
  }

  String postedBy() {
    return postedBy;
  }

  /** Who posted it or, later, took it back. */
  String lastTouchedBy() {
    return reversedBy == null ? postedBy : reversedBy;
  }

  Instant postedAt() {
    return postedAt;
  }

  LocalDate postedOn() {
    return postedOn;
  }

  Long journalEntryId() {
    return journalEntryId;
  }

  Long replacesId() {
    return replacesId;
  }

  String reversedBy() {
    return reversedBy;
  }

  Instant reversedAt() {
    return reversedAt;
  }

  String reversalReason() {
    return reversalReason;
  }

  List<ApplicationEntity> applications() {
    return applications;
  }

  List<AdjustmentEntity> adjustments() {
    return adjustments;
  }

  void reversed(String by, Instant at, String reason, Long mirrorEntryId) {
    status = Status.REVERSED;
    reversedBy = by;
    reversedAt = at;
    reversalReason = reason;
    reversalEntryId = mirrorEntryId;
  }
}
