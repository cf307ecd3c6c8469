package org.sumbrel.server.customers;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.math.MathContext;
import java.time.LocalDate;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.exchange.Rate;
import org.sumbrel.core.journal.AccountRole;
import org.sumbrel.core.journal.JournalEntry;
import org.sumbrel.core.receivables.Claim;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.core.receivables.CreditNote;
import org.sumbrel.core.receivables.EarlyPaymentTerms;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OnAccount;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.RefundDue;

/**
 * Anything on a customer's account with a balance; amounts in minor units, signed from our side.
 */
@Entity
@Table(name = "open_item")
public class OpenItemEntity {

  /** What kind of item it is. */
  public enum Kind {
    INVOICE(AccountRole.RECEIVABLE),
    CREDIT_NOTE(AccountRole.RECEIVABLE),
    ON_ACCOUNT(AccountRole.UNAPPLIED_RECEIPTS),
    CLAIM(AccountRole.CLAIMS),
    REFUND(AccountRole.REFUNDS_DUE);

    private final AccountRole role;

    Kind(AccountRole role) {
      this.role = role;
    }

    /** The control account on which such items stand: that of {@code Posting.roleOf}. */
    public AccountRole role() {
      return role;
    }
  }

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "open_item_seq")
  @SequenceGenerator(name = "open_item_seq", sequenceName = "open_item_seq", allocationSize = 50)
  private Long id;

  private Long companyId;
  private Long customerId;
  private Long intakeId;

  @Enumerated(EnumType.STRING)
  private Kind kind;

  private String number;
  private LocalDate issuedOn;
  private LocalDate dueOn;
  private String currency;
  private long totalMinor;
  private long openMinor;
  private String orderReference;
  private String creditorReference;
  private String terms;
  private LocalDate settledOn;

  @Enumerated(EnumType.STRING)
  private ClaimReason claimReason;

  private long taxMinor;
  private Long worthMinor;
  private Long madeBySettlementId;
  @Version private long version;

  protected OpenItemEntity() {}

  /**
   * A row for an item that is new; its id is given by the database, whatever the item calls itself.
   */
  OpenItemEntity(OpenItem item, Long intakeId) {
    this.companyId = Long.valueOf(item.companyId());
    this.customerId = Long.valueOf(item.customerId());
    this.intakeId = intakeId;
    this.number = item.number();
    this.issuedOn = item.issuedOn();
    this.dueOn = item.dueOn();
    this.currency = item.total().getCurrencyUnit().getCode();
    this.totalMinor = item.total().getAmountMinorLong();
    this.openMinor = item.open().getAmountMinorLong();
    this.orderReference = "";
    this.creditorReference = "";
    this.terms = "";
    if (item instanceof Invoice invoice) {
      this.kind = Kind.INVOICE;
      this.orderReference = invoice.orderReference();
      this.creditorReference = invoice.creditorReference();
      this.terms = invoice.terms().map(Object::toString).orElse("");
    } else if (item instanceof Claim claim) {
      this.kind = Kind.CLAIM;
      this.claimReason = claim.reason();
    } else if (item instanceof RefundDue) {
      this.kind = Kind.REFUND;
    } else {
      this.kind = item instanceof CreditNote ? Kind.CREDIT_NOTE : Kind.ON_ACCOUNT;
    }
  }

  /** A row for an item that a settlement made. */
  static OpenItemEntity madeBy(Long settlementId, OpenItem item, String prepaid) {
    var row = new OpenItemEntity(item, null);
    row.madeBySettlementId = settlementId;
    if (item instanceof OnAccount) {
      row.orderReference = prepaid;
    }
    return row;
  }

  /** The settlement that made it; null where it came otherwise. */
  public Long madeBySettlementId() {
    return madeBySettlementId;
  }

  /** The tax contained in the total, for whoever reads the books. */
  void contains(Money tax) {
    taxMinor = tax.getAmountMinorLong();
  }

  /** The tax that the total contains; zero where none was told. */
  public Money tax() {
    return Money.ofMinor(CurrencyUnit.of(currency), taxMinor);
  }

  /**
   * What its open balance stands in the books with, where it is in another currency than they are.
   *
   * @return empty where it is in theirs, or where no rate of its day is known
   */
  public Optional<Money> worth(CurrencyUnit books) {
    return Optional.ofNullable(worthMinor).map(minor -> Money.ofMinor(books, minor));
  }

  /** At which rate its open balance stands in the books; empty where that is not known. */
  private Optional<Rate> bookRate(CurrencyUnit books) {
    return worth(books)
        .filter(
            worth -> openMinor != 0 && worth.getAmount().signum() == open().getAmount().signum())
        .map(
            worth ->
                new Rate(
                    CurrencyUnit.of(currency),
                    books,
                    worth.getAmount().divide(open().getAmount(), MathContext.DECIMAL128)));
  }

  /**
   * An entry about it with what it stands in the books with, not at the rate of the entry's day.
   */
  public JournalEntry asInBooks(JournalEntry entry, CurrencyUnit books) {
    return entry.valued(books, unit -> bookRate(books));
  }

  /** Its balance becomes less past these books, and what it stands in them with does too. */
  public void isPaidElsewhere(Money left, LocalDate on, CurrencyUnit books) {
    bookRate(books).ifPresent(rate -> worthIs(rate.of(left)));
    balanceIs(left, on);
  }

  void worthIs(Money worth) {
    worthMinor = worth.getAmountMinorLong();
  }

  /** Its balance falls, and with it what it stands in the books with. */
  public void worthFalls(Money by) {
    worthMinor = (worthMinor == null ? 0 : worthMinor) - by.getAmountMinorLong();
  }

  /**
   * What was taken of it comes back.
   *
   * @param minor in minor units of the books' currency; null where nothing is known of it
   */
  public void worthComesBack(Long minor) {
    if (minor != null) {
      worthMinor = (worthMinor == null ? 0 : worthMinor) + minor;
    }
  }

  /** Nothing is left of it in the books. */
  public void worthNothing() {
    worthMinor = worthMinor == null ? null : 0L;
  }

  public ClaimReason claimReason() {
    return claimReason;
  }

  public Long id() {
    return id;
  }

  public Long companyId() {
    return companyId;
  }

  public Long customerId() {
    return customerId;
  }

  public Kind kind() {
    return kind;
  }

  public String number() {
    return number;
  }

  public LocalDate issuedOn() {
    return issuedOn;
  }

  public LocalDate dueOn() {
    return dueOn;
  }

  public String currency() {
    return currency;
  }

  public Money total() {
    return Money.ofMinor(CurrencyUnit.of(currency), totalMinor);
  }

  public Money open() {
    return Money.ofMinor(CurrencyUnit.of(currency), openMinor);
  }

  public String orderReference() {
    return orderReference;
  }

  public String terms() {
    return terms;
  }

  public LocalDate settledOn() {
    return settledOn;
  }

  public long version() {
    return version;
  }

  /** It is due on another day than was said first. */
  public void dueIs(LocalDate day) {
    dueOn = day;
  }

  /** Takes over the balance that the core came to. */
  public void balanceIs(Money open, LocalDate on) {
    openMinor = open.getAmountMinorLong();
    settledOn = openMinor == 0 ? on : null;
  }

  /** The item as the core knows it. */
  public OpenItem toItem() {
    var key = id.toString();
    var company = companyId.toString();
    var customer = customerId.toString();
    return switch (kind) {
      case INVOICE ->
          new Invoice(
              key,
              company,
              customer,
              number,
              issuedOn,
              dueOn,
              total(),
              open(),
              orderReference,
              creditorReference,
              terms.isEmpty() ? Optional.empty() : Optional.of(EarlyPaymentTerms.parse(terms)));
      case CREDIT_NOTE ->
          new CreditNote(key, company, customer, number, issuedOn, dueOn, total(), open());
      case ON_ACCOUNT -> new OnAccount(key, company, customer, number, issuedOn, total(), open());
      case CLAIM ->
          new Claim(key, company, customer, number, issuedOn, total(), open(), claimReason);
      case REFUND -> new RefundDue(key, company, customer, number, issuedOn, total(), open());
    };
  }
}
