package org.sumbrel.core.propose;

import java.util.Optional;
import java.util.regex.Pattern;

/**
 * What the words of a receipt's text say about its amount; read once for all explanations.
 *
 * @param reason why something was held back
 * @param callsItPart whether it is called a part of what is owed
 */
record TextWords(Optional<ReasonInText> reason, boolean callsItPart) {

  /** Common practice, no source: what payers call a payment that does not settle an item. */
  private static final Pattern PART =
      Pattern.compile(
          "\\b(?:PART(?:IAL|LY)?|ON ACCOUNT|INSTAL+MENTS?|DEPOSIT|A CONTO|TEILZAHLUNG|ANZAHLUNG|ACOMPTE)\\b",
          Pattern.CASE_INSENSITIVE);

  static TextWords of(String text) {
    return new TextWords(ReasonInText.of(text), PART.matcher(text).find());
  }
}
