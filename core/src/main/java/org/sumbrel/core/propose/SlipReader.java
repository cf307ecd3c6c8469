package org.sumbrel.core.propose;

import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.sumbrel.core.propose.ReferenceHit.Form;
import org.sumbrel.core.receivables.WrittenForm;

/** Reads numbers that were written with a slip. */
final class SlipReader {

  private static final int LONGEST_NUMBER = 20;
  private static final int MOST_REPAIRS = 40;

  /** In longer lists no number is doubted. */
  private static final int MOST_DOUBTED = 12;

  /** Of how many parts a number with a slip is put together. */
  private static final int MOST_PARTS = 4;

  private final TextReading reading;

  SlipReader(TextReading reading) {
    this.reading = reading;
  }

  /**
   * What is one slip away from a number, where the text names nothing at that place as it stands.
   */
  void read() {
    var tokens = reading.tokens();
    for (var size = MOST_PARTS; size > 1; size--) {
      for (var first = 0; first + size <= tokens.size(); first++) {
        findRepairedWhole(tokens.subList(first, first + size));
      }
    }
    for (var i = 0; i < tokens.size(); i++) {
      var token = tokens.get(i);
      var written = reading.at(token);
      var figures = written.chars().filter(Character::isDigit).count();
      var read = Slips.figuresForLetters(written).chars().filter(Character::isDigit).count();
      if (figures < ReferenceIndex.FEWEST_FIGURES - 1
          || read < ReferenceIndex.FEWEST_FIGURES
          || written.length() > LONGEST_NUMBER
          || reading.isAmount(written)
          || reading.isRead(token[0], token[1])) {
        continue;
      }
      var start = token[0];
      var found = reading.index().oneSlipAway(written);
      if (found.isEmpty() && i + 1 < tokens.size() && tokens.get(i + 1)[0] - token[1] == 1) {
        var next = reading.text().substring(tokens.get(i + 1)[0], tokens.get(i + 1)[1]);
        if (next.matches("\\d{1,6}")
            && !reading.isRead(tokens.get(i + 1)[0], tokens.get(i + 1)[1])) {
          found = reading.index().meant(written + next);
        }
      }
      if (!found.isEmpty() && found.size() <= MOST_REPAIRS) {
        reading.hit(found, Form.REPAIRED, start, token[1]);
      }
    }
  }

  /** A number of several parts, such as of letters, a year and a count, with a slip in any. */
  private void findRepairedWhole(List<int[]> window) {
    var start = window.get(0)[0];
    var end = window.get(window.size() - 1)[1];
    if (end - start > LONGEST_NUMBER || reading.isRead(start, end) || !reading.joined(window)) {
      return;
    }
    var form = WrittenForm.compact(reading.text().substring(start, end));
    if (form.chars().filter(Character::isDigit).count() > ReferenceIndex.FEWEST_FIGURES) {
      var found = reading.index().wholeOneSlipAway(form);
      if (!found.isEmpty() && found.size() <= MOST_REPAIRS) {
        reading.hit(found, Form.REPAIRED, start, end);
      }
    }
  }

  /**
   * A slip may turn a number into one that exists as well. Where the text names what this payer
   * does not pay, or what does not come to this amount, items one slip away are alternatives: the
   * payer's own, and those with which it would.
   */
  void doubt(Predicate<String> likely) {
    var currency = reading.receipt().amount().getCurrencyUnit();
    if (reading.found().stream().anyMatch(h -> !h.in(currency))) {
      // amounts in another currency say nothing of what is missing here
      return;
    }
    var places = reading.found().stream().collect(Collectors.groupingBy(ReferenceHit::mention));
    var sum =
        places.values().stream().mapToLong(h -> h.get(0).item().open().getAmountMinorLong()).sum();
    var missing = reading.receipt().amount().getAmountMinorLong() - sum;
    for (var hit : List.copyOf(reading.found())) {
      var plain = hit.form() == Form.NUMBER || hit.form() == Form.DIGITS;
      if (!plain || hit.start() < 0 || places.size() > MOST_DOUBTED) {
        continue;
      }
      var strange = !likely.test(hit.item().customerId());
      var wanted = hit.item().open().getAmountMinorLong() + missing;
      if (strange || missing != 0 && !hit.item().total().equals(reading.receipt().amount())) {
        var written = WrittenForm.compact(reading.text().substring(hit.start(), hit.end()));
        reading.index().oneSlipAway(written).stream()
            .filter(
                i ->
                    strange && likely.test(i.customerId())
                        || missing != 0 && !i.settled() && i.open().getAmountMinorLong() == wanted)
            .filter(i -> reading.found().stream().noneMatch(h -> h.item().equals(i)))
            .map(i -> hit.mistakenFor(i, Weights.of(Form.REPAIRED, hit.written().length())))
            .forEach(reading::add);
      }
    }
  }
}
