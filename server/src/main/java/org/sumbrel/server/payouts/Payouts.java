package org.sumbrel.server.payouts;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.function.LongConsumer;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.payout.Payout;
import org.sumbrel.core.payout.PayoutItem;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Problem;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.access.Role;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.CompanyEntity;

/** Payouts as they come in with a file, are accepted where they contradict themselves, and go. */
@Service
@Transactional
public class Payouts {

  /** So many sentences of a kind are kept and shown. */
  private static final int MOST_SAID = 40;

  private static final String NAMELESS = "Processor without a name";

  private final PayoutRepository payouts;
  private final PayoutItems items;
  private final PayoutJoins joins;
  private final Processors processors;
  private final BankAccounts bankAccounts;
  private final Clock clock;

  Payouts(
      PayoutRepository payouts,
      PayoutItems items,
      PayoutJoins joins,
      Processors processors,
      BankAccounts bankAccounts,
      Clock clock) {
    this.payouts = payouts;
    this.items = items;
    this.joins = joins;
    this.processors = processors;
    this.bankAccounts = bankAccounts;
    this.clock = clock;
  }

  /** How many items came and were new, and what is to be said of them. */
  public record Taken(int items, int fresh, List<String> said) {}

  /**
   * Takes the payouts of a file in. A payout that came before changes nothing.
   *
   * @param watch is told how many items are kept, now and then
   * @throws BrokenFile where no bank account could take what was sent, or the same payout came
   *     before with other items
   */
  public Taken take(CompanyEntity company, Long intakeId, FileContent content, LongConsumer watch)
      throws BrokenFile {
    var count = 0;
    var fresh = 0;
    for (var payout : content.payouts()) {
      requireFitting(payout);
      count += payout.items().size();
      requireAccount(company, payout);
      var processor =
          processors.named(
              company.id(),
              !payout.processor().isBlank()
                  ? payout.processor().strip()
                  : content.profile().isBlank() ? NAMELESS : content.profile());
      var fingerprint = fingerprint(payout);
      if (!knows(processor, payout, fingerprint)) {
        var before = (long) fresh;
        keep(
            processor,
            intakeId,
            payout,
            fingerprint,
            contradictions(content, payout),
            kept -> watch.accept(before + kept));
        fresh += payout.items().size();
      }
    }
    return new Taken(count, fresh, List.of());
  }

  private void keep(
      ProcessorEntity processor,
      Long intakeId,
      Payout payout,
      String fingerprint,
      List<String> contradictions,
      LongConsumer watch) {
    var paidOn = payout.paidOn().or(payout::until).orElseGet(() -> LocalDate.now(clock));
    var row =
        payouts.saveAndFlush(
            new PayoutEntity(processor, intakeId, payout, paidOn, fingerprint, contradictions));
    var ids = items.ids(payout.items().size());
    items.keep(
        row.id(),
        ids,
        payout.items(),
        joins.of(processor, payout.currency(), row.id(), payout.items(), ids),
        watch);
  }

  private void requireAccount(CompanyEntity company, Payout payout) throws BrokenFile {
    var currency = payout.currency().getCode();
    if (payout.paidOut().isZero()) {
      return;
    }
    if (bankAccounts.of(company.id()).stream().noneMatch(a -> a.currency().equals(currency))) {
      throw new BrokenFile(
          0, company.name() + " has no bank account in " + currency + " that could take the money");
    }
  }

  private static void requireFitting(Payout payout) throws BrokenFile {
    fits(0, "the payout's number", payout.number(), 64);
    fits(0, "the processor's name", payout.processor(), 100);
    for (var item : payout.items()) {
      fits(item.line(), "the item's number", item.id(), 64);
      fits(item.line(), "the type", item.word(), 100);
      fits(item.line(), "the reference", item.reference(), 100);
      fits(item.line(), "the related item", item.related(), 64);
      fits(item.line(), "the method", item.method(), 60);
      fits(item.line(), "the payer", item.payer(), 300);
      fits(item.line(), "the text", item.text(), 500);
    }
  }

  private static void fits(int line, String name, String text, int most) throws BrokenFile {
    if (text.length() > most) {
      throw new BrokenFile(
          line, name + " has " + text.length() + " characters; " + most + " can be kept");
    }
  }

  /** What of a file's contradictions concerns a payout: its own, and those of its lines. */
  private static List<String> contradictions(FileContent content, Payout payout) {
    var lines = payout.items().stream().map(PayoutItem::line).toList();
    var own = payout.contradictions();
    var alone = content.payouts().size() == 1;
    var others =
        content.payouts().stream()
            .filter(p -> p != payout)
            .flatMap(p -> p.contradictions().stream())
            .toList();
    var said =
        content.problems().stream()
            .filter(Problem::contradiction)
            .filter(
                p ->
                    alone
                        || own.contains(p.message())
                        || lines.contains(p.line()) && !others.contains(p.message()))
            .map(Problem::sentence)
            .toList();
    if (said.size() <= MOST_SAID) {
      return said;
    }
    var first = new ArrayList<>(said.subList(0, MOST_SAID));
    first.add("and " + (said.size() - MOST_SAID) + " more");
    return first;
  }

  private boolean knows(ProcessorEntity processor, Payout payout, String fingerprint)
      throws BrokenFile {
    for (var known :
        payouts.findByProcessorIdAndNumberAndCurrency(
            processor.id(), payout.number(), payout.currency().getCode())) {
      if (known.fingerprint().equals(fingerprint)) {
        return true;
      }
      // without a number, another period is another payout
      if (!payout.number().isEmpty()) {
        throw new BrokenFile(
            0,
            payout.name()
                + " of "
                + processor.name()
                + " was taken in already, with "
                + known.items()
                + " items that come to "
                + MoneyText.grouped(known.net())
                + "; this file has "
                + payout.items().size()
                + " that come to "
                + MoneyText.grouped(payout.net())
                + ". Where the file is right, take the earlier one back first");
      }
    }
    return false;
  }

  /** By what a payout is known again, whatever else its file holds. */
  private static String fingerprint(Payout payout) {
    try {
      var digest = MessageDigest.getInstance("SHA-256");
      digest.update(bytes(payout.number() + payout.previousBalance()));
      for (var item : payout.items()) {
        digest.update(
            bytes(
                String.join(
                    "|",
                    item.id(),
                    item.type().name(),
                    item.reference(),
                    item.on().map(Object::toString).orElse(""),
                    item.gross().toString(),
                    item.fee().toString())));
      }
      return HexFormat.of().formatHex(digest.digest());
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }

  private static byte[] bytes(String text) {
    return (text + "\n").getBytes(StandardCharsets.UTF_8);
  }

  /** A supervisor answers for what contradicts; the payout may be booked. */
  void accept(Long id, String why, Actor actor) {
    var row = held(id);
    if (actor.role() != Role.SUPERVISOR) {
      throw new AccessDeniedException(
          "Only a supervisor accepts a payout that contradicts itself.");
    }
    row.contradictions().accept("payout", why, actor.name(), clock.instant());
  }

  @Transactional(readOnly = true)
  public PayoutEntity payout(Long id) {
    return payouts.findById(id).orElseThrow(() -> new NotThere("payout", id));
  }

  /** The payout, which nobody else changes meanwhile. */
  PayoutEntity held(Long id) {
    return payouts.held(id).orElseThrow(() -> new NotThere("payout", id));
  }

  /** How a payout is spoken of. */
  static String words(PayoutEntity payout, ProcessorEntity processor) {
    return (payout.number().isEmpty()
            ? "payout of " + DayText.of(payout.paidOn())
            : "payout " + payout.number())
        + " of "
        + processor.name();
  }

  /** Why the payouts of an intake cannot be taken back, a sentence each; empty where they can. */
  @Transactional(readOnly = true)
  public List<String> against(Long intakeId) {
    return payouts.findByIntakeIdOrderById(intakeId).stream()
        .filter(PayoutEntity::posted)
        .map(
            p -> {
              var words = words(p, processors.processor(p.processorId()));
              return words.substring(0, 1).toUpperCase(Locale.ROOT)
                  + words.substring(1)
                  + " is booked; reverse it first.";
            })
        .toList();
  }

  /** Takes the payouts of an intake out with it. */
  public void takeBack(Long intakeId) {
    for (var row : payouts.findByIntakeIdOrderById(intakeId)) {
      items.deleteOf(row.id());
      payouts.delete(row);
    }
    payouts.flush();
  }
}
