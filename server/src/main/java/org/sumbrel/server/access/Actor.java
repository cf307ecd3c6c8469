package org.sumbrel.server.access;

import java.security.Principal;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.GrantedAuthority;
import org.sumbrel.core.settle.Authority;

/**
 * Who does something.
 *
 * @param name the sign-in name, as the audit trail keeps it
 */
public record Actor(String name, Role role) {

  /** Before the role, among what is kept with a sign-in. */
  static final String ROLE = "ROLE_";

  /** Whoever posts where nobody does; no user can have this name. */
  public static final Actor UNATTENDED = new Actor("without a hand", Role.CLERK);

  /** The user behind a request. */
  public static Actor of(Principal principal) {
    var authentication = (Authentication) principal;
    var role =
        authentication.getAuthorities().stream()
            .map(GrantedAuthority::getAuthority)
            .filter(a -> a.startsWith(ROLE))
            .findFirst()
            .orElseThrow()
            .substring(ROLE.length());
    return new Actor(authentication.getName(), Role.valueOf(role));
  }

  /** On whose limits he posts. */
  public Authority authority() {
    return role == Role.SUPERVISOR ? Authority.SUPERVISOR : Authority.CLERK;
  }
}
