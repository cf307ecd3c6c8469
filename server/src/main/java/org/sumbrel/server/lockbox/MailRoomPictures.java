package org.sumbrel.server.lockbox;

import java.time.LocalDate;
import java.util.Optional;
import org.joda.money.Money;

/** Whoever took pictures of cheques that the office never had in its hands. */
public interface MailRoomPictures {

  /**
   * A cheque whose picture is asked for.
   *
   * @param lockbox the number of the box
   * @param batch the number of the batch
   * @param item its number in the batch
   * @param drawer as far as the file names one
   */
  record Asked(
      Long company,
      String lockbox,
      LocalDate depositedOn,
      String batch,
      String item,
      String drawer,
      Money amount,
      String routing,
      String account,
      String number) {}

  /**
   * The picture, as SVG; empty where there is none.
   *
   * @throws org.sumbrel.server.api.Conflict where the mail room cannot be reached
   */
  Optional<String> of(Asked cheque);
}
