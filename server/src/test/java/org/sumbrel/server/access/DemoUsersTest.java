package org.sumbrel.server.access;

import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.sumbrel.server.SumbrelSettings;

/** In production nobody signs in whose password is printed in the README. */
class DemoUsersTest {

  private static final Map<String, String> NAMES =
      Map.of(
          "maren", "Maren Tideway",
          "sela", "Sela Throstle",
          "osric", "Osric Pellham",
          "tolly", "Tolly Marsh",
          "wynne", "Wynne Archer");

  private final Users users = mock();
  private final DemoUsers demo =
      new DemoUsers(
          new SumbrelSettings("data", "", "", false, true, new SumbrelSettings.Demo(false, false)),
          users);

  @Test
  void refuseAProductionStartOverTheirOwnFolder() {
    NAMES.forEach(
        (name, fullName) ->
            when(users.named(name))
                .thenReturn(Optional.of(new Users.Person(name, fullName, Role.CLERK, true, null))));
    assertThatThrownBy(() -> demo.run(null)).hasMessage("This folder holds the demo's books.");
  }

  @Test
  void leaveOtherFoldersAlone() {
    when(users.named(anyString())).thenReturn(Optional.empty());
    assertThatCode(() -> demo.run(null)).doesNotThrowAnyException();
  }
}
