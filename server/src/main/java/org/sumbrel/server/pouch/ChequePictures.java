package org.sumbrel.server.pouch;

import java.time.Clock;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.server.api.NotThere;

/** Pictures of cheques, kept beside the receipts that they show. */
@Service
@Transactional
public class ChequePictures {

  private final ChequePictureRepository rows;
  private final Clock clock;

  ChequePictures(ChequePictureRepository rows, Clock clock) {
    this.rows = rows;
    this.clock = clock;
  }

  /**
   * Keeps a drawn picture.
   *
   * @param svg what a scanner drew
   * @return its id
   */
  public Long keep(Long company, String svg) {
    return rows.save(new ChequePictureEntity(company, "image/svg+xml", svg, clock.instant())).id();
  }

  @Transactional(readOnly = true)
  ChequePictureEntity picture(Long company, Long id) {
    return rows.findById(id)
        .filter(p -> p.companyId().equals(company))
        .orElseThrow(() -> new NotThere("picture of a cheque", id));
  }
}
