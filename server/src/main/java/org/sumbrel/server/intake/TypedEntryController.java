package org.sumbrel.server.intake;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.table.OwnList;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.BankAccountEntity;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.desk.ProposalRenewal;

/** Entries typed from a paper statement, of a bank that sends no files; kept like a file. */
@RestController
@Tag(name = "intake")
class TypedEntryController {

  private static final int MOST = 200;

  private final Intakes intakes;
  private final IntakeViews views;
  private final BankAccounts bankAccounts;
  private final ProposalRenewal renewal;
  private final Clock clock;

  TypedEntryController(
      Intakes intakes,
      IntakeViews views,
      BankAccounts bankAccounts,
      ProposalRenewal renewal,
      Clock clock) {
    this.intakes = intakes;
    this.views = views;
    this.bankAccounts = bankAccounts;
    this.renewal = renewal;
    this.clock = clock;
  }

  record TypedEntry(
      @NotNull LocalDate bookedOn,
      @NotNull @Schema(description = "money to us positive") @Valid MoneyView amount,
      @NotNull @Size(max = 300) String payerName,
      @NotNull @Size(max = 64) String payerAccount,
      @NotNull @Size(max = 1_000) String text) {}

  record TypedEntries(@NotEmpty @Size(max = MOST) List<@Valid TypedEntry> entries) {}

  @PostMapping("/api/bank-accounts/{id}/typed-entries")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(
      summary =
          "Takes in entries that somebody typed; one that is known already is counted as such")
  IntakeViews.IntakeView take(
      @PathVariable Long id, @Valid @RequestBody TypedEntries typed, Principal principal)
      throws BrokenFile, IOException {
    var account = bankAccounts.account(id);
    var list =
        OwnList.of(
            "booking_date",
            "amount",
            "currency",
            "account",
            "payer_name",
            "payer_account",
            "remittance");
    for (var n = 0; n < typed.entries().size(); n++) {
      var entry = typed.entries().get(n);
      require(entry, n + 1, account);
      list.row(
          entry.bookedOn().toString(),
          MoneyText.plain(entry.amount().toMoney()),
          account.currency(),
          account.number(),
          entry.payerName().strip(),
          entry.payerAccount().strip(),
          entry.text().strip());
    }
    var taken =
        intakes.take(
            account.companyId(),
            "Typed entries of " + account.name(),
            FileBytes.of(list.bytes()),
            "",
            id,
            principal.getName());
    renewal.after(account.companyId());
    return views.of(taken);
  }

  private void require(TypedEntry entry, int row, BankAccountEntity account) {
    if (!entry.amount().currency().equals(account.currency())) {
      throw new BadRequest(
          "Row " + row + ": " + account.name() + " is in " + account.currency() + ".");
    }
    if (entry.amount().toMoney().isZero()) {
      throw new BadRequest("Row " + row + ": an entry is about an amount other than zero.");
    }
    if (entry.bookedOn().isAfter(LocalDate.now(clock).plusDays(1))) {
      throw new BadRequest(
          "Row "
              + row
              + ": "
              + entry.bookedOn()
              + " is after today, "
              + LocalDate.now(clock)
              + ".");
    }
  }
}
