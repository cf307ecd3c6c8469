package org.sumbrel.server.desk;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.sumbrel.core.propose.Evidence;
import org.sumbrel.core.propose.Standing;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.server.api.AdjustmentKind;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.customers.CustomerNames;

/** Entries as a list shows them, each with what its first explanation would make of it. */
@Component
public class EntryRows {

  private final Proposals proposals;
  private final CustomerNames names;

  EntryRows(Proposals proposals, CustomerNames names) {
    this.proposals = proposals;
    this.names = names;
  }

  /** A part of an item that an explanation takes. */
  public record Segment(
      @NotNull String number, @NotNull MoneyView amount, @NotNull MoneyView discount) {}

  /** What explains a difference. */
  public record ProposedAdjustment(
      @NotNull AdjustmentKind kind,
      @NotNull MoneyView amount,
      @Schema(description = "who owes a claim") Long customerId,
      @Schema(description = "why a claim is made") ClaimReason reason) {

    static ProposedAdjustment of(StoredProposals.StoredAdjustment stored, String currency) {
      return new ProposedAdjustment(
          stored.kind(),
          new MoneyView(stored.amount(), currency),
          stored.customerId(),
          stored.reason());
    }
  }

  /** An entry in a list. */
  public record EntryRow(
      @NotNull Long id,
      @NotNull LocalDate bookedOn,
      @NotNull String payer,
      @NotNull MoneyView amount,
      @NotNull BankEntryEntity.Status status,
      @NotNull Standing standing,
      @NotNull List<Segment> segments,
      @NotNull List<ProposedAdjustment> adjustments,
      @NotNull @Schema(description = "what speaks most for the first explanation; or nothing")
          String evidence) {}

  /** These entries, in their order. */
  public List<EntryRow> of(Collection<BankEntryEntity> some) {
    names.refresh();
    var thoughts = proposals.leads(some.stream().map(BankEntryEntity::id).toList());
    return some.stream().map(e -> row(e, thoughts.get(e.id()))).toList();
  }

  private EntryRow row(BankEntryEntity entry, StoredProposals thoughts) {
    var segments = new ArrayList<Segment>();
    var adjustments = new ArrayList<ProposedAdjustment>();
    var settledFor = names.of(entry.settledCustomerId()).spelled();
    var payer = settledFor.isEmpty() ? entry.payerWords() : settledFor;
    if (thoughts != null && !thoughts.proposals().isEmpty()) {
      var currency = entry.amount().getCurrencyUnit().getCode();
      for (var a : thoughts.proposals().get(0).applications()) {
        segments.add(
            new Segment(
                a.number(),
                new MoneyView(a.amount(), currency),
                new MoneyView(a.discount(), currency)));
      }
      for (var a : thoughts.proposals().get(0).adjustments()) {
        adjustments.add(ProposedAdjustment.of(a, currency));
      }
      var lead = names.of(thoughts.leadCustomer()).spelled();
      payer = lead.isEmpty() ? payer : lead;
    }
    return new EntryRow(
        entry.id(),
        entry.bookedOn(),
        payer,
        MoneyView.of(entry.amount()),
        entry.status(),
        entry.standing(),
        segments,
        adjustments,
        strongest(thoughts));
  }

  /** The two reasons that weigh most, in a line. */
  private static String strongest(StoredProposals thoughts) {
    return thoughts == null || thoughts.proposals().isEmpty()
        ? ""
        : thoughts.proposals().get(0).evidence().stream()
            .filter(e -> e.weight() > 0)
            .sorted(Comparator.comparingDouble(Evidence::weight).reversed())
            .limit(2)
            .map(Evidence::text)
            .collect(Collectors.joining("; "));
  }
}
