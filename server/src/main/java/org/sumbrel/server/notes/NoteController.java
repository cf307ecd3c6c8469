package org.sumbrel.server.notes;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.access.Membership;
import org.sumbrel.server.access.Users;
import org.sumbrel.server.companies.Companies;

/** Notes and questions where the work is. */
@RestController
@Tag(name = "notes")
class NoteController {

  private static final int MOST_MARKS = 5_000;

  private final Notes notes;
  private final NoteRepository rows;
  private final Users users;
  private final Companies companies;

  NoteController(Notes notes, NoteRepository rows, Users users, Companies companies) {
    this.notes = notes;
    this.rows = rows;
    this.users = users;
    this.companies = companies;
  }

  record AttachmentView(
      @NotNull Long id, @NotNull String name, @NotNull String mediaType, @NotNull long sizeBytes) {}

  record NoteView(
      @NotNull Long id,
      @NotNull @Schema(example = "entry-12") String about,
      @NotNull String text,
      @NotNull String by,
      @NotNull Instant at,
      @Schema(description = "who is asked") String to,
      String doneBy,
      Instant doneAt,
      @NotNull List<AttachmentView> attachments) {}

  record Question(@NotNull NoteView note, @NotNull String title) {}

  record Mark(
      @NotNull String about,
      @NotNull long notes,
      @NotNull @Schema(description = "of them questions that are not done") long questions) {}

  record Colleague(@NotNull String name, @NotNull String fullName) {}

  record WriteNote(
      @NotBlank @Schema(example = "entry-12") String about,
      @NotBlank @Size(max = 2000) String text,
      @Size(max = 100) @Schema(description = "the user who is asked, or nobody") String to) {}

  @GetMapping("/api/notes")
  @Operation(summary = "The notes on an entry, an item or a customer, oldest first")
  List<NoteView> about(@RequestParam String about) {
    return views(notes.about(Subject.read(about)));
  }

  @GetMapping("/api/notes/asked")
  @Operation(summary = "Questions to oneself that are not done yet")
  List<Question> asked(Principal principal) {
    var found =
        notes.asked(principal.getName()).stream()
            .filter(note -> Membership.current().in(note.companyId()))
            .toList();
    var views = views(found);
    return views.stream()
        .map(view -> new Question(view, notes.title(Subject.read(view.about()))))
        .toList();
  }

  @GetMapping("/api/notes/marks")
  @Operation(summary = "What of a company has notes, latest first")
  List<Mark> marks(@RequestParam(required = false) Long company) {
    return rows.marks(companies.idOf(company), Limit.of(MOST_MARKS)).stream()
        .map(m -> new Mark(m.about(), m.notes(), m.questions()))
        .toList();
  }

  @GetMapping("/api/colleagues")
  @Operation(summary = "Who can be asked")
  List<Colleague> colleagues() {
    return users.all().stream().map(u -> new Colleague(u.name(), u.fullName())).toList();
  }

  @PostMapping("/api/notes")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Writes a note, or asks a colleague")
  NoteView write(@Valid @RequestBody WriteNote note, Principal principal) {
    var to = note.to() == null || note.to().isBlank() ? null : note.to().strip();
    var written =
        notes.write(Subject.read(note.about()), note.text().strip(), to, Actor.of(principal));
    return views(List.of(written)).get(0);
  }

  @PostMapping("/api/notes/{id}/done")
  @Operation(summary = "Marks a question as done")
  NoteView done(@PathVariable Long id, Principal principal) {
    return views(List.of(notes.done(id, Actor.of(principal)))).get(0);
  }

  @PostMapping(
      value = "/api/notes/{id}/attachments",
      consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Attaches a PDF, PNG or JPEG of at most 10 MB to one's own note")
  AttachmentView attach(@PathVariable Long id, @RequestPart MultipartFile file, Principal principal)
      throws IOException {
    var name = AttachedFile.plainName(file.getOriginalFilename());
    AttachedFile.requireSize(name, file.getSize());
    var kept = notes.attach(id, name, file.getBytes(), Actor.of(principal));
    return new AttachmentView(kept.id(), kept.name(), kept.mediaType(), kept.sizeBytes());
  }

  @GetMapping("/api/attachments/{id}")
  @Operation(summary = "An attached file, as it was")
  ResponseEntity<byte[]> file(@PathVariable Long id) {
    var file = notes.file(id);
    return ResponseEntity.ok()
        .contentType(MediaType.parseMediaType(file.mediaType()))
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(file.name(), StandardCharsets.UTF_8)
                .build()
                .toString())
        .body(file.content());
  }

  private List<NoteView> views(List<NoteEntity> some) {
    var files = notes.filesOf(some);
    return some.stream()
        .map(
            n ->
                new NoteView(
                    n.id(),
                    n.about().toString(),
                    n.text(),
                    n.writtenBy(),
                    n.writtenAt(),
                    n.toUser(),
                    n.doneBy(),
                    n.doneAt(),
                    files.getOrDefault(n.id(), List.of()).stream()
                        .map(
                            f -> new AttachmentView(f.id(), f.name(), f.mediaType(), f.sizeBytes()))
                        .toList()))
        .toList();
  }
}
