package org.sumbrel.server.access;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.web.ErrorResponseException;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Holds the path and the parameters of each call against the companies of whoever makes it. */
@Configuration(proxyBeanMethods = false)
class CompanyCalls implements WebMvcConfigurer, HandlerInterceptor {

  /** What is about all companies at once. */
  private static final Set<String> ABOUT_ALL =
      Set.of(
          "/api/backups",
          "/api/check",
          "/api/inbox/set-apart/{id}",
          "/api/settings-history/{recordId}/reversal");

  private final CompanyGate gate;

  CompanyCalls(CompanyGate gate) {
    this.gate = gate;
  }

  @Override
  public void addInterceptors(InterceptorRegistry registry) {
    registry.addInterceptor(this).addPathPatterns("/api/**");
  }

  @Override
  public boolean preHandle(
      HttpServletRequest request, HttpServletResponse response, Object handler) {
    if (Membership.current().everywhere()) {
      return true;
    }
    var pattern =
        String.valueOf(request.getAttribute(HandlerMapping.BEST_MATCHING_PATTERN_ATTRIBUTE));
    if (ABOUT_ALL.contains(pattern)) {
      gate.requireEverywhere();
    }
    var reading = HttpMethod.GET.matches(request.getMethod());
    variables(request)
        .forEach(
            (name, value) -> {
              OwnedThing.inPath(pattern, name)
                  .ifPresent(thing -> gate.require(thing, List.of(number(value)), reading));
              spoken(name, value, reading);
            });
    request
        .getParameterMap()
        .forEach(
            (name, values) -> {
              for (var value : values) {
                OwnedThing.named(name)
                    .filter(thing -> !value.isBlank())
                    .ifPresent(thing -> gate.require(thing, List.of(number(value)), reading));
                spoken(name, value, reading);
              }
            });
    return true;
  }

  private void spoken(String name, String value, boolean reading) {
    if (name.equals("subject") || name.equals("about")) {
      var spoken = OwnedThing.Spoken.read(value).orElseThrow(() -> unread(value));
      gate.require(spoken.thing(), List.of(spoken.id()), reading);
    }
  }

  /**
   * Of what could be read further in as a number that is not known here, nothing is let through.
   */
  private static Long number(String value) {
    if (!value.matches("[0-9]{1,18}")) {
      throw unread(value);
    }
    return Long.valueOf(value);
  }

  private static ErrorResponseException unread(String value) {
    return Membership.refused("\"" + value + "\" says not whose it is; write its plain number.");
  }

  @SuppressWarnings("unchecked")
  private static Map<String, String> variables(HttpServletRequest request) {
    var found = request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
    return found == null ? Map.of() : (Map<String, String>) found;
  }
}
