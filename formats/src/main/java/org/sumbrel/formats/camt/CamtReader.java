package org.sumbrel.formats.camt;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import javax.xml.stream.XMLStreamException;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.statement.AccountStatement;
import org.sumbrel.formats.xml.XmlCursor;

/**
 * Reads ISO 20022 bank-to-customer statements (camt.053), reports (camt.052) and notifications
 * (camt.054) of the versions 001.02 to 001.13, bare or inside a business message, one or more in a
 * file.
 */
public final class CamtReader {

  private static final Pattern NAMESPACE = Pattern.compile("camt\\.(05[234])\\.001\\.(\\d\\d)$");
  private static final int FIRST_VERSION = 2;
  private static final int LAST_VERSION = 13;

  /** How deep inside wrappers a message may stand. */
  private static final int DEEPEST_WRAPPER = 6;

  private final Reading reading;
  private final List<AccountStatement> statements = new ArrayList<>();
  private Format format;

  private CamtReader(Reading reading) {
    this.reading = reading;
  }

  /**
   * Reads all statements of the file.
   *
   * @throws BrokenFile with line and reason for everything that cannot be read
   */
  public static FileContent read(FileBytes file, Reading reading) throws BrokenFile {
    var reader = new CamtReader(reading);
    XmlCursor.through(file, xml -> reader.wrapper(xml, 0));
    if (reader.format == null) {
      throw new BrokenFile(0, "there is no statement, report or notification in this camt file");
    }
    reading.requireSound();
    return FileContent.ofStatements(reader.format, reader.statements, reading.odd());
  }

  private void wrapper(XmlCursor xml, int depth) throws XMLStreamException, BrokenFile {
    while (xml.child()) {
      var found = messageOf(xml.name());
      if (found.isPresent()) {
        checkVersion(xml, found.get());
        format = found.get();
        message(xml);
      } else if (depth < DEEPEST_WRAPPER) {
        wrapper(xml, depth + 1);
      } else {
        xml.skip();
      }
    }
  }

  private static Optional<Format> messageOf(String element) {
    return switch (element) {
      case "BkToCstmrStmt" -> Optional.of(Format.CAMT_053);
      case "BkToCstmrAcctRpt" -> Optional.of(Format.CAMT_052);
      case "BkToCstmrDbtCdtNtfctn" -> Optional.of(Format.CAMT_054);
      default -> Optional.empty();
    };
  }

  private void checkVersion(XmlCursor xml, Format found) {
    var matcher = NAMESPACE.matcher(xml.namespace());
    if (!matcher.find()) {
      reading.odd(
          xml.line(),
          "the namespace \""
              + xml.namespace()
              + "\" does not say which version of "
              + found.word()
              + " this is");
      return;
    }
    var version = Integer.parseInt(matcher.group(2));
    if (version < FIRST_VERSION || version > LAST_VERSION) {
      reading.odd(
          xml.line(),
          found.word()
              + ".001."
              + matcher.group(2)
              + " is not one of the versions 02 to 13; read like the nearest");
    }
  }

  private void message(XmlCursor xml) throws XMLStreamException, BrokenFile {
    while (xml.child()) {
      switch (xml.name()) {
        case "Stmt", "Rpt", "Ntfctn" ->
            new CamtStatement(reading, format).read(xml).ifPresent(statements::add);
        default -> xml.skip();
      }
    }
  }
}
