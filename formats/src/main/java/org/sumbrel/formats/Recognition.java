package org.sumbrel.formats;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/** Tells the format of a file by how it begins, never by its name. */
final class Recognition {

  /** How much of a file is looked at. */
  static final int HEAD = 64 * 1024;

  private static final Pattern CAMT =
      Pattern.compile(
          "<(?:[\\w.-]+:)?(BkToCstmrStmt|BkToCstmrAcctRpt|BkToCstmrDbtCdtNtfctn)\\b|camt\\.(05[234])\\.001");
  private static final Pattern UBL =
      Pattern.compile("urn:oasis:names:specification:ubl:schema:xsd:(Invoice|CreditNote)-2");
  private static final Pattern OFX_ROOT = Pattern.compile("<OFX>", Pattern.CASE_INSENSITIVE);
  private static final Pattern OTHER_ROOT = Pattern.compile("<(?![?!])([\\w:.-]{1,60})");
  private static final Pattern BAI2 = Pattern.compile("^\\s*01,[^\\n]*");
  private static final Pattern BAI_LOCKBOX =
      Pattern.compile("^\\s*1[ \\d]{2}[\\w ]{20}\\d{10}[^\\n]{0,80}\\n2");
  private static final Pattern MT_BLOCK = Pattern.compile("^\\s*\\{1:");
  private static final Pattern MT_TAGS =
      Pattern.compile("(?m)^(?:\\{4:)?:20:[^\\n]*\\n(?:[^\\n]*\\n){0,8}?:(?:25P?|28C?|60[FM]):");
  private static final Pattern MT_TYPE = Pattern.compile("\\{2:[IO](\\d{3})");
  private static final Pattern X12 = Pattern.compile("^\\s*ISA[^A-Za-z0-9\\s]");
  private static final Pattern X12_SET = Pattern.compile("(?<![A-Z0-9])ST[^A-Za-z0-9\\s](\\d{3})");

  private Recognition() {}

  /**
   * The format of a file that is not a table.
   *
   * @throws BrokenFile where it is something else that can be named
   */
  static Optional<Format> of(byte[] head) throws BrokenFile {
    refuseBinary(head);
    var text = TextOf.withLineFeeds(TextOf.bytes(head));
    if (text.contains("OFXHEADER") || OFX_ROOT.matcher(text).find()) {
      return Optional.of(Format.OFX);
    }
    if (text.stripLeading().startsWith("<")) {
      return Optional.of(xml(text));
    }
    if (X12.matcher(text).find()) {
      return Optional.of(x12(text));
    }
    if (BAI2.matcher(text).find()) {
      return Optional.of(Format.BAI2);
    }
    if (BAI_LOCKBOX.matcher(text).find()) {
      return Optional.of(Format.LOCKBOX_BAI);
    }
    return mt(text);
  }

  /** Whether it is an archive of the kind that workbooks are too. */
  static boolean isArchive(byte[] head) {
    return new String(head, 0, Math.min(4, head.length), StandardCharsets.ISO_8859_1)
        .equals("PK\u0003\u0004");
  }

  private static void refuseBinary(byte[] head) throws BrokenFile {
    var latin = new String(head, 0, Math.min(8, head.length), StandardCharsets.ISO_8859_1);
    String what = null;
    if (latin.startsWith("%PDF")) {
      what =
          "a PDF, which people read and programs do not; ask the bank for one of the data formats";
    } else if (latin.startsWith("\u001f\u008b")
        || latin.startsWith("7z")
        || latin.startsWith("Rar!")
        || latin.startsWith("BZh")) {
      what = "a packed archive; archives are not unpacked";
    } else if (latin.startsWith("\u00d0\u00cf\u0011\u00e0")) {
      what = "an old spreadsheet or text document, which is not read";
    } else if (latin.startsWith("\u0089PNG")
        || latin.startsWith("\u00ff\u00d8\u00ff")
        || latin.startsWith("GIF8")) {
      what = "a picture, which is not read";
    }
    if (what != null) {
      throw new BrokenFile(0, "this is " + what);
    }
    var wide = head.length >= 2 && ((head[0] & 0xFF) >= 0xFE && (head[1] & 0xFF) >= 0xFE);
    for (var at = 0; at < head.length && !wide; at++) {
      if (head[at] == 0) {
        throw new BrokenFile(
            0,
            "this is a binary file of no known kind (byte "
                + at
                + " is zero); nothing of it is read");
      }
    }
  }

  private static Format xml(String text) throws BrokenFile {
    var camt = CAMT.matcher(text);
    if (camt.find()) {
      var found = camt.group(1) == null ? camt.group(2) : camt.group(1);
      return switch (found) {
        case "BkToCstmrStmt", "053" -> Format.CAMT_053;
        case "BkToCstmrAcctRpt", "052" -> Format.CAMT_052;
        default -> Format.CAMT_054;
      };
    }
    var ubl = UBL.matcher(text);
    if (ubl.find()) {
      return ubl.group(1).equals("Invoice") ? Format.UBL_INVOICE : Format.UBL_CREDIT_NOTE;
    }
    var root = OTHER_ROOT.matcher(text);
    var name = root.find() ? root.group(1) : "";
    if (name.toLowerCase(Locale.ROOT).equals("html")) {
      throw new BrokenFile(
          1,
          "this is a web page, perhaps the bank's notice that the session is over, and no statement");
    }
    throw new BrokenFile(
        1,
        "this XML begins with <"
            + name
            + "> and is neither OFX, camt.052, camt.053, camt.054 nor a UBL invoice or credit note");
  }

  private static Format x12(String text) throws BrokenFile {
    var set = X12_SET.matcher(text);
    var number = set.find() ? set.group(1) : "";
    return switch (number) {
      case "820" -> Format.X12_820;
      case "823" -> Format.X12_823;
      default ->
          throw new BrokenFile(
              1,
              "this X12 interchange holds "
                  + (number.isEmpty() ? "no transaction set" : "transaction set " + number)
                  + ", expected 820 or 823");
    };
  }

  private static Optional<Format> mt(String text) throws BrokenFile {
    var type = MT_TYPE.matcher(text);
    if (MT_BLOCK.matcher(text).find() && type.find()) {
      return switch (type.group(1)) {
        case "940", "950" -> Optional.of(Format.MT940);
        case "942" -> Optional.of(Format.MT942);
        default ->
            throw new BrokenFile(
                1, "this is SWIFT message MT" + type.group(1) + ", expected MT940 or MT942");
      };
    }
    return MT_TAGS.matcher(text).find() ? Optional.of(Format.MT940) : Optional.empty();
  }
}
