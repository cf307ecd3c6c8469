package org.sumbrel.formats;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;

/**
 * Text out of bytes whose character set is not said: by its byte order mark, else UTF-8 where any
 * of its letters are in it, else Windows-1252.
 */
public final class TextOf {

  private static final Charset WINDOWS = Charset.forName("windows-1252");
  private static final char BYTE_ORDER_MARK = '\uFEFF';
  private static final char REPLACEMENT = '\uFFFD';

  /** A letter of UTF-8 that was read byte by byte. */
  private static final Pattern UTF_8_LETTER =
      Pattern.compile("[ÂÃÄÅ][\\u0080-\\u00BF€‚ƒ„…†‡ˆ‰Š‹ŒŽ‘’“”•–—˜™š›œžŸ]");

  /** What no bank's text in Windows-1252 has. */
  private static final Pattern RARE =
      Pattern.compile("[\\u0080-\\u009F\\uFFFDÂÃÞþðÐÝýÿ×÷¤¦¨¬­¯¶¸¹¼½¾ƒˆ‰‹›˜]");

  private TextOf() {}

  public static String bytes(byte[] bytes) {
    return bytes(bytes, charset(bytes));
  }

  /** The text in a character set that is known, without its byte order mark. */
  public static String bytes(byte[] bytes, Charset charset) {
    var text = new String(bytes, charset);
    return !text.isEmpty() && text.charAt(0) == BYTE_ORDER_MARK ? text.substring(1) : text;
  }

  /** The text with one line feed at the end of each line, however its lines end. */
  public static String withLineFeeds(String text) {
    return text.indexOf('\r') < 0 ? text : text.replace("\r\n", "\n").replace('\r', '\n');
  }

  /**
   * The text of a file whose character set is not said; where its bytes fit none well, that is
   * listed, since names in it may be misspelt.
   */
  public static String bytes(byte[] bytes, Reading reading) {
    var charset = charset(bytes);
    var text = bytes(bytes, charset);
    reportDoubts(text, charset, 1, reading);
    return text;
  }

  /**
   * Lists the first character that the character set does not have, or hardly ever.
   *
   * @param firstLine the number of the text's first line
   */
  public static void reportDoubts(String text, Charset charset, int firstLine, Reading reading) {
    var at = -1;
    if (charset.equals(WINDOWS)) {
      var mixed = UTF_8_LETTER.matcher(text);
      var odd = RARE.matcher(text);
      at = mixed.find() ? mixed.start() : odd.find() ? odd.start() : -1;
    } else {
      at = text.indexOf(REPLACEMENT);
    }
    if (at < 0) {
      return;
    }
    var from = text.lastIndexOf('\n', at) + 1;
    var end = text.indexOf('\n', at);
    var line = (int) text.chars().limit(at).filter(c -> c == '\n').count() + firstLine;
    var around =
        text.substring(Math.max(from, at - 15), Math.min(end < 0 ? text.length() : end, at + 15));
    reading.odd(
        line,
        "the characters are neither sound UTF-8 nor sound "
            + WINDOWS.name()
            + "; names may be misspelt, such as \""
            + around.strip()
            + "\"");
  }

  /** The character set that the bytes are likeliest in. */
  public static Charset charset(byte[] bytes) {
    if (startsWith(bytes, 0xFE, 0xFF)) {
      return StandardCharsets.UTF_16BE;
    }
    if (startsWith(bytes, 0xFF, 0xFE)) {
      return StandardCharsets.UTF_16LE;
    }
    var text = new String(bytes, StandardCharsets.UTF_8);
    var letters = text.chars().anyMatch(c -> c > 0x7F && c != REPLACEMENT);
    return letters || text.indexOf(REPLACEMENT) < 0 ? StandardCharsets.UTF_8 : WINDOWS;
  }

  private static boolean startsWith(byte[] bytes, int first, int second) {
    return bytes.length >= 2 && (bytes[0] & 0xFF) == first && (bytes[1] & 0xFF) == second;
  }
}
