package org.sumbrel.formats;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;

/**
 * Text out of bytes whose character set is not said: by its byte order mark, else UTF-8 where they
 * are, else Windows-1252.
 */
public final class TextOf {

  private static final Charset WINDOWS = Charset.forName("windows-1252");
  private static final char BYTE_ORDER_MARK = '\uFEFF';

  private TextOf() {}

  public static String bytes(byte[] bytes) {
    return bytes(bytes, charset(bytes));
  }

  /** The text in a character set that is known, without its byte order mark. */
  public static String bytes(byte[] bytes, Charset charset) {
    var text = new String(bytes, charset);
    return !text.isEmpty() && text.charAt(0) == BYTE_ORDER_MARK ? text.substring(1) : text;
  }

  /** The character set that the bytes are likeliest in. */
  public static Charset charset(byte[] bytes) {
    if (startsWith(bytes, 0xFE, 0xFF)) {
      return StandardCharsets.UTF_16BE;
    }
    if (startsWith(bytes, 0xFF, 0xFE)) {
      return StandardCharsets.UTF_16LE;
    }
    try {
      StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes));
      return StandardCharsets.UTF_8;
    } catch (CharacterCodingException e) {
      return WINDOWS;
    }
  }

  private static boolean startsWith(byte[] bytes, int first, int second) {
    return bytes.length >= 2 && (bytes[0] & 0xFF) == first && (bytes[1] & 0xFF) == second;
  }
}
