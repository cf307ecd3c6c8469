package org.sumbrel.server.access;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.ErrorResponseException;

/**
 * In which companies of the group somebody works; kept with his sign-in, and so as of its time: a
 * change of it ends his sessions.
 *
 * @param only empty where it is in all of them, also those to come
 */
public record Membership(Optional<Set<Long>> only) {

  private static final String EVERY_COMPANY = "EVERY_COMPANY";
  private static final String COMPANY = "COMPANY_";

  /** In all companies: whatever the application does by itself. */
  public static final Membership EVERYWHERE = new Membership(Optional.empty());

  static Membership in(Collection<Long> companies) {
    return new Membership(Optional.of(new TreeSet<>(companies)));
  }

  /** That of whoever makes the call that is answered now. */
  public static Membership current() {
    var authentication = SecurityContextHolder.getContext().getAuthentication();
    if (authentication == null) {
      return EVERYWHERE;
    }
    var companies = new TreeSet<Long>();
    for (var authority : authentication.getAuthorities()) {
      var name = authority.getAuthority();
      if (name.equals(EVERY_COMPANY)) {
        return EVERYWHERE;
      }
      if (name.startsWith(COMPANY)) {
        companies.add(Long.valueOf(name.substring(COMPANY.length())));
      }
    }
    return in(companies);
  }

  /** As it is kept with a sign-in. */
  List<GrantedAuthority> authorities() {
    var kept = new ArrayList<GrantedAuthority>();
    only.ifPresentOrElse(
        some -> some.forEach(id -> kept.add(new SimpleGrantedAuthority(COMPANY + id))),
        () -> kept.add(new SimpleGrantedAuthority(EVERY_COMPANY)));
    return kept;
  }

  public boolean everywhere() {
    return only.isEmpty();
  }

  public boolean in(Long company) {
    return only.map(some -> some.contains(company)).orElse(true);
  }

  /**
   * That he works in a company.
   *
   * @throws ErrorResponseException {@code NOT_YOUR_COMPANY} where he does not
   */
  public void require(Long company) {
    if (!in(company)) {
      throw refused("You do not work in the company whose this is; ask the administrator.");
    }
  }

  static ErrorResponseException refused(String sentence) {
    var problem = ProblemDetail.forStatusAndDetail(HttpStatus.FORBIDDEN, sentence);
    problem.setProperty("code", "NOT_YOUR_COMPANY");
    return new ErrorResponseException(HttpStatus.FORBIDDEN, problem, null);
  }
}
