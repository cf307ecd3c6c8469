package org.sumbrel.server.notes;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.sumbrel.server.api.BadRequest;

/**
 * Says what an attached file is, by its bytes and not by its name, and refuses all but three kinds.
 */
final class AttachedFile {

  /** Larger files are refused. */
  static final int LARGEST = 10 * 1024 * 1024;

  private static final int LARGEST_SIDE = 20_000;
  private static final int LONGEST_NAME = 200;

  private static final byte[] PDF = {'%', 'P', 'D', 'F', '-'};
  private static final byte[] PNG = {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1A, '\n'};
  private static final byte[] JPEG = {(byte) 0xFF, (byte) 0xD8, (byte) 0xFF};

  private AttachedFile() {}

  /** What may be attached. */
  enum Type {
    PDF("application/pdf"),
    PNG("image/png"),
    JPEG("image/jpeg");

    private final String mediaType;

    Type(String mediaType) {
      this.mediaType = mediaType;
    }

    String mediaType() {
      return mediaType;
    }
  }

  /**
   * The kind of a file.
   *
   * @throws BadRequest where it is empty, too large, none of the three, or a picture that cannot be
   *     read
   */
  static Type check(String name, byte[] content) {
    if (content.length == 0) {
      throw new BadRequest("\"" + name + "\" is empty.");
    }
    requireSize(name, content.length);
    var type =
        known(content)
            .orElseThrow(
                () ->
                    new BadRequest(
                        "\"" + name + "\" is no PDF, PNG or JPEG; nothing else can be attached."));
    if (type != Type.PDF) {
      requirePicture(name, content);
    }
    return type;
  }

  /** Refuses what is too large, before it is read. */
  static void requireSize(String name, long bytes) {
    if (bytes > LARGEST) {
      throw new BadRequest(
          "\"" + name + "\" has " + bytes / 1024 + " kB; an attachment has at most 10,240.");
    }
  }

  /** The name without folders and control characters, of a length that can be kept. */
  static String plainName(String given) {
    var name = given == null ? "" : given.substring(given.lastIndexOf('/') + 1);
    name = name.substring(name.lastIndexOf('\\') + 1).replaceAll("\\p{Cntrl}", "").strip();
    if (name.isEmpty()) {
      return "file";
    }
    return name.length() <= LONGEST_NAME ? name : name.substring(name.length() - LONGEST_NAME);
  }

  private static Optional<Type> known(byte[] content) {
    if (begins(content, PDF)) {
      return Optional.of(Type.PDF);
    }
    if (begins(content, PNG)) {
      return Optional.of(Type.PNG);
    }
    return begins(content, JPEG) ? Optional.of(Type.JPEG) : Optional.empty();
  }

  private static boolean begins(byte[] content, byte[] with) {
    return content.length >= with.length
        && Arrays.equals(Arrays.copyOf(content, with.length), with);
  }

  /** Only the measures are read: a picture of a few bytes may unfold into gigabytes. */
  private static void requirePicture(String name, byte[] content) {
    try (var in = ImageIO.createImageInputStream(new ByteArrayInputStream(content))) {
      var readers = ImageIO.getImageReaders(in);
      if (readers.hasNext()) {
        var reader = readers.next();
        try {
          reader.setInput(in);
          if (reader.getWidth(0) <= LARGEST_SIDE && reader.getHeight(0) <= LARGEST_SIDE) {
            return;
          }
        } finally {
          reader.dispose();
        }
      }
    } catch (IOException | RuntimeException e) {
      // told below, as for every picture that is none
    }
    throw new BadRequest("\"" + name + "\" is damaged or too large to be shown as a picture.");
  }
}
