package org.sumbrel.core.find;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.sumbrel.core.receivables.PaidBy;

/** How a search line that is being typed may go on. */
public final class Suggestions {

  private static final int SHORTEST = 2;

  private Suggestions() {}

  /**
   * One way to go on.
   *
   * @param line the whole line with the last word completed
   * @param says what that asks for
   */
  public record Suggestion(String line, String says) {}

  /**
   * The word that is being typed; empty where none is, or it is still too short to say anything.
   */
  public static String lastWord(String line) {
    if (line.isEmpty() || Character.isWhitespace(line.charAt(line.length() - 1))) {
      return "";
    }
    var word = line.substring(begin(line));
    return word.length() < SHORTEST ? "" : word;
  }

  private static int begin(String line) {
    return line.lastIndexOf(' ') + 1;
  }

  /**
   * The ways to go on, at most one of each kind of key and all of what was looked up.
   *
   * @param payers names of customers that contain the last word
   * @param references numbers that contain it
   */
  public static List<Suggestion> of(String line, List<String> payers, List<String> references) {
    var word = lastWord(line).toLowerCase(Locale.ROOT);
    if (word.isEmpty()) {
      return List.of();
    }
    var before = line.substring(0, begin(line));
    var found = new ArrayList<Suggestion>();
    for (var key : SearchLine.KEYS) {
      if (key.startsWith(word) && !key.equals(word)) {
        found.add(new Suggestion(before + key, meaning(key)));
      }
    }
    if (word.startsWith("method:")) {
      for (var by : PaidBy.values()) {
        var whole = "method:" + by.name().toLowerCase(Locale.ROOT);
        if (whole.startsWith(word) && !whole.equals(word)) {
          found.add(new Suggestion(before + whole, "what came so"));
        }
      }
    }
    payers.forEach(
        name -> found.add(new Suggestion(before + "payer:" + quoted(name), "of this customer")));
    references.forEach(number -> found.add(new Suggestion(before + number, "this item")));
    return found;
  }

  private static String quoted(String name) {
    return name.contains(" ") ? "\"" + name.replace("\"", "") + "\"" : name;
  }

  private static String meaning(String key) {
    return switch (key) {
      case "before:" -> "before a day or month, such as before:2026-05-10";
      case "after:" -> "after a day or month, such as after:april";
      case "payer:" -> "in the payer’s or customer’s name";
      case "ref:" -> "in a number or reference";
      case "method:" -> "how it came: cheque, cash, card, transfer";
      default -> "nearest to an amount first, such as gap:231.90";
    };
  }
}
