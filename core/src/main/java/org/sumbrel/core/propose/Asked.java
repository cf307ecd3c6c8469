package org.sumbrel.core.propose;

import java.util.Arrays;
import java.util.Collection;
import org.sumbrel.core.receivables.OpenItem;

/** The questions that one thought asked, noted as it asks them. Not for two threads at once. */
class Asked {

  /** For whoever thinks once and does not want to know. */
  static final Asked NOT_NOTED =
      new Asked() {
        @Override
        void ask(Question question, Object about) {
          // thought about once only
        }

        @Override
        void named(Collection<? extends OpenItem> items) {
          // thought about once only
        }
      };

  private int[] questions = new int[64];
  private int count;

  void ask(Question question, Object about) {
    if (count == questions.length) {
      questions = distinct();
      count = questions.length;
      questions = Arrays.copyOf(questions, Math.max(64, count * 2));
    }
    questions[count++] = question.about(about);
  }

  /** How these items stand was looked at. */
  void named(Collection<? extends OpenItem> items) {
    items.forEach(item -> ask(Question.ITEM, item.id()));
  }

  /** All questions, each once, in their numbers' order. */
  int[] distinct() {
    return Arrays.stream(questions, 0, count).sorted().distinct().toArray();
  }
}
