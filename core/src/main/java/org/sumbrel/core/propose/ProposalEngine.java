package org.sumbrel.core.propose;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.IntConsumer;
import java.util.regex.Pattern;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.propose.BatchAssigner.Wanting;
import org.sumbrel.core.propose.CompositionSolver.Solved;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.receivables.RemittanceAdvice;

/**
 * The engine's public door: from receipts to proposals. Deterministic; the order of the receipts
 * does not matter.
 *
 * <pre>
 * receipt ─► ReferenceFinder ─┐
 *         ─► PayerResolver  ──┴─► CandidateSelector ─► CompositionSolver ─► BatchAssigner ─► Calibration
 * </pre>
 */
public final class ProposalEngine {

  private static final int MOST_PROPOSALS = 5;

  /** What is less probable than this is not told behind the first. */
  private static final double LEAST = 0.0005;

  private static final Pattern LONG_NUMBER = Pattern.compile("\\d{4,}");

  /** An amount with its cents, with or without signs between its thousands. */
  private static final Pattern AMOUNT =
      Pattern.compile(
          "(?<![\\d.,])(?:\\d{1,3}(?:[,.']\\d{3}){1,3}|\\d{1,9})[.,]\\d{2}(?![\\d.,]*\\d)");

  private final Map<String, LocalDate> settledOn;
  private final ReferenceFinder references;
  private final PayerResolver payers;
  private final CandidateSelector selector;
  private final Habits habits;
  private final CompositionSolver solver;
  private final Calibration calibration;
  private final AdviceReader adviceReader;
  private final Map<String, RemittanceAdvice> advices;

  private ProposalEngine(Snapshot snapshot, Map<String, RemittanceAdvice> advices) {
    this.settledOn = new HashMap<>(snapshot.settledOn());
    this.advices = new HashMap<>(advices);
    this.references = ReferenceFinder.over(snapshot.items());
    this.payers = PayerResolver.over(snapshot);
    this.selector = CandidateSelector.over(snapshot);
    this.habits = Habits.of(snapshot.choices());
    this.solver = new CompositionSolver(selector, snapshot.policy());
    this.calibration = new Calibration(snapshot.policy());
    this.adviceReader = new AdviceReader(snapshot.policy(), references, selector);
  }

  /** Builds the indexes over what is known once. */
  public static ProposalEngine over(Snapshot snapshot) {
    return over(snapshot, Map.of());
  }

  /**
   * The same where payers have said what some of the receipts are for.
   *
   * @param advices by the receipt's id; what one lists is taken as it is and goes first
   */
  public static ProposalEngine over(Snapshot snapshot, Map<String, RemittanceAdvice> advices) {
    return new ProposalEngine(snapshot, advices);
  }

  /**
   * What is thought of each receipt, in the order given; first proposals never use an item beyond
   * its balance.
   */
  public List<ReceiptProposals> propose(Collection<Receipt> receipts) {
    return propose(receipts, done -> {});
  }

  /**
   * The same, for a long list.
   *
   * @param progress hears how many receipts have been looked at, from several threads
   */
  public List<ReceiptProposals> propose(Collection<Receipt> receipts, IntConsumer progress) {
    return propose(receipts, progress, false);
  }

  /**
   * The same, with what is too improbable to be told: for whoever fits the factors of the
   * probability, since leaving those out would make all others look better.
   */
  public List<ReceiptProposals> proposeEvenTheImprobable(Collection<Receipt> receipts) {
    return propose(receipts, done -> {}, true);
  }

  private List<ReceiptProposals> propose(
      Collection<Receipt> receipts, IntConsumer progress, boolean all) {
    var done = new AtomicInteger();
    // each receipt is thought about by itself, on as many processors as there are
    var thoughts =
        List.copyOf(receipts).parallelStream()
            .map(
                receipt -> {
                  var leads = payers.resolve(receipt, Asked.NOT_NOTED);
                  var thought = think(receipt, leads, Asked.NOT_NOTED);
                  progress.accept(done.incrementAndGet());
                  return thought;
                })
            .toList();
    var wantings = thoughts.stream().map(Thought::wanting).toList();
    var assigned = BatchAssigner.assign(PaidTwice.among(wantings));
    return thoughts.parallelStream()
        .map(t -> result(t, assigned.get(t.receipt().id()), all))
        .toList();
  }

  /** What was found for one receipt before the others were looked at. */
  record Thought(
      Receipt receipt,
      List<PayerLead> leads,
      List<ReferenceHit> hits,
      Solved solved,
      List<Evidence> notes) {

    Wanting wanting() {
      return new Wanting(receipt, solved.compositions());
    }
  }

  List<PayerLead> leads(Receipt receipt, Asked asked) {
    return payers.resolve(receipt, asked);
  }

  /** The thought of a receipt of which it is known who may have sent it. */
  Thought think(Receipt receipt, List<PayerLead> leads, Asked asked) {
    var hits = references.find(receipt, owner -> selector.paidBy(owner, leads), asked);
    var solved =
        habits.applied(
            receipt,
            solver.solve(receipt, selector.select(receipt, hits, leads, asked), hits),
            asked);
    asked.ask(Question.ADVICE, receipt.id());
    var advice = advices.get(receipt.id());
    var advised =
        advice == null
            ? AdviceReader.Advised.NONE
            : adviceReader.read(advice, receipt, leads, asked);
    return new Thought(
        receipt,
        leads,
        hits,
        advised.composition().map(solved::ledBy).orElse(solved),
        advised.notes());
  }

  /**
   * Takes up what changed of what is known.
   *
   * @param before the known items that the change is about, as they were
   * @param changed hears which questions have another answer now
   */
  void learn(Change change, Map<String, OpenItem> before, IntConsumer changed) {
    change.customers().forEach(customer -> payers.add(customer, changed));
    change.customers().forEach(customer -> selector.add(customer, changed));
    change.aliasesGone().forEach(alias -> payers.remove(alias, changed));
    change.aliases().forEach(alias -> payers.add(alias, changed));
    change.pastGone().forEach(payment -> payers.count(payment, -1, changed));
    change.past().forEach(payment -> payers.count(payment, 1, changed));
    change.choicesGone().forEach(choice -> habits.count(choice, -1, changed));
    change.choices().forEach(choice -> habits.count(choice, 1, changed));
    var lengths = references.known().lengths();
    for (var old : before.values()) {
      references.known().remove(old);
      selector.remove(old, changed);
      settledOn.remove(old.id());
    }
    change.items().stream()
        .sorted(OpenItem.EARLIEST_KNOWN)
        .forEach(
            item -> {
              references.known().put(item);
              selector.put(item, changed);
            });
    settledOn.putAll(change.settledOn());
    namedOtherwise(change, before, changed);
    for (var n = 0; n < lengths.length; n++) {
      if (lengths[n] != references.known().lengths()[n]) {
        changed.accept(Question.LENGTH.about(n));
      }
    }
    change
        .advices()
        .forEach(
            (receipt, advice) -> {
              advice.ifPresentOrElse(a -> advices.put(receipt, a), () -> advices.remove(receipt));
              changed.accept(Question.ADVICE.about(receipt));
            });
  }

  /**
   * A form names another item where one is new, gone or renamed; else only how it stands is new.
   */
  private void namedOtherwise(Change change, Map<String, OpenItem> before, IntConsumer changed) {
    var forms = new HashMap<String, Set<String>>();
    before.values().forEach(i -> forms.put(i.id(), references.known().formsOf(i)));
    for (var item : change.items()) {
      var now = references.known().formsOf(item);
      var old = forms.put(item.id(), Set.of());
      if (!now.equals(old)) {
        now.forEach(form -> changed.accept(Question.FORM.about(form)));
        forms.put(item.id(), old == null ? Set.of() : old);
      }
      changed.accept(Question.ITEM.about(item.id()));
    }
    forms.values().forEach(old -> old.forEach(form -> changed.accept(Question.FORM.about(form))));
    before.keySet().forEach(id -> changed.accept(Question.ITEM.about(id)));
  }

  ReceiptProposals result(Thought thought, BatchAssigner.Assigned assigned, boolean all) {
    var receipt = thought.receipt();
    var hits = thought.hits();
    var solved = thought.solved();
    var ranked =
        assigned.compositions().isEmpty()
            ? CompositionSolver.nothingLeft(receipt, thought.leads())
            : assigned.compositions();
    var figures = Calibration.figures(ranked, solved.compositions(), unread(receipt, hits));
    var probabilities = calibration.probabilities(ranked, figures);
    var elsewhere =
        hits.stream().filter(h -> namedElsewhere(h, receipt)).map(ReferenceHit::item).toList();
    var stands = calibration.standing(probabilities, ranked);
    var somebodyLooks = !elsewhere.isEmpty() || !ranked.isEmpty() && ranked.get(0).openElsewhere();
    var standing = somebodyLooks && stands == Standing.CLEAR ? Standing.LEANING : stands;
    var proposals = new ArrayList<Proposal>();
    // what is below the floor is not worth anybody's while
    var worth = standing == Standing.BLANK && !all ? 0 : Math.min(MOST_PROPOSALS, ranked.size());
    for (var i = 0; i < worth; i++) {
      if (i > 0 && probabilities[i] < LEAST) {
        continue;
      }
      proposals.add(ranked.get(i).toProposal(receipt.amount().getCurrencyUnit(), probabilities[i]));
    }
    var notes = new ArrayList<>(thought.notes());
    notes.addAll(assigned.notes());
    for (var hit : hits) {
      if (hit.item().settled() && !oneOfMany(hit, hits)) {
        notes.add(alreadySettled(hit));
      }
    }
    elsewhere.forEach(item -> notes.add(elsewhere(item)));
    return new ReceiptProposals(
        receipt.id(),
        standing,
        worth == 0 ? 0 : calibration.alternatives(ranked),
        solved.exhaustive(),
        proposals,
        notes,
        marks(receipt, hits),
        figures);
  }

  /** Whether the text names what is open in another currency, as it stands. */
  private static boolean namedElsewhere(ReferenceHit hit, Receipt receipt) {
    return !hit.item().settled()
        && !hit.in(receipt.amount().getCurrencyUnit())
        && hit.form() != ReferenceHit.Form.REPAIRED;
  }

  private static Evidence elsewhere(OpenItem item) {
    return new Evidence(
        "reference.elsewhere",
        item.number()
            + " in the text has "
            + MoneyText.grouped(item.open())
            + " "
            + item.open().getCurrencyUnit()
            + " open; take it, and say what counts for it",
        0);
  }

  /** How many numbers stand in the text that nothing was read from. */
  private static int unread(Receipt receipt, List<ReferenceHit> hits) {
    var numbers = LONG_NUMBER.matcher(receipt.text());
    var unread = 0;
    while (numbers.find()) {
      var from = numbers.start();
      var to = numbers.end();
      if (hits.stream().noneMatch(h -> h.start() < to && from < h.end())) {
        unread++;
      }
    }
    return unread;
  }

  /** Whether it is only one of several things that a number with a slip may have meant. */
  private static boolean oneOfMany(ReferenceHit hit, List<ReferenceHit> hits) {
    return hit.form() == ReferenceHit.Form.REPAIRED
        && hits.stream().anyMatch(h -> h != hit && h.mention() == hit.mention());
  }

  private Evidence alreadySettled(ReferenceHit hit) {
    var on = settledOn.get(hit.item().id());
    var slip = hit.form() == ReferenceHit.Form.REPAIRED;
    return new Evidence(
        "reference.settled",
        (slip ? hit.written() + " in the text may mean " : "")
            + hit.item().number()
            + (slip ? ", which" : " in the text")
            + " was settled already"
            + (on == null ? "" : " on " + DayText.of(on)),
        0);
  }

  /**
   * Places that name an item, and amounts that are what arrived, what is open of such an item or
   * what the text says is paid of it.
   */
  private static List<TextMark> marks(Receipt receipt, List<ReferenceHit> hits) {
    var marks = new ArrayList<TextMark>();
    hits.stream()
        .filter(h -> h.start() >= 0)
        .map(h -> new TextMark(h.start(), h.end(), h.item().id(), h.form().standsThere()))
        .forEach(marks::add);
    if (receipt.amount().getCurrencyUnit().getDecimalPlaces() == 2) {
      for (var amounts = AMOUNT.matcher(receipt.text()); amounts.find(); ) {
        var from = amounts.start();
        var to = amounts.end();
        if (marks.stream().noneMatch(m -> m.start() < to && from < m.end())) {
          amount(amounts.group(), receipt, hits)
              .ifPresent(item -> marks.add(new TextMark(from, to, item, true)));
        }
      }
    }
    marks.sort(Comparator.comparingInt(TextMark::start).thenComparing(TextMark::itemId));
    return marks;
  }

  /** Whose amount it is that stands in the text: an item's, or that of the receipt. */
  private static Optional<String> amount(String written, Receipt receipt, List<ReferenceHit> hits) {
    var minor = Long.parseLong(written.replaceAll("\\D", ""));
    if (minor == receipt.amount().getAmountMinorLong()) {
      return Optional.of("");
    }
    return hits.stream()
        .filter(
            h ->
                h.stated() == minor
                    || !h.item().settled() && h.item().open().abs().getAmountMinorLong() == minor)
        .map(h -> h.item().id())
        .findFirst();
  }
}
