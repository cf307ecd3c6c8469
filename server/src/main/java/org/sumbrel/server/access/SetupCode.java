package org.sumbrel.server.access;

import java.security.SecureRandom;
import java.time.Clock;
import java.util.Locale;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.server.SumbrelSettings;

/**
 * The one-time code by which the first administrator shows that they can see the server's console:
 * without it, whoever finds the address first could take the installation over. Each start that
 * finds no administrator prints a new one.
 */
@Component
@Order(2)
class SetupCode implements ApplicationRunner {

  /** Without letters and figures that are taken for each other. */
  private static final String ALPHABET = "ABCDEFGHJKMNPQRSTUVWXYZ23456789";

  private static final int GROUPS = 3;
  private static final int GROUP_LENGTH = 4;

  private final SumbrelSettings settings;
  private final UserRepository users;
  private final SetupCodeRepository codes;
  private final PasswordEncoder hashes;
  private final Clock clock;

  SetupCode(
      SumbrelSettings settings,
      UserRepository users,
      SetupCodeRepository codes,
      PasswordEncoder hashes,
      Clock clock) {
    this.settings = settings;
    this.users = users;
    this.codes = codes;
    this.hashes = hashes;
    this.clock = clock;
  }

  @Override
  @Transactional
  public void run(ApplicationArguments arguments) {
    if (!settings.demo().enabled() && !users.existsByRole(Role.ADMINISTRATOR)) {
      // for the person at the console; never into a log, which others may read later
      System.out.println("One-time code for the first administrator: " + renew());
    }
  }

  /** A new code; the one before counts no longer. */
  String renew() {
    var random = new SecureRandom();
    var code = new StringBuilder();
    for (var n = 0; n < GROUPS * GROUP_LENGTH; n++) {
      code.append(n > 0 && n % GROUP_LENGTH == 0 ? "-" : "");
      code.append(ALPHABET.charAt(random.nextInt(ALPHABET.length())));
    }
    codes.save(new SetupCodeEntity(hashes.encode(plain(code.toString())), clock.instant()));
    return code.toString();
  }

  /** Whether it is the code; it is used up then. */
  boolean takes(String code) {
    var kept = codes.findById(SetupCodeEntity.ONLY);
    var right = kept.isPresent() && hashes.matches(plain(code), kept.get().codeHash());
    if (right) {
      codes.delete(kept.get());
    }
    return right;
  }

  private static String plain(String code) {
    return code.toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9]", "");
  }
}
