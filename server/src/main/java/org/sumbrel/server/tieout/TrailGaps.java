package org.sumbrel.server.tieout;

import java.util.HashMap;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Component;

/**
 * What is missing in the cent trail of a company, by currency: nothing, or the books are broken.
 */
@Component
public class TrailGaps {

  private final CentTrails trails;

  TrailGaps(CentTrails trails) {
    this.trails = trails;
  }

  /** As it stands now; of currencies in which nothing came there is none. */
  public Map<CurrencyUnit, Money> of(Long company) {
    var gaps = new HashMap<CurrencyUnit, Money>();
    trails
        .byAccount(company)
        .forEach(trail -> gaps.merge(trail.currency(), trail.trail().gap(), Money::plus));
    return gaps;
  }
}
