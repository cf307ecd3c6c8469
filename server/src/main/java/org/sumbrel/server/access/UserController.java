package org.sumbrel.server.access;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
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

  record UserView(@NotNull String user, @NotNull String fullName, @NotNull Role role) {}

  record NewUser(
      @NotBlank String user,
      @NotBlank String fullName,
      @NotNull Role role,
      @NotNull String password) {}

  @GetMapping
  @Operation(summary = "All users, by name")
  List<UserView> all() {
    return users.all().stream().map(UserController::view).toList();
  }

  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Adds a user")
  UserView add(@Valid @RequestBody NewUser call) {
    return view(users.add(call.user(), call.fullName(), call.password(), call.role()));
  }

  private static UserView view(Users.Person person) {
    return new UserView(person.name(), person.fullName(), person.role());
  }
}
