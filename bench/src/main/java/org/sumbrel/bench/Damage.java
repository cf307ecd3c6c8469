package org.sumbrel.bench;

import java.util.List;
import java.util.Random;

/** How references and names suffer on their way through people, forms and banks. */
final class Damage {

  private static final String[][] LOOKS_ALIKE = {
    {"0", "O"}, {"1", "I"}, {"5", "S"}, {"8", "B"}, {"2", "Z"}, {"6", "G"}
  };

  private final Random random;

  Damage(Random random) {
    this.random = random;
  }

  /** The reference in a form that people write without a mistake. */
  String wayOfWriting(String reference) {
    return switch (random.nextInt(9)) {
      case 0 -> reference.replaceAll("[-/]", "");
      case 1 -> reference.replaceAll("[-/]", " ");
      case 2 -> reference.toLowerCase(java.util.Locale.ROOT);
      case 3 -> withoutZeros(reference);
      case 4 -> reference.matches("\\D*\\d+") ? digits(reference) : count(reference);
      case 5 -> reference.replace("-", "/").replaceAll("(?<=/)0+", "");
      default -> reference;
    };
  }

  /** The last figures of a number that is made of several, as they stand there. */
  private static String count(String reference) {
    return reference.replaceAll(".*\\D(?=\\d+$)", "");
  }

  static String digits(String reference) {
    return reference.replaceAll("\\D", "");
  }

  static String withoutZeros(String reference) {
    return reference.replaceAll("^(\\D*)0+", "$1").replaceAll("^\\D+", "");
  }

  /**
   * One slip: swapped, wrong, missing or extra figure, a letter for a figure, the end cut off, a
   * blank inside.
   */
  String slip(String reference) {
    var at = reference.length() - 1 - random.nextInt(Math.min(5, reference.length() - 1));
    var c = reference.charAt(at);
    return switch (random.nextInt(7)) {
      case 0 -> swapped(reference, at);
      case 1 -> reference.substring(0, at) + other(c) + reference.substring(at + 1);
      case 2 -> reference.substring(0, at) + reference.substring(at + 1);
      case 3 -> reference.substring(0, at) + random.nextInt(10) + reference.substring(at);
      case 4 -> alike(reference);
      case 5 -> reference.substring(0, reference.length() - 1);
      default -> reference.substring(0, at) + " " + reference.substring(at);
    };
  }

  private static String swapped(String text, int at) {
    if (at == 0 || text.charAt(at) == text.charAt(at - 1)) {
      return text;
    }
    return text.substring(0, at - 1)
        + text.charAt(at)
        + text.charAt(at - 1)
        + text.substring(at + 1);
  }

  private char other(char c) {
    var digit = (char) ('0' + random.nextInt(10));
    return digit == c ? (char) ('0' + (digit - '0' + 1) % 10) : digit;
  }

  private String alike(String text) {
    for (var pair : LOOKS_ALIKE) {
      var at = text.lastIndexOf(pair[0]);
      if (at > 2) {
        return text.substring(0, at) + pair[1] + text.substring(at + 1);
      }
    }
    return text;
  }

  /**
   * The text as a bank hands it on: with figures of its own that name nothing of ours, and broken
   * at the length of its lines.
   */
  String byTheBank(String text, boolean noisy) {
    var handed = text;
    if (noisy) {
      var more =
          switch (random.nextInt(7)) {
            case 0 -> "TRN " + (100_000_000_000L + Math.abs(random.nextLong() % 899_999_999_999L));
            case 1 -> "2026-05-" + (10 + random.nextInt(19));
            case 2 -> "%02d:%02d".formatted(random.nextInt(24), random.nextInt(60));
            case 3 -> "CARD XXXX" + (1_000 + random.nextInt(9_000));
            case 4 -> "TEL 555 " + (1_000 + random.nextInt(9_000));
            case 5 -> (10 + random.nextInt(19)) + ".05.2026";
            default -> "SEQ " + (1 + random.nextInt(999));
          };
      handed = (random.nextBoolean() ? handed + " " + more : more + " " + handed).strip();
    }
    var line = List.of(27, 35, 65, 1_000, 1_000, 1_000).get(random.nextInt(6));
    var broken = new StringBuilder();
    for (var at = 0; at < handed.length(); at += line) {
      broken.append(at == 0 ? "" : " ").append(handed, at, Math.min(at + line, handed.length()));
    }
    return broken.toString();
  }

  /** How many figures must be changed, put in, left out or swapped to make one from the other. */
  static int distance(String one, String other) {
    var d = new int[one.length() + 1][other.length() + 1];
    for (var i = 0; i <= one.length(); i++) {
      for (var j = 0; j <= other.length(); j++) {
        if (i == 0 || j == 0) {
          d[i][j] = i + j;
          continue;
        }
        var same = one.charAt(i - 1) == other.charAt(j - 1);
        d[i][j] =
            Math.min(d[i - 1][j - 1] + (same ? 0 : 1), Math.min(d[i - 1][j], d[i][j - 1]) + 1);
        if (i > 1
            && j > 1
            && one.charAt(i - 1) == other.charAt(j - 2)
            && one.charAt(i - 2) == other.charAt(j - 1)) {
          d[i][j] = Math.min(d[i][j], d[i - 2][j - 2] + 1);
        }
      }
    }
    return d[one.length()][other.length()];
  }

  /** A name as a bank's form or another person writes it. */
  String name(String name) {
    return switch (random.nextInt(9)) {
      case 0 -> name.toUpperCase(java.util.Locale.ROOT);
      case 1 -> name.length() > 22 ? name.substring(0, 22) : name;
      case 2 -> name.replace("&", "AND").toUpperCase(java.util.Locale.ROOT);
      case 3 -> reordered(name);
      case 4 -> name + List.of(" Ltd", " Inc", " LLC", " Co").get(random.nextInt(4));
      case 5 -> name.length() > 6 ? name.substring(0, 4) + name.substring(5) : name;
      default -> name;
    };
  }

  private static String reordered(String name) {
    var words = name.split(" ");
    return words.length < 2
        ? name
        : words[words.length - 1]
            + " "
            + String.join(" ", java.util.Arrays.copyOf(words, words.length - 1));
  }
}
