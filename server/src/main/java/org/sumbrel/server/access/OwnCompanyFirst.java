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

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    var only = Membership.current().only();
    var first = only.stream().flatMap(some -> some.stream()).findFirst();
    if (first.isEmpty() || request.getParameter(COMPANY) != null) {
      chain.doFilter(request, response);
      return;
    }
    chain.doFilter(new Naming(request, first.get().toString()), response);
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
