package org.sumbrel.server.companies;

import java.math.BigDecimal;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.NotThere;

/** The tax codes of the companies. */
@Service
@Transactional(readOnly = true)
public class TaxCodes {

  private static final BigDecimal MOST_TAX = BigDecimal.valueOf(100);

  private final TaxCodeRepository taxCodes;

  TaxCodes(TaxCodeRepository taxCodes) {
    this.taxCodes = taxCodes;
  }

  public List<TaxCodeEntity> of(Long companyId) {
    return taxCodes.findByCompanyIdOrderByPercent(companyId);
  }

  /** The tax code, where the company has it. */
  public TaxCodeEntity code(Long companyId, String code) {
    return taxCodes
        .findById(new TaxCodeEntity.Key(companyId, code))
        .orElseThrow(() -> new NotThere("tax code", code));
  }

  /** A tax code for the first time, or with another name or rate; what was booked stays. */
  @Transactional
  public void decide(Long companyId, String code, String name, BigDecimal percent) {
    if (!code.matches("[0-9A-Z]{1,20}")) {
      throw new BadRequest("A tax code has up to 20 capital letters and digits.");
    }
    if (percent.signum() < 0 || percent.compareTo(MOST_TAX) >= 0 || percent.scale() > 4) {
      throw new BadRequest("A tax of " + percent.toPlainString() + " % is none.");
    }
    taxCodes
        .findById(new TaxCodeEntity.Key(companyId, code))
        .ifPresentOrElse(
            known -> known.is(Names.checked("tax code", name), percent),
            () ->
                taxCodes.save(
                    new TaxCodeEntity(companyId, code, Names.checked("tax code", name), percent)));
    taxCodes.flush();
  }

  @Transactional
  public void add(Long companyId, String code, String name, BigDecimal percent) {
    taxCodes.save(new TaxCodeEntity(companyId, code, name, percent));
  }
}
