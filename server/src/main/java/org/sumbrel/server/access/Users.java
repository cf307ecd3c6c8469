package org.sumbrel.server.access;

import java.time.Clock;
import java.time.Duration;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;

/** The users: who they are, whether a password is theirs, who is added. */
@Service
public class Users {

  private static final Pattern NAME = Pattern.compile("[a-z][a-z0-9._-]{1,60}");
  private static final int SHORTEST_PASSWORD = 10;

  /** A hash of the framework's default strength that no password fits. */
  private static final String NOBODYS_HASH = "{bcrypt}$2a$10$" + "N".repeat(22) + "o".repeat(31);

  private final UserRepository users;
  private final PasswordEncoder passwords;
  private final SetupCode setup;
  private final JdbcClient jdbc;
  private final Clock clock;

  Users(
      UserRepository users,
      PasswordEncoder passwords,
      SetupCode setup,
      JdbcClient jdbc,
      Clock clock) {
    this.setup = setup;
    this.jdbc = jdbc;
    this.users = users;
    this.passwords = passwords;
    this.clock = clock;
  }

  /** A user as others see him. */
  public record Person(
      String name, String fullName, Role role, boolean maySignIn, Membership membership) {}

  /**
   * The user, where the password is his; empty where it is not or there is no such user.
   *
   * @throws Conflict where too many attempts failed and the wait is not over
   */
  @Transactional(noRollbackFor = Conflict.class)
  public Optional<Person> signIn(String name, String password) {
    var found = users.findByName(name.strip().toLowerCase(Locale.ROOT));
    if (found.isEmpty()) {
      // the same work as for a real user, so that the time tells nothing
      passwords.matches(password, NOBODYS_HASH);
      return Optional.empty();
    }
    var user = found.get();
    var now = clock.instant();
    if (user.lockedAt(now)) {
      var wait = Math.max(1, Duration.between(now, user.lockedUntil()).toSeconds());
      throw new Conflict("LOCKED", "Too many attempts failed. Try again in " + wait + " seconds.");
    }
    if (!passwords.matches(password, user.passwordHash())) {
      user.failed(now);
      return Optional.empty();
    }
    if (!user.maySignIn()) {
      throw new Conflict("NO_LONGER", "This user may no longer sign in; ask the administrator.");
    }
    user.signedIn();
    return Optional.of(person(user));
  }

  @Transactional(readOnly = true)
  public boolean needAdministrator() {
    return !users.existsByRole(Role.ADMINISTRATOR);
  }

  /**
   * Adds the first administrator.
   *
   * @throws BadRequest where the one-time code is wrong, or name or password will not do
   * @throws Conflict where there is one already
   */
  @Transactional
  public Person addFirstAdministrator(
      String name, String fullName, String password, String setupCode) {
    if (!needAdministrator()) {
      throw new Conflict(
          "ALREADY_SET_UP", "There is an administrator already; ask them for a user.");
    }
    if (!setup.takes(setupCode)) {
      throw new BadRequest(
          "This is not the one-time code. The server prints it when it starts; start it again for a new one.");
    }
    return add(name, fullName, password, Role.ADMINISTRATOR);
  }

  /**
   * Adds a user who works in all companies.
   *
   * @throws BadRequest where name or password will not do
   * @throws Conflict where the name is taken
   */
  @Transactional
  public Person add(String name, String fullName, String password, Role role) {
    return add(name, fullName, password, role, null);
  }

  /**
   * Adds a user.
   *
   * @param companies in which he works; null for all, also those to come
   * @throws BadRequest where name, password or companies will not do
   * @throws Conflict where the name is taken
   */
  @Transactional
  public Person add(
      String name, String fullName, String password, Role role, Collection<Long> companies) {
    if (!NAME.matcher(name).matches()) {
      throw new BadRequest(
          "A user's name has 2 to 60 small letters, digits, points or dashes and begins with a letter.");
    }
    requireLong(password);
    if (users.findByName(name).isPresent()) {
      throw new Conflict("NAME_TAKEN", "There is a user " + name + " already.");
    }
    var user = new UserEntity(name, fullName.strip(), passwords.encode(password), role);
    user.worksIn(companies == null ? Membership.EVERYWHERE : known(companies));
    return person(users.save(user));
  }

  /**
   * Changes who a user is and what he may do. His sessions end, so that what he may no longer do is
   * over at once.
   *
   * @throws Conflict where no administrator would be left
   */
  @Transactional
  public Person change(String name, String fullName, Role role, boolean maySignIn) {
    var user = users.findByName(name).orElseThrow(() -> new NotThere("user", name));
    var others =
        users.findAllByOrderByName().stream()
            .filter(u -> !u.name().equals(name) && u.role() == Role.ADMINISTRATOR && u.maySignIn());
    if ((role != Role.ADMINISTRATOR || !maySignIn)
        && user.role() == Role.ADMINISTRATOR
        && others.findAny().isEmpty()) {
      throw new Conflict(
          "LAST_ADMINISTRATOR", name + " is the only administrator; make another one first.");
    }
    user.is(fullName.strip(), role, maySignIn);
    users.saveAndFlush(user);
    endSessions(name);
    return person(user);
  }

  /**
   * Says in which companies a user works. His sessions end.
   *
   * @param companies null for all of them, also those to come
   * @throws BadRequest where there is no such company, or none is named
   */
  @Transactional
  public Person worksIn(String name, Collection<Long> companies) {
    var user = users.findByName(name).orElseThrow(() -> new NotThere("user", name));
    user.worksIn(companies == null ? Membership.EVERYWHERE : known(companies));
    users.saveAndFlush(user);
    endSessions(name);
    return person(user);
  }

  private Membership known(Collection<Long> companies) {
    if (companies.isEmpty()) {
      throw new BadRequest("Name the companies in which the user works, or say in all.");
    }
    for (var id : companies) {
      if (jdbc.sql("select count(*) from company where id = :id")
              .param("id", id)
              .query(Long.class)
              .single()
          == 0) {
        throw new BadRequest("There is no company " + id + ".");
      }
    }
    return Membership.in(companies);
  }

  /** Gives a user another password; his sessions end. */
  @Transactional
  public void password(String name, String password) {
    var user = users.findByName(name).orElseThrow(() -> new NotThere("user", name));
    requireLong(password);
    user.passwordIs(passwords.encode(password));
    users.saveAndFlush(user);
    endSessions(name);
  }

  private void endSessions(String name) {
    jdbc.sql("delete from spring_session where principal_name = :name")
        .param("name", name)
        .update();
  }

  private static void requireLong(String password) {
    if (password.length() < SHORTEST_PASSWORD || password.length() > 200) {
      throw new BadRequest("A password has at least " + SHORTEST_PASSWORD + " characters.");
    }
  }

  /** Adds a user of the demonstration, whose short password everybody may know. */
  @Transactional
  public void addForDemo(String name, String fullName, Role role) {
    if (users.findByName(name).isEmpty()) {
      users.save(new UserEntity(name, fullName, passwords.encode(name + "-demo"), role));
    }
  }

  @Transactional(readOnly = true)
  public List<Person> all() {
    return users.findAllByOrderByName().stream().map(Users::person).toList();
  }

  @Transactional(readOnly = true)
  public Optional<Person> named(String name) {
    return users.findByName(name).map(Users::person);
  }

  private static Person person(UserEntity user) {
    return new Person(
        user.name(), user.fullName(), user.role(), user.maySignIn(), user.membership());
  }
}
