package org.sumbrel.server.customers;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.hibernate.annotations.BatchSize;
import org.sumbrel.core.receivables.Customer;
import org.sumbrel.core.receivables.EarlyPaymentTerms;

/** A debtor of a company. */
@Entity
@Table(name = "customer")
public class CustomerEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "customer_seq")
  @SequenceGenerator(name = "customer_seq", sequenceName = "customer_seq", allocationSize = 50)
  private Long id;

  private Long companyId;
  private Long intakeId;
  private String number;
  private String name;
  private Long parentId;
  private boolean oldestFirst;
  private String terms = "";

  @ElementCollection(fetch = FetchType.LAZY)
  @CollectionTable(name = "customer_account", joinColumns = @JoinColumn(name = "customer_id"))
  @Column(name = "account")
  @BatchSize(size = 500)
  private Set<String> accounts = new LinkedHashSet<>();

  @Version private long version;

  protected CustomerEntity() {}

  CustomerEntity(Long companyId, String number, String name, Long intakeId) {
    this.companyId = companyId;
    this.intakeId = intakeId;
    this.number = number;
    this.name = name;
  }

  public Long id() {
    return id;
  }

  Long companyId() {
    return companyId;
  }

  public String number() {
    return number;
  }

  public String name() {
    return name;
  }

  public Long parentId() {
    return parentId;
  }

  boolean oldestFirst() {
    return oldestFirst;
  }

  /** What its invoices may be paid less for early, where they say nothing themselves. */
  public Optional<EarlyPaymentTerms> terms() {
    return terms.isEmpty() ? Optional.empty() : Optional.of(EarlyPaymentTerms.parse(terms));
  }

  Set<String> accounts() {
    return accounts;
  }

  /**
   * Takes over what a file says; accounts known before stay, and so does what the file is silent
   * about.
   */
  void update(
      String newName,
      List<String> moreAccounts,
      Optional<EarlyPaymentTerms> newTerms,
      Optional<Boolean> paysOldestFirst) {
    name = newName;
    accounts.addAll(moreAccounts);
    newTerms.ifPresent(t -> terms = t.toString());
    paysOldestFirst.ifPresent(p -> oldestFirst = p);
  }

  void paidBy(Long parent) {
    parentId = parent;
  }

  public Customer toCustomer() {
    return new Customer(
        id.toString(),
        companyId.toString(),
        name,
        Optional.ofNullable(parentId).map(Object::toString),
        List.copyOf(accounts),
        oldestFirst);
  }
}
