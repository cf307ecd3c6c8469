package org.sumbrel.core.propose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.propose.Composition.Part;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.receivables.RemittanceAdvice;
import org.sumbrel.core.receivables.RemittanceItem;
import org.sumbrel.core.settle.Adjustment;
import org.sumbrel.core.settle.Policy;

/**
 * Reads the remittance advice of a receipt against the open items. What it says is taken as it is
 * where it can be: it goes before all that is read into a text. What cannot be taken is noted, line
 * by line, with its figures.
 */
final class AdviceReader {

  /** Of several explanations the advice's own, and what of it could not be taken. */
  record Advised(Optional<Composition> composition, List<Evidence> notes) {

    static final Advised NONE = new Advised(Optional.empty(), List.of());
  }

  /** The whole amount is as the advice says. */
  static final String WHOLE = "advice.whole";

  /** The advice explains a part, or all but a difference. */
  static final String PART = "advice.part";

  private final ReferenceFinder references;
  private final CandidateSelector selector;
  private final Policy policy;
  private final UsualDifferences usual;

  AdviceReader(Policy policy, ReferenceFinder references, CandidateSelector selector) {
    this.references = references;
    this.selector = selector;
    this.policy = policy;
    this.usual = new UsualDifferences(policy);
  }

  Advised read(RemittanceAdvice advice, Receipt receipt, List<PayerLead> leads, Asked asked) {
    if (!advice.total().getCurrencyUnit().equals(receipt.amount().getCurrencyUnit())) {
      return new Advised(
          Optional.empty(),
          List.of(
              note(
                  "advice.currency",
                  "the advice is in "
                      + advice.total().getCurrencyUnit()
                      + " and cannot be set against this money")));
    }
    var lines = new Lines(advice, receipt, asked);
    advice.items().forEach(lines::read);
    return new Advised(lines.composition(leads), lines.notes);
  }

  private static Evidence note(String code, String text) {
    return new Evidence(code, text, 0);
  }

  /** One advice, line by line. */
  private final class Lines {
    private final RemittanceAdvice advice;
    private final Receipt receipt;
    private final Asked asked;
    private final long received;
    private final List<Part> parts = new ArrayList<>();
    private final List<Evidence> notes = new ArrayList<>();
    private final List<Evidence> said = new ArrayList<>();
    private final Set<String> used = new HashSet<>();
    private boolean allTaken = true;

    Lines(RemittanceAdvice advice, Receipt receipt, Asked asked) {
      this.asked = asked;
      this.advice = advice;
      this.receipt = receipt;
      this.received = receipt.amount().getAmountMinorLong();
    }

    void read(RemittanceItem item) {
      if (item.standsAlone()) {
        refuse(
            "advice.adjustment",
            "the advice "
                + (item.adjustment().isNegative() ? "takes off " : "adds ")
                + MoneyText.grouped(item.adjustment().abs())
                + " for no document: "
                + item.reference());
        return;
      }
      var named = AdviceReader.this.named(item.reference(), receipt, asked);
      if (named.isEmpty()) {
        refuse(
            "advice.unknown",
            "the advice lists "
                + item.reference()
                + " with "
                + MoneyText.grouped(item.amount())
                + ", which is nothing that is known");
        return;
      }
      take(item, named.get());
    }

    private void take(RemittanceItem line, OpenItem item) {
      var open = item.open().getAmountMinorLong();
      var paid = line.amount().getAmountMinorLong();
      if (!used.add(item.id())) {
        refuse("advice.twice", "the advice lists " + item.number() + " more than once");
      } else if (!item.open().getCurrencyUnit().equals(receipt.amount().getCurrencyUnit())) {
        refuse(
            "advice.elsewhere",
            "the advice lists " + item.number() + ", which is in " + item.open().getCurrencyUnit());
      } else if (item.settled()) {
        refuse(
            "advice.settled",
            "the advice lists "
                + item.number()
                + " with "
                + MoneyText.grouped(line.amount())
                + ", which is settled already");
      } else if (paid == 0) {
        refuse("advice.nothing", "the advice pays nothing of " + item.number());
      } else if (Long.signum(paid) != Long.signum(open) || Math.abs(paid) > Math.abs(open)) {
        refuse(
            "advice.too_much",
            "the advice pays "
                + MoneyText.grouped(line.amount())
                + " of "
                + item.number()
                + ", of which "
                + MoneyText.grouped(item.open())
                + " is open");
      } else {
        var candidate = selector.candidate(receipt, item, hit(item, line));
        var taken = line.discount().getAmountMinorLong();
        var earned = discount(candidate, line, paid);
        if (earned < taken) {
          said.add(
              note(
                  "advice.discount",
                  "it takes a discount of "
                      + MoneyText.grouped(line.discount())
                      + " from "
                      + item.number()
                      + (candidate.discount() > 0
                          ? ", " + money(candidate.discount()) + " is earned"
                          : ", which is not earned")));
        }
        if (!line.adjustment().isZero()) {
          said.add(
              note(
                  "advice.reason",
                  "of "
                      + item.number()
                      + " it pays "
                      + MoneyText.grouped(line.adjustment().abs())
                      + (line.adjustment().isNegative() ? " less" : " more")
                      + (line.reason().isBlank() ? "" : ": " + line.reason())));
        }
        parts.add(new Part(candidate, paid + earned, earned));
      }
    }

    /** What is earned of the discount that the payer took, as far as the balance reaches. */
    private long discount(Candidate candidate, RemittanceItem line, long paid) {
      var taken = Math.min(line.discount().getAmountMinorLong(), candidate.discount());
      // who pays exactly the rest after the discount has taken it, whether he says so or not
      var meant = taken == 0 && paid == candidate.net() ? candidate.discount() : taken;
      return candidate.open() < 0 ? 0 : Math.min(meant, candidate.open() - paid);
    }

    private ReferenceHit hit(OpenItem item, RemittanceItem line) {
      return new ReferenceHit(
          item,
          ReferenceHit.Form.ADVISED,
          -1,
          -1,
          line.reference(),
          Weights.of(ReferenceHit.Form.ADVISED, line.reference().length()),
          parts.size(),
          line.amount().abs().getAmountMinorLong());
    }

    private void refuse(String code, String sentence) {
      allTaken = false;
      notes.add(note(code, sentence));
    }

    private String money(long minor) {
      return MoneyText.grouped(Money.ofMinor(advice.total().getCurrencyUnit(), minor));
    }

    Optional<Composition> composition(List<PayerLead> leads) {
      if (parts.isEmpty()) {
        return Optional.empty();
      }
      var sum = parts.stream().mapToLong(p -> p.amount() - p.discount()).sum();
      if (sum > received) {
        return lessSomething(sum, leads);
      }
      var whole = sum == received && allTaken;
      var sentence = whole ? listed() + ", and they add up to the cent" : listed() + rest(sum);
      return Optional.of(
          made(
              leads,
              parts,
              List.of(),
              received - sum,
              new Evidence(whole ? WHOLE : PART, sentence, Weights.ADVISED)));
    }

    private String rest(long sum) {
      return sum == received
          ? ""
          : ", which come to "
              + money(sum)
              + "; the other "
              + money(received - sum)
              + " is kept on account";
    }

    /** Less arrived than the advice lists: a fee on the way, or a small difference. */
    private Optional<Composition> lessSomething(long sum, List<PayerLead> leads) {
      notes.add(
          note(
              "advice.short",
              "the advice lists "
                  + money(sum)
                  + ", which is "
                  + money(sum - received)
                  + " more than arrived"));
      if (parts.stream().anyMatch(p -> p.amount() != p.candidate().open())) {
        return Optional.empty();
      }
      var set = parts.stream().map(Part::candidate).toList();
      var open = parts.stream().mapToLong(Part::amount).sum();
      return new AmountFit(
              receipt, policy, usual, TextWords.of(receipt.text()), set, open, open - sum)
          .whole().stream()
              .filter(f -> f.parts().equals(parts))
              .max(
                  Comparator.comparingDouble(
                      f -> f.evidence().stream().mapToDouble(Evidence::weight).sum()))
              .map(
                  fit -> {
                    said.addAll(fit.evidence());
                    return made(
                        leads,
                        fit.parts(),
                        fit.adjustments(),
                        fit.onAccount(),
                        new Evidence(PART, listed(), Weights.ADVISED));
                  });
    }

    private String listed() {
      return "the advice"
          + advice.date().map(d -> " of " + DayText.of(d)).orElse("")
          + (advice.trace().isEmpty() ? "" : ", trace " + advice.trace() + ",")
          + (parts.size() == 1
              ? " lists " + parts.get(0).candidate().item().number()
              : " lists these " + parts.size());
    }

    private Composition made(
        List<PayerLead> leads,
        List<Part> taken,
        List<Adjustment> adjustments,
        long onAccount,
        Evidence why) {
      var owners = taken.stream().map(p -> p.candidate().item().customerId()).distinct().toList();
      // what is left needs somebody's account: who sent it, else whoever the advice pays for first
      var payer =
          leads.stream()
              .filter(lead -> owners.stream().allMatch(o -> selector.paidBy(o, List.of(lead))))
              .map(PayerLead::customerId)
              .findFirst()
              .or(() -> owners.stream().findFirst());
      var evidence = new ArrayList<Evidence>();
      evidence.add(why);
      evidence.addAll(said);
      leads.stream()
          .filter(lead -> payer.filter(lead.customerId()::equals).isPresent())
          .map(PayerLead::evidence)
          .forEach(evidence::add);
      return new Composition(
          payer, List.copyOf(taken), adjustments, onAccount, evidence, Weights.ADVISED);
    }
  }

  /** The one item that a reference of the advice means. */
  private Optional<OpenItem> named(String reference, Receipt receipt, Asked asked) {
    var exact = references.numbered(reference, asked);
    if (exact.isPresent()) {
      return exact;
    }
    var found =
        references.find(receipt.saying(reference), asked).stream()
            .map(ReferenceHit::item)
            .distinct()
            .toList();
    return found.size() == 1 ? Optional.of(found.get(0)) : Optional.empty();
  }
}
