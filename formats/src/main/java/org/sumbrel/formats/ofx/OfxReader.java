package org.sumbrel.formats.ofx;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.regex.Pattern;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.TextOf;
import org.sumbrel.formats.xml.XmlCursor;

/** Reads bank and card statements of Open Financial Exchange 1.x (SGML) and 2.x (XML). */
public final class OfxReader {

  private static final int HEAD = 4096;
  private static final Pattern ROOT = Pattern.compile("<OFX>", Pattern.CASE_INSENSITIVE);
  private static final String END = "</OFX>";

  private OfxReader() {}

  /**
   * Reads all statements of the file.
   *
   * @throws BrokenFile with line and reason for everything that cannot be read
   */
  public static FileContent read(byte[] bytes, Reading reading) throws BrokenFile {
    var text = decoded(bytes, reading);
    var root = ROOT.matcher(text);
    if (!root.find()) {
      throw new BrokenFile(1, "the OFX header is not followed by <OFX>");
    }
    var events = new OfxEvents(reading);
    if (text.startsWith("<?xml") || text.contains("<?OFX")) {
      XmlCursor.through(FileBytes.of(bytes), xml -> new OfxXml(events).read(xml));
    } else {
      var last = text.stripTrailing();
      if (!last.regionMatches(true, last.length() - END.length(), END, 0, END.length())) {
        throw new BrokenFile(
            (int) text.lines().count(), "the file ends before </OFX>; it was cut off");
      }
      new OfxSgml(events).read(text, root.start());
    }
    reading.requireSound();
    if (events.statements().isEmpty() && !events.passedOver()) {
      throw new BrokenFile(0, "there is no bank or card statement in this OFX file");
    }
    return FileContent.ofStatements(Format.OFX, events.statements(), reading.odd());
  }

  /** OFX 1.x names its character set in the header; 2.x is XML, which names its own. */
  private static String decoded(byte[] bytes, Reading reading) {
    var head =
        new String(bytes, 0, Math.min(HEAD, bytes.length), StandardCharsets.ISO_8859_1)
            .toUpperCase(Locale.ROOT);
    if (head.contains("CHARSET:1252")) {
      return new String(bytes, Charset.forName("windows-1252"));
    }
    return head.contains("CHARSET:8859-1")
        ? new String(bytes, StandardCharsets.ISO_8859_1)
        : TextOf.bytes(bytes, reading);
  }
}
