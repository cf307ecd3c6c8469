package org.sumbrel.server.access;

import java.security.Principal;
import org.springframework.security.core.Authentication;
import org.sumbrel.core.settle.Authority;

/**
 * Who does something.
 *
 * @param name the sign-in name, as the audit trail keeps it
 */
public record Actor(String name, Role role) {

  /** Whoever posts where nobody does; no user can have this name. */
  public static final Actor UNATTENDED = new Actor("without a hand", Role.CLERK);

  /** The user behind a request. */
  public static Actor of(Principal principal) {
    var authentication = (Authentication) principal;
    var role =
        authentication
            .getAuthorities()
            .iterator()
            .next()
            .getAuthority()
            .substring("ROLE_".length());
    return new Actor(authentication.getName(), Role.valueOf(role));
  }

  /** On whose limits he posts. */
  public Authority authority() {
    return role == Role.SUPERVISOR ? Authority.SUPERVISOR : Authority.CLERK;
  }
}
