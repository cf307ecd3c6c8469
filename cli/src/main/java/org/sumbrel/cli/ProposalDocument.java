package org.sumbrel.cli;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.propose.Evidence;
import org.sumbrel.core.propose.Proposal;
import org.sumbrel.core.propose.ReceiptProposals;
import org.sumbrel.core.settle.Adjustment;
import org.sumbrel.core.settle.Application;
import org.sumbrel.core.settle.ClaimRaised;
import org.sumbrel.core.settle.FeeWithheld;
import org.sumbrel.core.settle.Rounding;
import org.sumbrel.core.settle.SmallWriteOff;
import org.sumbrel.formats.statement.StatementEntry;

/** What the engine thinks of an entry, as the JSON document of the command. */
final class ProposalDocument {

  private ProposalDocument() {}

  static Map<String, Object> debit(StatementEntry entry) {
    var fields = head(entry, "debit");
    fields.put("alternatives", 0);
    fields.put("exhaustive", true);
    fields.put("proposals", List.of());
    return fields;
  }

  static Map<String, Object> of(StatementEntry entry, ReceiptProposals result) {
    var fields = head(entry, result.standing().name().toLowerCase(Locale.ROOT));
    fields.put("alternatives", result.alternatives());
    fields.put("exhaustive", result.exhaustive());
    fields.put("proposals", result.proposals().stream().map(ProposalDocument::proposal).toList());
    return fields;
  }

  private static Map<String, Object> head(StatementEntry entry, String standing) {
    var fields = new LinkedHashMap<String, Object>();
    fields.put("entryId", entry.entryId());
    fields.put("amount", MoneyText.plain(entry.amount()));
    fields.put("currency", entry.amount().getCurrencyUnit().getCode());
    fields.put("standing", standing);
    return fields;
  }

  private static Map<String, Object> proposal(Proposal proposal) {
    var fields = new LinkedHashMap<String, Object>();
    fields.put("probability", rounded(proposal.probability()));
    fields.put("customerId", proposal.customerId().orElse(null));
    fields.put(
        "applications",
        proposal.applications().stream().map(ProposalDocument::application).toList());
    fields.put(
        "adjustments",
        proposal.adjustments().stream()
            .map(a -> Map.of("kind", kind(a), "amount", MoneyText.plain(a.amount())))
            .toList());
    fields.put("onAccount", MoneyText.plain(proposal.onAccount()));
    fields.put("evidence", proposal.evidence().stream().map(ProposalDocument::evidence).toList());
    return fields;
  }

  private static Map<String, Object> application(Application application) {
    var fields = new LinkedHashMap<String, Object>();
    fields.put("number", application.item().number());
    fields.put("amount", MoneyText.plain(application.amount()));
    fields.put("discount", MoneyText.plain(application.discount()));
    return fields;
  }

  private static String kind(Adjustment adjustment) {
    if (adjustment instanceof FeeWithheld) {
      return "fee";
    }
    if (adjustment instanceof ClaimRaised) {
      return "claim";
    }
    if (adjustment instanceof SmallWriteOff) {
      return "write_off";
    }
    if (adjustment instanceof Rounding) {
      return "rounding";
    }
    throw new IllegalStateException("the engine proposes no " + adjustment);
  }

  private static Map<String, Object> evidence(Evidence evidence) {
    var fields = new LinkedHashMap<String, Object>();
    fields.put("code", evidence.code());
    fields.put("text", evidence.text());
    fields.put("weight", Math.round(evidence.weight() * 100) / 100.0);
    return fields;
  }

  private static double rounded(double probability) {
    return Math.round(probability * 1e6) / 1e6;
  }
}
