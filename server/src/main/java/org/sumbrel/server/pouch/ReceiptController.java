package org.sumbrel.server.pouch;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.LocalDate;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.deposit.CodeLine;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.settle.SettlementRefused;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.api.PictureAnswer;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.desk.ProposalRenewal;
import org.sumbrel.server.settle.ReceiptSettling;

/** Receipts in the office: recorded, listed, withdrawn. */
@RestController
@Tag(name = "pouch")
class ReceiptController {

  private static final int MOST_PROPOSED = 3;

  private final Pouch pouch;
  private final PouchViews views;
  private final ChequePictures pictures;
  private final ReceiptLookup lookup;
  private final ReceiptSettling settling;
  private final ProposalRenewal renewal;
  private final Companies companies;

  ReceiptController(
      Pouch pouch,
      PouchViews views,
      ChequePictures pictures,
      ReceiptLookup lookup,
      ReceiptSettling settling,
      ProposalRenewal renewal,
      Companies companies) {
    this.pouch = pouch;
    this.views = views;
    this.pictures = pictures;
    this.lookup = lookup;
    this.settling = settling;
    this.renewal = renewal;
    this.companies = companies;
  }

  record RecordedView(
      @NotNull PouchViews.HeldView receipt,
      @Schema(
              description =
                  "why what was said it pays was not posted; null where it was, or nothing was said")
          String left) {}

  record CodeLineView(
      @NotNull String routing, @NotNull String account, @NotNull String chequeNumber) {}

  record Withdrawal(@NotBlank @Size(max = 400) String reason) {}

  @GetMapping("/api/receipts")
  @Operation(summary = "What is in the pouch, by method and in all, and what the books say of it")
  PouchViews.PouchView inPouch(
      @RequestParam(required = false) Long company,
      @RequestParam(required = false) String currency) {
    var owner = companies.company(company);
    return views.pouch(owner.id(), owner.unit(currency));
  }

  @PostMapping("/api/receipts")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(
      summary =
          "Records a receipt and settles what it pays in full; where that does not come to the cent it waits on the desk")
  RecordedView record(
      @RequestParam(required = false) Long company,
      @Valid @RequestBody RecordReceipt call,
      Principal principal) {
    var owner = companies.idOf(company);
    var actor = Actor.of(principal);
    var id = pouch.record(owner, call, actor);
    var left = settle(id, call, actor);
    renewal.after(owner);
    return new RecordedView(views.one(id), left);
  }

  /** The receipt is recorded, whatever becomes of what it pays. */
  private String settle(Long id, RecordReceipt call, Actor actor) {
    if (call.itemIds() == null || call.itemIds().isEmpty()) {
      return null;
    }
    try {
      return settling.inFull(id, call.itemIds(), actor).isPresent()
          ? null
          : "It does not come to what is open of these items; it waits on the desk.";
    } catch (SettlementRefused | Conflict e) {
      return e.getMessage();
    }
  }

  @GetMapping("/api/receipts/lookup")
  @Operation(summary = "What numbers name, and what it takes to pay it in full on a day")
  ReceiptLookup.Looked lookup(
      @RequestParam(required = false) Long company,
      @RequestParam(required = false) String currency,
      @RequestParam String words,
      @RequestParam LocalDate on) {
    var owner = companies.company(company);
    return lookup.find(owner.id(), owner.unit(currency), words, on);
  }

  record WouldPayView(
      @NotNull List<String> numbers,
      @NotNull @Schema(description = "the probability in words") String odds,
      @NotNull @Schema(description = "what speaks most for it") String says,
      @NotNull @Schema(description = "whether it pays these items whole, with nothing left")
          boolean whole) {}

  @GetMapping("/api/receipts/proposals")
  @Operation(
      summary =
          "What a receipt that is being recorded would pay, the likeliest first, at most three")
  List<WouldPayView> wouldPay(
      @RequestParam(required = false) Long company,
      @RequestParam(required = false) String currency,
      @RequestParam @Schema(description = "plain decimal") String amount,
      @RequestParam LocalDate on,
      @RequestParam(defaultValue = "") @Size(max = 300) String from,
      @RequestParam(defaultValue = "") @Size(max = 64) String drawerAccount) {
    var owner = companies.company(company);
    var unit = owner.unit(currency);
    var money = new MoneyView(amount, unit.getCode()).toMoney();
    if (!money.isPositive()) {
      throw new BadRequest("A receipt is of an amount above zero, not " + amount + ".");
    }
    var receipt = new Receipt("new", owner.id().toString(), on, money, from, drawerAccount, "");
    return renewal.ifCame(owner.id(), receipt).stream()
        .limit(MOST_PROPOSED)
        .map(p -> new WouldPayView(p.numbers(), p.odds(), p.says(), p.whole()))
        .toList();
  }

  @GetMapping("/api/code-line")
  @Operation(
      summary =
          "Reads the code line of a cheque and holds its routing number against its check digit")
  CodeLineView codeLine(@RequestParam @Size(max = 200) String text) {
    try {
      var line = CodeLine.parse(text);
      return new CodeLineView(line.routing(), line.account(), line.chequeNumber());
    } catch (CodeLine.Unreadable e) {
      throw new BadRequest(e.getMessage());
    }
  }

  @PostMapping("/api/receipts/{id}/withdrawal")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Takes a receipt out that was recorded by mistake or given back")
  void withdraw(@PathVariable Long id, @Valid @RequestBody Withdrawal why, Principal principal) {
    renewal.after(pouch.withdraw(id, why.reason().strip(), Actor.of(principal)));
  }

  @GetMapping("/api/receipts/pictures/{id}")
  @Operation(summary = "The picture of a cheque")
  ResponseEntity<String> picture(
      @RequestParam(required = false) Long company, @PathVariable Long id) {
    var picture = pictures.picture(companies.idOf(company), id);
    return PictureAnswer.of(picture.mediaType(), picture.content());
  }

  @GetMapping("/api/entries/{id}/receipt")
  @Operation(summary = "The receipt as which an entry of the pouch was recorded")
  PouchViews.HeldView ofEntry(@PathVariable Long id) {
    return views.one(id);
  }
}
