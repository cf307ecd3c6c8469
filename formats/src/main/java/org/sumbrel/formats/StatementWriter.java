package org.sumbrel.formats;

import java.io.IOException;
import java.io.OutputStream;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import org.sumbrel.formats.camt.CamtWriter;
import org.sumbrel.formats.ofx.OfxWriter;
import org.sumbrel.formats.statement.AccountStatement;
import org.sumbrel.formats.table.StatementCsvWriter;

/** Writes statements in one of the formats that there is a writer for. */
public enum StatementWriter {
  CAMT_053(Format.CAMT_053, "xml", "application/xml"),
  OFX(Format.OFX, "ofx", "application/x-ofx"),
  CSV(Format.STATEMENT_CSV, "csv", "text/csv");

  private final Format format;
  private final String ending;
  private final String mediaType;

  StatementWriter(Format format, String ending, String mediaType) {
    this.format = format;
    this.ending = ending;
    this.mediaType = mediaType;
  }

  /**
   * The writer of the format with this word, such as {@code camt.053}; empty where there is none.
   */
  public static Optional<StatementWriter> of(String word) {
    for (var writer : values()) {
      if (writer.format.word().equals(word)) {
        return Optional.of(writer);
      }
    }
    return Optional.empty();
  }

  /** What the name of such a file ends with. */
  public String ending() {
    return ending;
  }

  public String mediaType() {
    return mediaType;
  }

  /**
   * Writes the statements.
   *
   * @param created when
   * @throws IOException where the stream takes no more
   */
  public void write(LocalDateTime created, List<AccountStatement> statements, OutputStream out)
      throws IOException {
    switch (this) {
      case CAMT_053 ->
          CamtWriter.write("SUMBREL-" + created.toLocalDate(), created, statements, out);
      case OFX -> OfxWriter.write(created, statements, out);
      case CSV -> StatementCsvWriter.write(statements, out);
    }
  }
}
