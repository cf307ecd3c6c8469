package org.sumbrel.server.settle;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Optional;
import org.sumbrel.server.api.BadRequest;

/**
 * The key a caller gave a call that moves money.
 *
 * @param key as given
 * @param requestHash what was asked, so that the key cannot be used for something else
 */
record CallKey(String key, String requestHash) {

  private static final int LONGEST = 150;

  static Optional<CallKey> of(String header, Object request) {
    if (header == null || header.isBlank()) {
      return Optional.empty();
    }
    if (header.length() > LONGEST) {
      throw new BadRequest("An Idempotency-Key has at most " + LONGEST + " characters.");
    }
    try {
      // records print all their parts, so equal requests print alike
      var digest =
          MessageDigest.getInstance("SHA-256")
              .digest(request.toString().getBytes(StandardCharsets.UTF_8));
      return Optional.of(new CallKey(header, HexFormat.of().formatHex(digest)));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java has SHA-256", e);
    }
  }
}
