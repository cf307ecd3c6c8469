package org.sumbrel.server.treat;

import jakarta.persistence.Embeddable;
import java.math.BigDecimal;
import org.sumbrel.core.treat.Share;

/** What of an entry goes to one account. */
@Embeddable
class TreatmentShare {

  private Long ledgerAccountId;
  private BigDecimal percent;
  private BigDecimal taxPercent;
  private String words;

  protected TreatmentShare() {}

  TreatmentShare(Share share) {
    ledgerAccountId = Long.valueOf(share.accountId());
    percent = share.percent();
    taxPercent = share.taxPercent();
    words = share.words();
  }

  Share toShare() {
    return new Share(ledgerAccountId.toString(), percent, taxPercent, words);
  }
}
