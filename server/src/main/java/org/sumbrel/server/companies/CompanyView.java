package org.sumbrel.server.companies;

import jakarta.validation.constraints.NotNull;
import java.util.List;

/** A company with its bank accounts. */
public record CompanyView(
    @NotNull Long id,
    @NotNull String name,
    @NotNull String currency,
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
