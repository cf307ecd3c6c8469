package org.sumbrel.server.durability;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Forces the end of a session to disk before sign-out is answered: a session that was ended must
 * not be there again after a crash. It stands outside the filter that stores sessions.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
final class DurableSessions extends OncePerRequestFilter {

  private final CommittedChanges changes;

  DurableSessions(CommittedChanges changes) {
    this.changes = changes;
  }

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    return !request.getMethod().equals("DELETE") || !request.getRequestURI().equals("/api/session");
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    chain.doFilter(request, response);
    changes.force();
  }
}
