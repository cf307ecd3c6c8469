package org.sumbrel.server.check;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import org.sumbrel.server.check.BooksCheck.Checked;

/** Whether the books are sound, and a copy of all of them in one file. */
@RestController
@Tag(name = "check")
class CheckController {

  private final BooksCheck check;
  private final Backups backups;

  CheckController(BooksCheck check, Backups backups) {
    this.check = check;
    this.backups = backups;
  }

  @GetMapping("/api/check")
  @Operation(
      summary = "Looks whether every rule holds in the books of all companies as they are stored")
  List<Checked> check() {
    return check.all();
  }

  @PostMapping("/api/backups")
  @Operation(
      summary =
          "Everything in one file, as of one moment, while people work; bin/sumbrel restore puts it into an empty folder")
  @ApiResponse(
      responseCode = "200",
      content =
          @Content(
              mediaType = MediaType.APPLICATION_OCTET_STREAM_VALUE,
              schema = @Schema(type = "string", format = "binary")))
  ResponseEntity<StreamingResponseBody> backup() throws IOException {
    var file = backups.make();
    StreamingResponseBody body =
        out -> {
          try {
            Files.copy(file, out);
          } finally {
            Files.deleteIfExists(file);
          }
        };
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_OCTET_STREAM)
        .contentLength(Files.size(file))
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename(backups.name()).build().toString())
        .body(body);
  }
}
