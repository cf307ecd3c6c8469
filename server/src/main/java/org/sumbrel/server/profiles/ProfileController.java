package org.sumbrel.server.profiles;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.Problem;
import org.sumbrel.formats.TextOf;
import org.sumbrel.formats.table.ProfileDocument;
import org.sumbrel.formats.table.ProfileYaml;
import org.sumbrel.formats.table.Subject;
import org.sumbrel.formats.table.TablePreview;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.companies.BankAccountEntity;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Companies;

/** How tables of other systems are read: looked at by example, kept under a name. */
@RestController
@Tag(name = "profiles")
class ProfileController {

  /** A sample of a text is cut there, at the end of a line. */
  private static final int LARGEST_SAMPLE = 1024 * 1024;

  private static final int LARGEST_WORKBOOK = 16 * 1024 * 1024;

  private static final MediaType YAML = MediaType.parseMediaType("application/yaml");

  private final Profiles profiles;
  private final Companies companies;
  private final BankAccounts bankAccounts;
  private final ObjectMapper json;

  ProfileController(
      Profiles profiles, Companies companies, BankAccounts bankAccounts, ObjectMapper json) {
    this.profiles = profiles;
    this.companies = companies;
    this.bankAccounts = bankAccounts;
    this.json = json;
  }

  record ProfileView(
      @NotNull Long id,
      @NotNull ProfileDocument profile,
      @NotNull String changedBy,
      @NotNull Instant changedAt,
      @NotNull long version) {}

  record ChangedProfile(
      @NotNull @Valid ProfileDocument profile,
      @NotNull @Schema(description = "as it was read; where it has changed since, it is refused")
          Long version) {}

  record FieldView(@NotNull String word, @NotNull String kind) {}

  record SubjectView(
      @NotNull String word, @NotNull String needs, @NotNull List<FieldView> fields) {}

  record LineView(@NotNull int line, @NotNull List<String> cells) {}

  record BecomesView(
      @NotNull int line, @NotNull Map<String, String> fields, @NotNull List<String> problems) {}

  record TypeWordView(
      @NotNull String word,
      @NotNull
          @Schema(
              description = "the type of item it means, as in a profile; empty where nobody knows")
          String meaning,
      @NotNull int rows) {}

  record DoubtView(@NotNull int line, @NotNull String message) {}

  record PreviewView(
      @NotNull ProfileDocument profile,
      @NotNull
          @Schema(description = "the profile that reads files of these headings already, or empty")
          String known,
      @NotNull
          @Schema(
              description =
                  "how the headings differ from a profile that is nearly the same, or empty")
          String changed,
      @NotNull List<DoubtView> doubts,
      @NotNull List<LineView> lines,
      @NotNull List<BecomesView> rows,
      @NotNull
          @Schema(
              description =
                  "the words in the column of types of a payout file, the unknown ones first")
          List<TypeWordView> words,
      @NotNull int records,
      @NotNull List<DoubtView> passedOver) {}

  @GetMapping("/api/profiles")
  @Operation(summary = "The profiles of a company, by name")
  List<ProfileView> list(@RequestParam(required = false) Long company) {
    return profiles.rows(companies.idOf(company)).stream().map(ProfileController::view).toList();
  }

  @GetMapping("/api/profiles/subjects")
  @Operation(summary = "What a table may be about, and what its columns may hold")
  List<SubjectView> subjects() {
    return Arrays.stream(Subject.values())
        .filter(s -> s != Subject.ALIASES && s != Subject.HISTORY)
        .map(
            s ->
                new SubjectView(
                    s.word(),
                    s.needs(),
                    s.fields().stream()
                        .map(f -> new FieldView(f.word(), f.kind().name()))
                        .toList()))
        .toList();
  }

  @PostMapping(path = "/api/profiles/preview", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @Operation(
      summary = "Looks at a sample: what is guessed and open, and what its first rows become",
      description =
          "What the profile leaves out is guessed. Nothing is kept. Of a text, the first 1 MiB counts.")
  PreviewView preview(
      @RequestPart("file") MultipartFile file,
      @RequestParam(required = false)
          @Schema(description = "a profile as JSON, as far as it is known")
          String profile,
      @RequestParam(required = false) Long company)
      throws IOException, BrokenFile {
    var owner = companies.idOf(company);
    var asked = profile == null ? Optional.<ProfileDocument>empty() : Optional.of(parsed(profile));
    return view(TablePreview.of(sample(file), asked, profiles.of(owner), currency(owner)));
  }

  private ProfileDocument parsed(String profile) {
    try {
      return json.readValue(profile, ProfileDocument.class);
    } catch (JsonProcessingException e) {
      throw new BadRequest("The profile is not the JSON that is expected here.");
    }
  }

  private static byte[] sample(MultipartFile file) throws IOException, BrokenFile {
    try (var in = file.getInputStream()) {
      var head = in.readNBytes(LARGEST_SAMPLE);
      if (head.length > 1 && head[0] == 'P' && head[1] == 'K') {
        if (file.getSize() > LARGEST_WORKBOOK) {
          throw new BrokenFile(
              0, "a workbook may have %,d bytes as a sample".formatted(LARGEST_WORKBOOK));
        }
        return file.getBytes();
      }
      var length = head.length;
      if (file.getSize() > length) {
        while (length > 0 && head[length - 1] != '\n') {
          length--;
        }
      }
      return length == 0 ? head : Arrays.copyOf(head, length);
    }
  }

  private Optional<CurrencyUnit> currency(Long owner) {
    var currencies =
        bankAccounts.of(owner).stream().map(BankAccountEntity::currency).distinct().toList();
    return currencies.size() == 1
        ? Optional.of(CurrencyUnit.of(currencies.get(0)))
        : Optional.empty();
  }

  @PostMapping("/api/profiles")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Keeps a profile under its name")
  ProfileView add(
      @Valid @RequestBody ProfileDocument profile,
      @RequestParam(required = false) Long company,
      Principal principal)
      throws BrokenFile {
    return view(profiles.add(companies.idOf(company), profile.toProfile(), principal.getName()));
  }

  @PostMapping(path = "/api/profiles/file", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Keeps a profile that was exported elsewhere, from its YAML")
  ProfileView take(
      @RequestPart("file") MultipartFile file,
      @RequestParam(required = false) Long company,
      Principal principal)
      throws IOException, BrokenFile {
    var profile = ProfileYaml.read(TextOf.bytes(file.getBytes()));
    return view(profiles.add(companies.idOf(company), profile, principal.getName()));
  }

  @PutMapping("/api/profiles/{id}")
  @Operation(summary = "Changes a profile; files taken in before stay as they are")
  ProfileView change(
      @PathVariable Long id, @Valid @RequestBody ChangedProfile changed, Principal principal)
      throws BrokenFile {
    return view(
        profiles.change(id, changed.version(), changed.profile().toProfile(), principal.getName()));
  }

  @DeleteMapping("/api/profiles/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Forgets a profile; files taken in before stay as they are")
  void delete(@PathVariable Long id) {
    profiles.delete(id);
  }

  @GetMapping("/api/profiles/{id}/file")
  @Operation(summary = "The profile as YAML")
  ResponseEntity<byte[]> file(@PathVariable Long id) {
    var row = profiles.row(id);
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(row.name() + ".yml", StandardCharsets.UTF_8)
                .build()
                .toString())
        .contentType(YAML)
        .body(row.shape().getBytes(StandardCharsets.UTF_8));
  }

  private static ProfileView view(ProfileEntity row) {
    return new ProfileView(
        row.id(),
        ProfileDocument.of(row.toProfile()),
        row.changedBy(),
        row.changedAt(),
        row.version());
  }

  private static PreviewView view(TablePreview preview) {
    return new PreviewView(
        preview.profile(),
        preview.known(),
        preview.changed(),
        doubts(preview.doubts()),
        preview.lines().stream().map(l -> new LineView(l.line(), l.cells())).toList(),
        preview.rows().stream()
            .map(r -> new BecomesView(r.line(), r.fields(), r.problems()))
            .toList(),
        preview.words().stream()
            .map(
                w ->
                    new TypeWordView(
                        w.word(), w.meaning().map(ProfileDocument::written).orElse(""), w.rows()))
            .toList(),
        preview.records(),
        doubts(preview.passedOver()));
  }

  private static List<DoubtView> doubts(List<Problem> problems) {
    return problems.stream().map(p -> new DoubtView(p.line(), p.message())).toList();
  }
}
