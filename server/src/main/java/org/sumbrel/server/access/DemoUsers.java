package org.sumbrel.server.access;

import java.util.Map;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.sumbrel.server.SumbrelSettings;

/**
 * The users of the demonstration; they are made in demo mode only. Sela works in one of the
 * companies only, once they are there.
 */
@Component
@Order(1)
class DemoUsers implements ApplicationRunner {

  private record DemoUser(String fullName, Role role) {}

  private static final Map<String, DemoUser> ALL =
      Map.of(
          "maren", new DemoUser("Maren Tideway", Role.CLERK),
          "sela", new DemoUser("Sela Throstle", Role.CLERK),
          "osric", new DemoUser("Osric Pellham", Role.SUPERVISOR),
          "tolly", new DemoUser("Tolly Marsh", Role.AUDITOR),
          "wynne", new DemoUser("Wynne Archer", Role.ADMINISTRATOR));

  private final SumbrelSettings settings;
  private final Users users;

  DemoUsers(SumbrelSettings settings, Users users) {
    this.settings = settings;
    this.users = users;
  }

  static boolean isOne(String name) {
    return ALL.containsKey(name);
  }

  @Override
  public void run(ApplicationArguments arguments) {
    if (settings.demo().enabled()) {
      ALL.forEach((name, user) -> users.addForDemo(name, user.fullName(), user.role()));
    } else if (ALL.entrySet().stream().allMatch(this::isThere)) {
      // everybody knows their passwords
      throw new IllegalStateException("This folder holds the demo's books.");
    }
  }

  private boolean isThere(Map.Entry<String, DemoUser> user) {
    return users
        .named(user.getKey())
        .filter(person -> person.fullName().equals(user.getValue().fullName()))
        .isPresent();
  }
}
