package org.sumbrel.server.api;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.sumbrel.formats.sheet.SheetWriter;

/** A file as an answer, to be saved under its name. */
public final class FileAnswer {

  /** The media type of a workbook. */
  public static final String XLSX =
      "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";

  private FileAnswer() {}

  /**
   * Writes a file.
   *
   * @param <O> what it is written to
   */
  public interface Writer<O> {
    void write(O out) throws IOException;
  }

  /** A file of any type. */
  public static ResponseEntity<byte[]> of(String name, MediaType type, Writer<OutputStream> writer)
      throws IOException {
    var out = new ByteArrayOutputStream();
    writer.write(out);
    return ResponseEntity.ok()
        .contentType(type)
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename(name).build().toString())
        .body(out.toByteArray());
  }

  /** A table as CSV. */
  public static ResponseEntity<byte[]> csv(String name, Writer<SheetWriter> writer)
      throws IOException {
    return of(
        name,
        new MediaType("text", "csv"),
        out -> {
          try (var csv = SheetWriter.csv(out)) {
            writer.write(csv);
          }
        });
  }

  /** A table as a workbook. */
  public static ResponseEntity<byte[]> xlsx(String name, String sheet, Writer<SheetWriter> writer)
      throws IOException {
    return of(
        name,
        MediaType.parseMediaType(XLSX),
        out -> {
          try (var xlsx = SheetWriter.xlsx(out, sheet)) {
            writer.write(xlsx);
          }
        });
  }
}
