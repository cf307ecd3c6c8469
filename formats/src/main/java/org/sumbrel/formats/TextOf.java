package org.sumbrel.formats;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;

/** Text out of bytes whose character set is not said: UTF-8 where they are, else Windows-1252. */
public final class TextOf {

  private static final Charset WINDOWS = Charset.forName("windows-1252");
  private static final char BYTE_ORDER_MARK = '\uFEFF';

  private TextOf() {}

  public static String bytes(byte[] bytes) {
    String text;
    try {
      text = StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString();
    } catch (CharacterCodingException e) {
      text = new String(bytes, WINDOWS);
    }
    return !text.isEmpty() && text.charAt(0) == BYTE_ORDER_MARK ? text.substring(1) : text;
  }
}
