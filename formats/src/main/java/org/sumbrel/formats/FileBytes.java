package org.sumbrel.formats;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;

/** The bytes of a file, which may be read more than once and need not be in memory. */
public interface FileBytes {

  /** How many there are. */
  long size() throws IOException;

  /** The bytes from the first on; the caller closes it. */
  InputStream open() throws IOException;

  static FileBytes of(byte[] bytes) {
    return new FileBytes() {
      @Override
      public long size() {
        return bytes.length;
      }

      @Override
      public InputStream open() {
        return new ByteArrayInputStream(bytes);
      }
    };
  }

  static FileBytes of(Path file) {
    return new FileBytes() {
      @Override
      public long size() throws IOException {
        return Files.size(file);
      }

      @Override
      public InputStream open() throws IOException {
        return Files.newInputStream(file);
      }
    };
  }

  /** The first bytes, at most so many. */
  default byte[] head(int most) throws IOException {
    try (var in = open()) {
      return in.readNBytes(most);
    }
  }
}
