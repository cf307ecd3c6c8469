package org.sumbrel.formats.mt;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Pattern;

/**
 * What a {@code :86:} says of a movement. Three writings are told apart: numbered sub-fields after
 * a three-figure code ({@code 166?00...?20...?32...}, as the German banking industry's agreement on
 * remote data transmission has them, with SEPA code words inside), words between slashes ({@code
 * /NAME/.../REMI/...}, as SWIFT's list of code words has them), and free text.
 *
 * @param bankText the bank's own name for the kind of movement
 */
record MtInformation(
    String payerName,
    String payerAccount,
    String ultimatePayer,
    String remittance,
    String endToEnd,
    String bankText) {

  private static final Pattern NUMBERED =
      Pattern.compile("^\\d{3}([^\\w\\s/])(?=\\d{2})", Pattern.DOTALL);
  private static final Pattern SLASHED =
      Pattern.compile(
          "/(EREF|KREF|MREF|CREF|IREF|PREF|MARF|ROC|CSID|NAME|IBAN|BIC|ACCW|CNTP|ORDP|BENM|ADDR|ULTD|ULTB|REMI|RTRN|"
              + "TRTP|TYPE|TRCD|PURP|SVCL|OCMT|CHGS|EXCH|ISDT|INFO|NRTX|PHON|TR)/");
  private static final Pattern ACCOUNT = Pattern.compile("[A-Z]{2}\\d{2}[A-Z0-9]{4,30}|\\d{5,34}");
  private static final Pattern BIC = Pattern.compile("[A-Z]{4}[A-Z]{2}[A-Z0-9]{2}(?:[A-Z0-9]{3})?");
  private static final Pattern BEFORE_WORDS = Pattern.compile("[A-Z0-9]{0,4}\\s?");
  private static final Pattern SEPA =
      Pattern.compile("(EREF|KREF|MREF|CRED|DEBT|SVWZ|ABWA|ABWE|IBAN|BIC|PURP|COAM|OAMT)\\+");

  /** The width of a sub-field of remittance; one that is full goes on in the next. */
  private static final int SUB_FIELD = 27;

  /** The width of a line; one that is full goes on in the next. */
  private static final int LINE = 65;

  private static final String NOT_GIVEN = "NOTPROVIDED";

  static MtInformation read(String text) {
    if (text.isBlank()) {
      return new MtInformation("", "", "", "", "", "");
    }
    var numbered = NUMBERED.matcher(text);
    if (numbered.find()) {
      return numbered(text, numbered.group(1).charAt(0));
    }
    var joined = lines(text);
    var slashed = slashed(joined);
    return slashed.isEmpty()
        ? new MtInformation("", "", "", joined, "", "")
        : ofWords(slashed, joined);
  }

  private static String lines(String text) {
    var joined = new StringBuilder();
    for (var line : text.split("\n")) {
      joined.append(line);
      if (line.length() < LINE) {
        joined.append(' ');
      }
    }
    return joined.toString().strip();
  }

  private static MtInformation numbered(String text, char mark) {
    // the bank breaks its lines anywhere, also within a sub-field
    var flat = text.replace("\n", "");
    var purpose = new StringBuilder();
    var name = new StringBuilder();
    var account = "";
    var bankText = "";
    for (var at = flat.indexOf(mark); at >= 0 && at + 3 <= flat.length(); ) {
      var end = next(flat, mark, at + 1);
      var number = flat.substring(at + 1, at + 3);
      var value = flat.substring(at + 3, end < 0 ? flat.length() : end);
      switch (number) {
        case "00" -> bankText = value.strip();
        case "31" -> account = value.strip();
        case "32", "33" -> {
          name.append(value);
          if (value.length() < SUB_FIELD) {
            name.append(' ');
          }
        }
        default -> {
          if (number.charAt(0) == '2' || number.charAt(0) == '6') {
            purpose.append(value);
            if (value.length() < SUB_FIELD) {
              purpose.append(' ');
            }
          }
        }
      }
      at = end;
    }
    var slashed = slashed(purpose.toString());
    if (!slashed.isEmpty()) {
      return ofWords(slashed, purpose.toString().strip())
          .orElse(name.toString().strip(), account, bankText);
    }
    var words = sepa(purpose.toString());
    var accountSaid = account.isEmpty() ? words.getOrDefault("IBAN", "") : account;
    return new MtInformation(
        name.toString().strip(),
        accountSaid,
        words.getOrDefault("ABWA", ""),
        words.getOrDefault("SVWZ", "").isEmpty()
            ? words.getOrDefault("", "")
            : (words.getOrDefault("", "") + " " + words.get("SVWZ")).strip(),
        given(words.getOrDefault("EREF", "")),
        bankText);
  }

  /** The same with what only the numbered sub-fields say. */
  private MtInformation orElse(String name, String account, String text) {
    return new MtInformation(
        payerName.isEmpty() ? name : payerName,
        payerAccount.isEmpty() ? account : payerAccount,
        ultimatePayer,
        remittance,
        endToEnd,
        text.isEmpty() ? bankText : text);
  }

  /** The next mark that two figures follow; another one is part of the text. */
  private static int next(String text, char mark, int from) {
    for (var at = text.indexOf(mark, from); at >= 0; at = text.indexOf(mark, at + 1)) {
      if (at + 2 < text.length()
          && Character.isDigit(text.charAt(at + 1))
          && Character.isDigit(text.charAt(at + 2))) {
        return at;
      }
    }
    return -1;
  }

  /** By code word; what stands before the first goes under the empty one. */
  private static Map<String, String> sepa(String purpose) {
    var words = new LinkedHashMap<String, String>();
    var matcher = SEPA.matcher(purpose);
    var word = "";
    var from = 0;
    while (matcher.find()) {
      words.merge(word, purpose.substring(from, matcher.start()).strip(), MtInformation::join);
      word = matcher.group(1);
      from = matcher.end();
    }
    words.merge(word, purpose.substring(from).strip(), MtInformation::join);
    return words;
  }

  /**
   * By code word; empty where the text does not begin with one, but for a code of the transaction
   * before it. A slash may end one word and begin the next.
   */
  private static Map<String, String> slashed(String text) {
    var words = new LinkedHashMap<String, String>();
    var matcher = SLASHED.matcher(text);
    if (!matcher.find() || !BEFORE_WORDS.matcher(text.substring(0, matcher.start())).matches()) {
      return words;
    }
    var word = matcher.group(1);
    var from = matcher.end();
    while (matcher.find(from - 1)) {
      words.merge(word, value(text, from, matcher.start()), MtInformation::join);
      word = matcher.group(1);
      from = matcher.end();
    }
    words.merge(word, value(text, from, text.length()), MtInformation::join);
    return words;
  }

  private static String value(String text, int from, int to) {
    return from >= to ? "" : text.substring(from, to).strip();
  }

  private static MtInformation ofWords(Map<String, String> words, String all) {
    var name = first(words, "NAME", "ORDP", "BENM");
    var account = first(words, "IBAN", "ACCW");
    // /CNTP/account/BIC/name/town//, where each but the name may be left out
    var counterparty = words.getOrDefault("CNTP", "").split("/");
    var inPlace = counterparty.length > 2 && !counterparty[2].isBlank();
    for (var n = 0; n < counterparty.length; n++) {
      var part = counterparty[n].strip();
      if (inPlace ? n == 0 : ACCOUNT.matcher(part).matches()) {
        account = account.isEmpty() ? part : account;
      } else if (name.isEmpty() && (inPlace ? n == 2 : !BIC.matcher(part).matches())) {
        name = part;
      }
    }
    var remittance = first(words, "REMI", "RTRN");
    for (var inner : new String[] {"USTD//", "STRD/CUR/", "USTD/", "STRD/"}) {
      if (remittance.startsWith(inner)) {
        remittance = remittance.substring(inner.length());
      }
    }
    var known = !remittance.isEmpty() || !name.isEmpty();
    return new MtInformation(
        name,
        account,
        first(words, "ULTD", "ULTB"),
        known ? trimmed(remittance) : all,
        given(first(words, "EREF", "ROC")),
        first(words, "TRTP", "TYPE"));
  }

  private static String trimmed(String text) {
    var end = text.length();
    while (end > 0 && text.charAt(end - 1) == '/') {
      end--;
    }
    return text.substring(0, end).strip();
  }

  private static String first(Map<String, String> words, String... names) {
    for (var name : names) {
      var value = trimmed(words.getOrDefault(name, ""));
      if (!value.isEmpty()) {
        return value;
      }
    }
    return "";
  }

  private static String given(String reference) {
    return reference.equals(NOT_GIVEN) ? "" : reference;
  }

  private static String join(String a, String b) {
    return a.isEmpty() ? b : b.isEmpty() ? a : a + " " + b;
  }
}
