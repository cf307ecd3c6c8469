package org.sumbrel.server.settle;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.Collection;
import java.util.Map;

/** From which lockbox batch money came, for whoever shows what became of it. */
public interface ChequeOrigins {

  /** A cheque in its batch. */
  record ChequeOrigin(
      @NotNull Long entryId,
      @NotNull Long batchId,
      @NotNull String number,
      @NotNull String lockbox,
      @NotNull LocalDate depositedOn,
      @NotNull @Schema(description = "its number in the batch") String item,
      @NotNull String chequeNumber) {}

  /** The cheques among these entries, by the entry's id. */
  Map<Long, ChequeOrigin> of(Collection<Long> entryIds);
}
