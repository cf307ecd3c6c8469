package org.sumbrel.server.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Collections;
import java.util.Enumeration;
import java.util.HashMap;
import java.util.Map;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Where a call names no company, the first of those in which its maker works is meant, and not the
 * first of all, or all of them.
 */
final class OwnCompanyFirst extends OncePerRequestFilter {

  private static final String COMPANY = "company";

  /** The id of none, for whoever works in none. */
  private static final Long NO_COMPANY = 0L;

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    var only = Membership.current().only();
    var named = request.getParameter(COMPANY);
    if (only.isEmpty() || named != null && !named.isBlank()) {
      chain.doFilter(request, response);
      return;
    }
    var first = only.get().stream().findFirst().orElse(NO_COMPANY);
    chain.doFilter(new Naming(request, first.toString()), response);
  }

  private static final class Naming extends HttpServletRequestWrapper {
    private final String company;

    Naming(HttpServletRequest request, String company) {
      super(request);
      this.company = company;
    }

    @Override
    public String getParameter(String name) {
      return name.equals(COMPANY) ? company : super.getParameter(name);
    }

    @Override
    public String[] getParameterValues(String name) {
      return name.equals(COMPANY) ? new String[] {company} : super.getParameterValues(name);
    }

    @Override
    public Map<String, String[]> getParameterMap() {
      var all = new HashMap<>(super.getParameterMap());
      all.put(COMPANY, new String[] {company});
      return Collections.unmodifiableMap(all);
    }

    @Override
    public Enumeration<String> getParameterNames() {
      return Collections.enumeration(getParameterMap().keySet());
    }
  }
}
