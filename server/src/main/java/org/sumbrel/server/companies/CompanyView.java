package org.sumbrel.server.companies;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.util.List;

/** A company with its bank accounts. */
public record CompanyView(
    @NotNull Long id,
    @NotNull String name,
    @NotNull String currency,
    @NotNull
        @Schema(description = "in which something may stand; that of its first bank account first")
        List<String> currencies,
    @NotNull List<BankAccountView> bankAccounts) {

  /** A company by its name. */
  public record CompanyName(@NotNull Long id, @NotNull String name) {}

  /** An account of the company at a bank. */
  public record BankAccountView(
      @NotNull Long id,
      @NotNull String name,
      @NotNull String bank,
      @NotNull String number,
      @NotNull String currency) {}
}
