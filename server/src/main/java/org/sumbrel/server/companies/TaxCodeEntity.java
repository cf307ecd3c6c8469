package org.sumbrel.server.companies;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.math.BigDecimal;

/** A tax that an amount can contain, by its code in a company's books. */
@Entity
@Table(name = "tax_code")
@IdClass(TaxCodeEntity.Key.class)
public class TaxCodeEntity {

  /** A company and a code. */
  record Key(Long companyId, String code) implements Serializable {}

  @Id private Long companyId;
  @Id private String code;
  private String name;
  private BigDecimal percent;

  protected TaxCodeEntity() {}

  TaxCodeEntity(Long companyId, String code, String name, BigDecimal percent) {
    this.companyId = companyId;
    this.code = code;
    this.name = name;
    this.percent = percent;
  }

  public String code() {
    return code;
  }

  public String name() {
    return name;
  }

  /** In per cent on top of the net. */
  public BigDecimal percent() {
    return percent;
  }

  void is(String called, BigDecimal onTop) {
    name = called;
    percent = onTop;
  }
}
