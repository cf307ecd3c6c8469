package org.sumbrel.core.propose;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.IntConsumer;
import java.util.regex.Pattern;
import org.sumbrel.core.propose.BatchAssigner.Wanting;
import org.sumbrel.core.propose.CompositionSolver.Solved;
import org.sumbrel.core.receivables.DayText;
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

  private final Snapshot snapshot;
  private final ReferenceFinder references;
  private final PayerResolver payers;
  private final CandidateSelector selector;
  private final CompositionSolver solver;
  private final Calibration calibration;
  private final AdviceReader adviceReader;
  private final Map<String, RemittanceAdvice> advices;

  private ProposalEngine(Snapshot snapshot, Map<String, RemittanceAdvice> advices) {
    this.snapshot = snapshot;
    this.advices = Map.copyOf(advices);
    this.references = ReferenceFinder.over(snapshot.items());
    this.payers = PayerResolver.over(snapshot);
    this.selector = CandidateSelector.over(snapshot);
    this.solver = new CompositionSolver(selector, snapshot.policy());
    this.calibration = new Calibration(snapshot.policy());
    this.adviceReader = AdviceReader.over(snapshot, references, selector);
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
                  var thought = think(receipt);
                  progress.accept(done.incrementAndGet());
                  return thought;
                })
            .toList();
    var wantings =
        thoughts.stream().map(t -> new Wanting(t.receipt(), t.solved().compositions())).toList();
    var assigned = BatchAssigner.assign(PaidTwice.among(wantings));
    return thoughts.parallelStream()
        .map(t -> result(t, assigned.get(t.receipt().id()), all))
        .toList();
  }

  /** What was found for one receipt before the others were looked at. */
  private record Thought(
      Receipt receipt,
      List<PayerLead> leads,
      List<ReferenceHit> hits,
      Solved solved,
      List<Evidence> notes) {}

  private Thought think(Receipt receipt) {
    var leads = payers.resolve(receipt);
    var hits = references.find(receipt, owner -> selector.paidBy(owner, leads));
    var solved = solver.solve(receipt, selector.select(receipt, hits, leads), hits);
    var advice = advices.get(receipt.id());
    var advised =
        advice == null ? AdviceReader.Advised.NONE : adviceReader.read(advice, receipt, leads);
    return new Thought(
        receipt,
        leads,
        hits,
        advised.composition().map(solved::ledBy).orElse(solved),
        advised.notes());
  }

  private ReceiptProposals result(Thought thought, BatchAssigner.Assigned assigned, boolean all) {
    var receipt = thought.receipt();
    var hits = thought.hits();
    var solved = thought.solved();
    var ranked =
        assigned.compositions().isEmpty()
            ? CompositionSolver.nothingLeft(receipt, thought.leads())
            : assigned.compositions();
    var figures = Calibration.figures(ranked, solved.compositions(), unread(receipt, hits));
    var probabilities = calibration.probabilities(ranked, figures);
    var standing = calibration.standing(probabilities, ranked);
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
      if (hit.item().settled()) {
        notes.add(alreadySettled(hit));
      }
    }
    return new ReceiptProposals(
        receipt.id(),
        standing,
        worth == 0 ? 0 : calibration.alternatives(ranked),
        solved.exhaustive(),
        proposals,
        notes,
        marks(hits),
        figures);
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

  private Evidence alreadySettled(ReferenceHit hit) {
    var on = snapshot.settledOn().get(hit.item().id());
    return new Evidence(
        "reference.settled",
        hit.item().number()
            + " in the text was settled already"
            + (on == null ? "" : " on " + DayText.of(on)),
        0);
  }

  private static List<TextMark> marks(List<ReferenceHit> hits) {
    return hits.stream()
        .filter(h -> h.start() >= 0)
        .sorted(Comparator.comparingInt(ReferenceHit::start))
        .map(h -> new TextMark(h.start(), h.end(), h.item().id(), h.form().standsThere()))
        .toList();
  }
}
