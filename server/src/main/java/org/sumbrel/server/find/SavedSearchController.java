package org.sumbrel.server.find;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.server.api.NotThere;

/** One's own saved searches. */
@RestController
@Tag(name = "find")
@Transactional
class SavedSearchController {

  private final SavedSearchRepository searches;

  SavedSearchController(SavedSearchRepository searches) {
    this.searches = searches;
  }

  record SavedSearch(@NotNull Long id, @NotNull String name, @NotNull String line) {
    static SavedSearch of(SavedSearchEntity saved) {
      return new SavedSearch(saved.id(), saved.name(), saved.line());
    }
  }

  record SaveSearch(
      @NotBlank @Size(max = 100) String name, @NotBlank @Size(max = 400) String line) {}

  @GetMapping("/api/searches")
  @Operation(summary = "One's own saved searches by name")
  List<SavedSearch> list(Principal principal) {
    return searches.findByUserNameOrderByName(principal.getName()).stream()
        .map(SavedSearch::of)
        .toList();
  }

  @PostMapping("/api/searches")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Saves a search line under a name, in place of an earlier one of that name")
  SavedSearch save(@Valid @RequestBody SaveSearch search, Principal principal) {
    var name = search.name().strip();
    var line = search.line().strip();
    var saved =
        searches
            .findByUserNameAndName(principal.getName(), name)
            .orElseGet(() -> new SavedSearchEntity(principal.getName(), name, line));
    saved.becomes(line);
    return SavedSearch.of(searches.save(saved));
  }

  @DeleteMapping("/api/searches/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Forgets one of one's own saved searches")
  void forget(@PathVariable Long id, Principal principal) {
    searches.delete(
        searches
            .findByIdAndUserName(id, principal.getName())
            .orElseThrow(() -> new NotThere("saved search", id)));
  }
}
