package org.sumbrel.server.api;

import java.time.Duration;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** A picture as an answer: kept by the browser for a day, and harmless when opened by itself. */
public final class PictureAnswer {

  private PictureAnswer() {}

  /** The answer. */
  public static ResponseEntity<String> of(String mediaType, String content) {
    return ResponseEntity.ok()
        .contentType(MediaType.parseMediaType(mediaType))
        .cacheControl(CacheControl.maxAge(Duration.ofDays(1)).cachePrivate())
        // a drawing can hold script: opened by itself it must not run
        .header("Content-Security-Policy", "default-src 'none'; style-src 'unsafe-inline'; sandbox")
        .body(content);
  }
}
