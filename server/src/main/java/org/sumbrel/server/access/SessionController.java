package org.sumbrel.server.access;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.web.ErrorResponseException;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.server.SumbrelSettings;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.companies.CompanyView;

/** Sign-in and sign-out. */
@RestController
@Tag(name = "access")
class SessionController {

  private final Users users;
  private final Companies companies;
  private final SecurityContextRepository contexts;
  private final SumbrelSettings settings;
  private final Clock clock;

  SessionController(
      Users users,
      Companies companies,
      SecurityContextRepository contexts,
      SumbrelSettings settings,
      Clock clock) {
    this.users = users;
    this.companies = companies;
    this.contexts = contexts;
    this.settings = settings;
    this.clock = clock;
  }

  record SignIn(@NotBlank String user, @NotNull String password) {}

  record FirstAdministrator(
      @NotBlank String user,
      @NotBlank String fullName,
      @NotNull String password,
      @NotNull @Schema(description = "the one-time code that the server printed when it started")
          String code) {}

  record DemoUser(@NotNull String user, @NotNull String password, @NotNull Role role) {}

  record Welcome(@NotNull boolean needsAdministrator, @NotNull List<DemoUser> demoUsers) {}

  record Me(
      @NotNull String user,
      @NotNull String fullName,
      @NotNull Role role,
      @NotNull LocalDate businessDate,
      @NotNull boolean demo,
      @NotNull List<CompanyView> companies) {}

  @GetMapping("/api/welcome")
  @Operation(summary = "What the sign-in page needs to know")
  Welcome welcome() {
    var demo =
        settings.demo().enabled()
            ? users.all().stream()
                .filter(p -> DemoUsers.isOne(p.name()))
                .map(p -> new DemoUser(p.name(), p.name() + "-demo", p.role()))
                .toList()
            : List.<DemoUser>of();
    return new Welcome(users.needAdministrator(), demo);
  }

  @PostMapping("/api/session")
  @Operation(summary = "Signs in; the session is a cookie")
  Me signIn(
      @Valid @RequestBody SignIn call, HttpServletRequest request, HttpServletResponse response) {
    var person =
        users
            .signIn(call.user(), call.password())
            .orElseThrow(
                () -> {
                  var problem =
                      ProblemDetail.forStatusAndDetail(
                          HttpStatus.UNAUTHORIZED, "This name and password do not fit.");
                  problem.setProperty("code", "WRONG_PASSWORD");
                  return new ErrorResponseException(HttpStatus.UNAUTHORIZED, problem, null);
                });
    open(person, request, response);
    return me(person);
  }

  @DeleteMapping("/api/session")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Signs out")
  void signOut(HttpServletRequest request) {
    SecurityContextHolder.clearContext();
    request.getSession().invalidate();
  }

  @PostMapping("/api/first-administrator")
  @Operation(
      summary = "Adds the first administrator of an installation that has none, and signs them in")
  Me firstAdministrator(
      @Valid @RequestBody FirstAdministrator call,
      HttpServletRequest request,
      HttpServletResponse response) {
    var person =
        users.addFirstAdministrator(call.user(), call.fullName(), call.password(), call.code());
    open(person, request, response);
    return me(person);
  }

  @GetMapping("/api/me")
  @Operation(summary = "Who is signed in, and for which companies")
  Me me(Principal principal) {
    return me(
        users
            .named(principal.getName())
            .orElseThrow(() -> new NotThere("user", principal.getName())));
  }

  private Me me(Users.Person person) {
    return new Me(
        person.name(),
        person.fullName(),
        person.role(),
        LocalDate.now(clock),
        settings.demo().enabled(),
        companies.all().stream().filter(c -> person.membership().in(c.id())).toList());
  }

  /** The role and the companies. */
  private static List<GrantedAuthority> authorities(Users.Person person) {
    var all = new ArrayList<GrantedAuthority>();
    all.add(new SimpleGrantedAuthority(Actor.ROLE + person.role()));
    all.addAll(person.membership().authorities());
    return all;
  }

  private void open(Users.Person person, HttpServletRequest request, HttpServletResponse response) {
    // a new session id at sign-in, so that one known before is worth nothing
    var old = request.getSession(false);
    if (old != null) {
      old.invalidate();
    }
    request.getSession(true);
    var context = SecurityContextHolder.createEmptyContext();
    context.setAuthentication(
        UsernamePasswordAuthenticationToken.authenticated(
            person.name(), null, authorities(person)));
    SecurityContextHolder.setContext(context);
    contexts.saveContext(context, request, response);
  }
}
