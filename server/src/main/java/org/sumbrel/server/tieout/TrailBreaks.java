package org.sumbrel.server.tieout;

import java.util.List;
import org.springframework.stereotype.Component;
import org.sumbrel.core.money.MoneyText;

/** Where the cent trail breaks, in sentences, for whoever only wants to know whether it does. */
@Component
public class TrailBreaks {

  private final CentTrails trails;

  TrailBreaks(CentTrails trails) {
    this.trails = trails;
  }

  /** What breaks the trail of a company; empty where it is whole. */
  public List<String> of(Long company) {
    return trails.breaks(company).stream()
        .map(
            b ->
                (b.entryId() == null ? "intake " + b.intakeId() : "entry " + b.entryId())
                    + " came to "
                    + MoneyText.grouped(b.told())
                    + ", and "
                    + MoneyText.grouped(b.found())
                    + " is accounted for")
        .toList();
  }
}
