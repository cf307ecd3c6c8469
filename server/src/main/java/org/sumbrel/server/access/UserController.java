package org.sumbrel.server.access;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The administrator's view of the users. */
@RestController
@RequestMapping("/api/users")
@Tag(name = "access")
class UserController {

  private final Users users;

  UserController(Users users) {
    this.users = users;
  }

  record UserView(
      @NotNull String user,
      @NotNull String fullName,
      @NotNull Role role,
      @NotNull boolean maySignIn,
      @Schema(description = "in which companies he works; null for all, also those to come")
          List<Long> companies) {}

  record ChangedUser(@NotBlank String fullName, @NotNull Role role, @NotNull Boolean maySignIn) {}

  record WorksIn(
      @Schema(description = "null for all, also those to come") @Size(max = 200)
          List<@NotNull Long> companies) {}

  record NewPassword(@NotNull String password) {}

  record NewUser(
      @NotBlank String user,
      @NotBlank String fullName,
      @NotNull Role role,
      @NotNull String password,
      @Schema(description = "in which companies he works; null for all, also those to come")
          @Size(max = 200)
          List<@NotNull Long> companies) {}

  @GetMapping
  @Operation(summary = "All users, by name")
  List<UserView> all() {
    return users.all().stream().map(UserController::view).toList();
  }

  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Adds a user")
  UserView add(@Valid @RequestBody NewUser call) {
    return view(
        users.add(call.user(), call.fullName(), call.password(), call.role(), call.companies()));
  }

  @PutMapping("/{user}")
  @Operation(summary = "Changes a user's name, role, and whether he may sign in; his sessions end")
  UserView change(@PathVariable String user, @Valid @RequestBody ChangedUser call) {
    return view(users.change(user, call.fullName(), call.role(), call.maySignIn()));
  }

  @PutMapping("/{user}/companies")
  @Operation(
      summary =
          "Says in which companies a user sees and posts; his sessions end. An administrator is in all")
  UserView worksIn(@PathVariable String user, @Valid @RequestBody WorksIn call) {
    return view(users.worksIn(user, call.companies()));
  }

  @PostMapping("/{user}/password")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Gives a user another password; his sessions end")
  void password(@PathVariable String user, @Valid @RequestBody NewPassword call) {
    users.password(user, call.password());
  }

  private static UserView view(Users.Person person) {
    return new UserView(
        person.name(),
        person.fullName(),
        person.role(),
        person.maySignIn(),
        person.membership().only().map(List::copyOf).orElse(null));
  }
}
