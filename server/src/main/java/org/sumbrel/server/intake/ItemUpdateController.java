package org.sumbrel.server.intake;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.receivables.ItemDifference;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.ProposalRenewal;

/** What later lists say otherwise of known items, and what is decided about it. */
@RestController
@Tag(name = "intake")
class ItemUpdateController {

  private final ItemUpdates updates;
  private final IntakeRepository intakes;
  private final Customers customers;
  private final Companies companies;
  private final ProposalRenewal renewal;

  ItemUpdateController(
      ItemUpdates updates,
      IntakeRepository intakes,
      Customers customers,
      Companies companies,
      ProposalRenewal renewal) {
    this.updates = updates;
    this.intakes = intakes;
    this.customers = customers;
    this.companies = companies;
    this.renewal = renewal;
  }

  record ItemState(@NotNull LocalDate dueOn, @NotNull MoneyView open) {}

  record ItemUpdateView(
      @NotNull Long id,
      @NotNull Long itemId,
      @NotNull String number,
      @NotNull Long customerId,
      @NotNull String customerName,
      @NotNull String fileName,
      @NotNull ItemDifference.Kind kind,
      @NotNull ItemState before,
      @Schema(description = "missing where the list takes the item away") ItemState after,
      @Schema(description = "why it cannot be accepted now") String against,
      @NotNull CorrectionEntity.Status status,
      String decidedBy,
      Instant decidedAt) {}

  @GetMapping("/api/item-updates")
  @Operation(
      summary = "What later lists say otherwise of known invoices and credit notes, latest first")
  List<ItemUpdateView> list(
      @RequestParam(required = false) Long company,
      @RequestParam(defaultValue = "OPEN") CorrectionEntity.Status status) {
    var found = updates.list(companies.idOf(company), status);
    var items = customers.items(found.stream().map(ItemUpdateEntity::itemId).distinct().toList());
    var names =
        customers.names(
            items.values().stream().map(OpenItemEntity::customerId).distinct().toList());
    var files =
        intakes
            .findAllById(found.stream().map(ItemUpdateEntity::intakeId).distinct().toList())
            .stream()
            .collect(Collectors.toMap(IntakeEntity::id, IntakeEntity::fileName));
    var against =
        status == CorrectionEntity.Status.OPEN
            ? updates.against(found, items)
            : Map.<Long, String>of();
    return found.stream()
        .map(
            u -> {
              var item = items.get(u.itemId());
              return view(
                  u,
                  item,
                  names.get(item.customerId()),
                  files.get(u.intakeId()),
                  against.get(u.id()));
            })
        .toList();
  }

  private static ItemUpdateView view(
      ItemUpdateEntity update, OpenItemEntity item, String customer, String file, String against) {
    return new ItemUpdateView(
        update.id(),
        item.id(),
        item.number(),
        item.customerId(),
        customer,
        file,
        update.kind(),
        new ItemState(update.oldDueOn(), MoneyView.of(update.oldOpen())),
        update.kind() == ItemDifference.Kind.CANCELLED
            ? null
            : new ItemState(
                update.newDueOn().orElse(update.oldDueOn()),
                MoneyView.of(update.newOpen().orElse(update.oldOpen()))),
        against,
        update.status(),
        update.decidedBy(),
        update.decidedAt());
  }

  @PostMapping("/api/item-updates/{id}/decision")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Takes over what the later list says, or leaves the item as it is")
  void decide(
      @PathVariable Long id,
      @Valid @RequestBody CorrectionController.Decision call,
      Principal principal) {
    renewal.after(updates.decide(id, call.accept(), Actor.of(principal)));
  }
}
