package org.sumbrel.formats.ofx;

import com.webcohesion.ofx4j.io.OFXParseException;
import com.webcohesion.ofx4j.io.nanoxml.NanoXMLOFXReader;
import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
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
  private static final Pattern END = Pattern.compile("</OFX>\\s*$", Pattern.CASE_INSENSITIVE);

  /**
   * Elements without a value that SGML leaves unclosed; the library would take them for aggregates.
   */
  private static final Pattern EMPTY_LEAF =
      Pattern.compile(
          "<(NAME|MEMO|CHECKNUM|REFNUM|EXTDNAME|SRVRTID|PAYEEID|ORG|FID|MESSAGE)>(?=\\s*<(?!/\\1>))");

  private static final Pattern TRANSACTION = Pattern.compile("<STMTTRNP?>");

  private OfxReader() {}

  /**
   * Reads all statements of the file.
   *
   * @throws BrokenFile with line and reason for everything that cannot be read
   */
  public static FileContent read(byte[] bytes, Reading reading) throws BrokenFile {
    var text = decoded(bytes);
    if (!ROOT.matcher(text).find()) {
      throw new BrokenFile(1, "the OFX header is not followed by <OFX>");
    }
    if (!END.matcher(text).find()) {
      throw new BrokenFile(
          lineAt(text, text.length()), "the file ends before </OFX>; it was cut off");
    }
    var statements = new StatementHandler(reading, transactionLines(text));
    if (text.contains("<?OFX") || text.startsWith("<?xml")) {
      XmlCursor.through(FileBytes.of(bytes), xml -> new XmlEvents(statements).read(xml));
    } else {
      readSgml(text, statements);
    }
    reading.requireSound();
    if (statements.accounts().isEmpty() && !statements.passedOver()) {
      throw new BrokenFile(0, "there is no bank or card statement in this OFX file");
    }
    return FileContent.ofStatements(Format.OFX, statements.accounts(), reading.odd());
  }

  private static void readSgml(String text, StatementHandler statements) throws BrokenFile {
    var reader = new NanoXMLOFXReader();
    reader.setContentHandler(statements);
    try {
      reader.parse(new StringReader(prepared(text)));
    } catch (IOException e) {
      throw new BrokenFile(0, "not well-formed OFX: " + reason(e));
    } catch (OFXParseException | RuntimeException e) {
      // the library answers damaged files with unchecked exceptions of many kinds as well
      for (Throwable cause = e; cause != null; cause = cause.getCause()) {
        if (cause instanceof BrokenFile broken) {
          throw broken;
        }
      }
      throw new BrokenFile(0, "not well-formed OFX: " + reason(e));
    }
  }

  /**
   * SGML as the library reads it rightly: without empty leaves, and with ampersands out of its
   * sight, because it lets a value that begins with an entity leak into the next one.
   */
  private static String prepared(String sgml) {
    return EMPTY_LEAF.matcher(sgml).replaceAll("").replace('&', StatementHandler.AMPERSAND);
  }

  private static String head(byte[] bytes) {
    return new String(bytes, 0, Math.min(HEAD, bytes.length), StandardCharsets.ISO_8859_1);
  }

  /**
   * OFX 1.x names its character set in the header; 2.x is XML and UTF-8 but for rare exceptions.
   */
  private static String decoded(byte[] bytes) {
    var head = head(bytes).toUpperCase(Locale.ROOT);
    if (head.contains("CHARSET:1252")) {
      return new String(bytes, Charset.forName("windows-1252"));
    }
    return head.contains("CHARSET:8859-1")
        ? new String(bytes, StandardCharsets.ISO_8859_1)
        : TextOf.bytes(bytes);
  }

  private static List<Integer> transactionLines(String text) {
    var lines = new ArrayList<Integer>();
    var matcher = TRANSACTION.matcher(text);
    var line = 1;
    var from = 0;
    while (matcher.find()) {
      line += breaks(text, from, matcher.start());
      from = matcher.start();
      lines.add(line);
    }
    return lines;
  }

  private static int lineAt(String text, int at) {
    return 1 + breaks(text, 0, at);
  }

  private static int breaks(String text, int from, int to) {
    var count = 0;
    for (var i = from; i < to; i++) {
      if (text.charAt(i) == '\n') {
        count++;
      }
    }
    return count;
  }

  private static String reason(Exception e) {
    Throwable cause = e;
    while (cause.getCause() != null) {
      cause = cause.getCause();
    }
    return cause.getMessage() == null ? "it breaks off in the middle of a tag" : cause.getMessage();
  }
}
