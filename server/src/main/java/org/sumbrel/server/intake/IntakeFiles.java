package org.sumbrel.server.intake;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.zip.Deflater;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.server.api.NotThere;

/** The files as they came, kept compressed, so that each can be had back byte for byte. */
@Component
class IntakeFiles {

  private final JdbcTemplate jdbc;

  IntakeFiles(JdbcTemplate jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * A file on its way: gone through once, for its fingerprint and its compressed copy.
   *
   * @param fingerprint SHA-256 of its bytes, in hexadecimal
   * @param copy to be deleted by whoever asked for it
   */
  record Packed(String fingerprint, Path copy) {

    void delete() {
      try {
        Files.deleteIfExists(copy);
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }

  static Packed pack(FileBytes file) {
    try {
      var copy = Files.createTempFile("sumbrel-", ".gz");
      var digest = MessageDigest.getInstance("SHA-256");
      try (var in = new DigestInputStream(file.open(), digest);
          var out = new QuickGzip(Files.newOutputStream(copy))) {
        in.transferTo(out);
      } catch (IOException e) {
        Files.deleteIfExists(copy);
        throw e;
      }
      return new Packed(HexFormat.of().formatHex(digest.digest()), copy);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java has SHA-256", e);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Packs at the lowest level: the reading of the same file runs beside it. */
  private static final class QuickGzip extends GZIPOutputStream {
    QuickGzip(OutputStream out) throws IOException {
      super(out);
      def.setLevel(Deflater.BEST_SPEED);
    }
  }

  /** Keeps it with its intake, in the same transaction. */
  void keep(Long intakeId, Packed packed) throws IOException {
    try (var in = Files.newInputStream(packed.copy())) {
      jdbc.update(
          "insert into intake_file (intake_id, content) values (?, ?)",
          statement -> {
            statement.setLong(1, intakeId);
            statement.setBinaryStream(2, in);
          });
    }
  }

  /**
   * Writes the file as it came.
   *
   * @throws NotThere where it came before files were kept
   */
  void write(Long intakeId, OutputStream out) {
    var found =
        jdbc.query(
            "select content from intake_file where intake_id = ?",
            row -> {
              if (!row.next()) {
                return false;
              }
              unpack(row.getBinaryStream("content"), out);
              return true;
            },
            intakeId);
    if (!Boolean.TRUE.equals(found)) {
      throw new NotThere("file of intake", intakeId);
    }
  }

  private static void unpack(InputStream packed, OutputStream out) {
    try (var in = new GZIPInputStream(packed)) {
      in.transferTo(out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
