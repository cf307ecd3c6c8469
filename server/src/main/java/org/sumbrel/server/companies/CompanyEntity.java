package org.sumbrel.server.companies;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import org.joda.money.CurrencyUnit;
import org.sumbrel.server.api.Currencies;

/** One legal entity of the group. */
@Entity
@Table(name = "company")
public class CompanyEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "company_seq")
  @SequenceGenerator(name = "company_seq", sequenceName = "company_seq", allocationSize = 50)
  private Long id;

  private String name;
  private String currency;
  @Version private long version;

  protected CompanyEntity() {}

  CompanyEntity(String name, String currency) {
    this.name = name;
    this.currency = currency;
  }

  public Long id() {
    return id;
  }

  public String name() {
    return name;
  }

  public String currency() {
    return currency;
  }

  /** The currency of a code that was asked for, or that of its books where none was. */
  public CurrencyUnit unit(String asked) {
    return Currencies.unit(asked == null ? currency : asked);
  }

  void isCalled(String other) {
    name = other;
  }

  void keepsBooksIn(String code) {
    currency = code;
  }

  long version() {
    return version;
  }
}
