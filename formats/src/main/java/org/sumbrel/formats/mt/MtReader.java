package org.sumbrel.formats.mt;

import java.util.ArrayList;
import java.util.List;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.statement.AccountStatement;

/**
 * Reads SWIFT customer statements (MT940) and interim reports (MT942), with or without the blocks
 * of the network around them, one or more in a file.
 */
public final class MtReader {

  /** The longest text of one field, far more than the standard's six lines of 65. */
  private static final int LONGEST_FIELD = 20_000;

  private final Reading reading;
  private final List<AccountStatement> statements = new ArrayList<>();
  private final StringBuilder value = new StringBuilder();
  private String tag;
  private int tagLine;
  private MtStatement open;
  private boolean inBlock;
  private int number;

  private MtReader(Reading reading) {
    this.reading = reading;
  }

  /**
   * Reads all statements of the file.
   *
   * @throws BrokenFile with line and reason for everything that cannot be read
   */
  public static FileContent read(String text, Reading reading) throws BrokenFile {
    var reader = new MtReader(reading);
    reader.lines(text);
    var interim = reader.statements.stream().anyMatch(s -> !s.whole());
    var full = reader.statements.stream().anyMatch(AccountStatement::whole);
    if (interim && full) {
      reading.odd(0, "the file holds both MT940 and MT942; the interim reports are read as such");
    }
    reading.requireSound();
    if (reader.statements.isEmpty()) {
      throw new BrokenFile(0, "there is no statement in this MT940 file");
    }
    return FileContent.ofStatements(
        interim && !full ? Format.MT942 : Format.MT940, reader.statements, reading.odd());
  }

  private void lines(String text) throws BrokenFile {
    for (var from = 0; from < text.length(); ) {
      var end = text.indexOf('\n', from);
      var until = end < 0 ? text.length() : end;
      number++;
      if (until - from > LONGEST_FIELD) {
        throw new BrokenFile(
            number, "a line of " + (until - from) + " characters is no line of an MT940");
      }
      line(text.substring(from, until).stripTrailing());
      from = until + 1;
    }
    finishField();
    finishStatement();
    if (inBlock) {
      reading.wrong(number, "the file ends before the block's end (-}); it was cut off");
    }
  }

  private void line(String line) throws BrokenFile {
    var at = line.indexOf("{4:");
    if (line.startsWith("{1:") || line.startsWith("{2:") || at >= 0) {
      finishField();
      finishStatement();
      inBlock = at >= 0;
      if (at >= 0 && line.length() > at + 3) {
        line(line.substring(at + 3).strip());
      }
      return;
    }
    if (line.equals("-") || line.startsWith("-}") || line.equals("\u0003")) {
      finishField();
      finishStatement();
      inBlock = false;
      return;
    }
    var colon = tagEnd(line);
    if (colon > 0) {
      finishField();
      tag = line.substring(1, colon);
      tagLine = number;
      value.append(line, colon + 1, line.length());
    } else if (tag != null && !line.isEmpty()) {
      value.append('\n').append(line);
      if (value.length() > LONGEST_FIELD) {
        throw new BrokenFile(
            tagLine, "field :" + tag + ": has more than " + LONGEST_FIELD + " characters");
      }
    }
  }

  /** The second colon of {@code :61:} or {@code :60F:}, or -1. */
  private static int tagEnd(String line) {
    if (line.length() < 4
        || line.charAt(0) != ':'
        || !digit(line.charAt(1))
        || !digit(line.charAt(2))) {
      return -1;
    }
    if (line.charAt(3) == ':') {
      return 3;
    }
    return line.length() > 4
            && line.charAt(4) == ':'
            && line.charAt(3) >= 'A'
            && line.charAt(3) <= 'Z'
        ? 4
        : -1;
  }

  private static boolean digit(char c) {
    return c >= '0' && c <= '9';
  }

  private void finishField() throws BrokenFile {
    if (tag == null) {
      return;
    }
    if (tag.equals("20")) {
      finishStatement();
      open = new MtStatement(reading, tagLine);
    }
    if (open == null) {
      reading.wrong(tagLine, "field :" + tag + ": stands before the statement's reference (:20:)");
    } else {
      open.field(tag, value.toString(), tagLine);
    }
    tag = null;
    value.setLength(0);
  }

  private void finishStatement() throws BrokenFile {
    if (open != null) {
      open.finish(number).ifPresent(statements::add);
      open = null;
    }
  }
}
