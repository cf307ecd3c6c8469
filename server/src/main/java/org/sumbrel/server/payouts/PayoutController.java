package org.sumbrel.server.payouts;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.security.Principal;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.payout.PayoutItemType;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.Page;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.desk.ProposalRenewal;
import org.sumbrel.server.payouts.PayoutJobs.Doing;

/** Payouts of processors and marketplaces. */
@RestController
@RequestMapping("/api/payouts")
@Tag(name = "payouts")
class PayoutController {

  private final PayoutRepository rows;
  private final Payouts payouts;
  private final PayoutViews views;
  private final PayoutDecisions decisions;
  private final PayoutPosting posting;
  private final PayoutJobs jobs;
  private final PayoutExchange exchange;
  private final Companies companies;
  private final ProposalRenewal renewal;

  PayoutController(
      PayoutRepository rows,
      Payouts payouts,
      PayoutViews views,
      PayoutDecisions decisions,
      PayoutPosting posting,
      PayoutJobs jobs,
      PayoutExchange exchange,
      Companies companies,
      ProposalRenewal renewal) {
    this.rows = rows;
    this.payouts = payouts;
    this.views = views;
    this.decisions = decisions;
    this.posting = posting;
    this.jobs = jobs;
    this.exchange = exchange;
    this.companies = companies;
    this.renewal = renewal;
  }

  record PayoutReason(@NotBlank @Size(max = 400) String reason) {}

  record PayoutBelongs(
      @NotNull JoinText.Kind kind,
      @Schema(
              description =
                  "the open item, the receipt, or the sale; null where it is none of them")
          Long target) {}

  record PayoutItemIs(@NotNull PayoutItemType type) {}

  record BookPayout(
      @Schema(description = "to which the processor sent; null where it sent nothing")
          Long bankAccountId,
      @Schema(description = "whether every new sale is written as a line of its own; else by day")
          Boolean eachSale) {}

  record LookedAgain(
      @NotNull @Schema(description = "how many items belong to something else now") int changed) {}

  @GetMapping
  @Operation(summary = "Payouts, the latest first")
  Page<PayoutViews.PayoutRow> list(
      @RequestParam(required = false) Long company,
      @Parameter(description = "only those that this intake brought")
          @RequestParam(required = false)
          Long intake,
      @RequestParam(required = false) String cursor,
      @RequestParam(defaultValue = "50") int limit) {
    var size = Page.limit(limit);
    var found =
        rows.latest(
            companies.idOf(company),
            intake,
            Page.cursor(cursor, Long.MAX_VALUE),
            Limit.of(size + 1));
    return Page.of(found.stream().map(views::row).toList(), size, r -> r, r -> r.id().toString());
  }

  @GetMapping("/{id}")
  @Operation(summary = "A payout as a statement of its period")
  PayoutViews.PayoutView one(@PathVariable Long id) {
    return views.view(payouts.payout(id));
  }

  @GetMapping("/{id}/items")
  @Operation(summary = "The items of a payout with what they belong to, in the order of the file")
  PayoutViews.PayoutItemPage items(
      @PathVariable Long id,
      @RequestParam(required = false) List<PayoutItemType> type,
      @RequestParam(required = false) List<JoinText.Kind> join,
      @Parameter(description = "only those of which something is kept or comes back")
          @RequestParam(defaultValue = "false")
          boolean withFee,
      @RequestParam(required = false) String cursor,
      @RequestParam(defaultValue = "100") int limit) {
    return views.items(
        payouts.payout(id),
        type == null ? List.of() : type,
        join == null ? List.of() : join,
        withFee,
        (int) Page.cursor(cursor, 0),
        Page.limit(limit));
  }

  @GetMapping("/{id}/pairs")
  @Operation(
      summary =
          "The sales that items of a payout are about, each beside what was taken back of it and what that cost")
  List<PayoutViews.SalePair> pairs(@PathVariable Long id) {
    return views.pairs(payouts.payout(id));
  }

  @GetMapping("/{id}/exchange")
  @Operation(
      summary =
          "What was changed into another currency within the statement, and the realised difference to a rate; nothing where nothing was")
  @ApiResponse(responseCode = "200")
  @ApiResponse(responseCode = "204", content = @Content)
  ResponseEntity<PayoutExchange.ExchangeView> exchange(
      @PathVariable Long id,
      @Parameter(
              description =
                  "units of what was got for one of what was given, as the sales count in the books",
              example = "1.0850")
          @RequestParam(required = false)
          BigDecimal rate) {
    return exchange
        .of(payouts.payout(id), rate)
        .map(ResponseEntity::ok)
        .orElseGet(() -> ResponseEntity.noContent().build());
  }

  @PutMapping("/{id}/items/{itemId}/join")
  @Operation(summary = "Says what an item belongs to")
  PayoutViews.PayoutView belongs(
      @PathVariable Long id,
      @PathVariable Long itemId,
      @Valid @RequestBody PayoutBelongs to,
      Principal principal) {
    decisions.belongs(id, itemId, new JoinText(to.kind(), to.target()), Actor.of(principal));
    return one(id);
  }

  @PutMapping("/{id}/items/{itemId}/type")
  @Operation(summary = "Says what an item is whose type nobody knew")
  PayoutViews.PayoutView is(
      @PathVariable Long id, @PathVariable Long itemId, @Valid @RequestBody PayoutItemIs what) {
    decisions.is(id, itemId, what.type());
    return one(id);
  }

  @PostMapping("/{id}/joining")
  @Operation(summary = "Looks up anew what the items belong to of which nobody has decided that")
  LookedAgain lookAgain(@PathVariable Long id) {
    return new LookedAgain(decisions.lookAgain(id));
  }

  @PostMapping("/{id}/acceptance")
  @Operation(summary = "A supervisor answers for what contradicts; the payout may be booked")
  PayoutViews.PayoutView accept(
      @PathVariable Long id, @Valid @RequestBody PayoutReason why, Principal principal) {
    payouts.accept(id, why.reason().strip(), Actor.of(principal));
    return one(id);
  }

  @PostMapping("/{id}/posting")
  @Operation(
      summary =
          "Books a payout: one settlement through the processor's clearing account, and one deposit of what was sent",
      description =
          "Answers after two seconds at the latest; a payout of many items is at work then, and its job tells how far.")
  PayoutViews.PayoutView post(
      @PathVariable Long id, @Valid @RequestBody BookPayout call, Principal principal) {
    var actor = Actor.of(principal);
    var eachSale = Boolean.TRUE.equals(call.eachSale());
    work(
        id,
        Doing.BOOK,
        actor,
        watch -> posting.post(id, call.bankAccountId(), eachSale, actor, watch));
    return one(id);
  }

  @PostMapping("/{id}/reversal")
  @Operation(
      summary = "Takes a payout back as a whole; everything is as before it was booked",
      description =
          "Answers after two seconds at the latest; a payout of many items is at work then, and its job tells that.")
  PayoutViews.PayoutView reverse(
      @PathVariable Long id, @Valid @RequestBody PayoutReason why, Principal principal) {
    var actor = Actor.of(principal);
    work(id, Doing.REVERSE, actor, watch -> posting.reverse(id, why.reason().strip(), actor));
    return one(id);
  }

  private void work(Long id, Doing doing, Actor actor, PayoutJobs.Work work) {
    var payout = payouts.payout(id);
    jobs.run(
        id,
        doing,
        actor.name(),
        payout.items(),
        watch -> {
          work.go(watch);
          renewal.after(payout.companyId());
        });
  }

  @GetMapping("/{id}/booking")
  @Operation(summary = "What booking a payout writes, or wrote")
  PayoutViews.PayoutBookingView booking(
      @PathVariable Long id,
      @Parameter(description = "whether every new sale is a line of its own; else by day")
          @RequestParam(defaultValue = "false")
          boolean eachSale) {
    return views.booking(payouts.payout(id), eachSale);
  }
}
