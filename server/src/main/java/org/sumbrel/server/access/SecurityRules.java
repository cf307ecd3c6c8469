package org.sumbrel.server.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfException;
import org.springframework.security.web.csrf.CsrfFilter;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.security.web.csrf.CsrfTokenRequestAttributeHandler;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.web.filter.OncePerRequestFilter;

/** Which role may call what, and the headers that every answer carries. */
@Configuration(proxyBeanMethods = false)
class SecurityRules {

  private static final String POLICY =
      "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; font-src 'self';"
          + " object-src 'none'; base-uri 'self'; form-action 'self'; frame-ancestors 'none'";

  /** What only the administrator sets; everybody may read it. */
  private static final String[] ADMINISTRATORS = {
    "/api/companies/**",
    "/api/bank-accounts",
    "/api/bank-accounts/*",
    "/api/chart/**",
    "/api/tax-codes/**",
    "/api/claim-reasons/**",
    "/api/number-ranges/**",
    "/api/settings-history/**"
  };

  @Bean
  SecurityFilterChain filters(HttpSecurity http, SecurityContextRepository contexts)
      throws Exception {
    http.securityContext(c -> c.securityContextRepository(contexts))
        .csrf(
            csrf ->
                csrf.csrfTokenRepository(CookieCsrfTokenRepository.withHttpOnlyFalse())
                    .csrfTokenRequestHandler(new CsrfTokenRequestAttributeHandler()))
        .addFilterAfter(new TokenIntoCookie(), CsrfFilter.class)
        .addFilterAfter(new OwnCompanyFirst(), AuthorizationFilter.class)
        .authorizeHttpRequests(
            calls ->
                calls
                    .requestMatchers(HttpMethod.GET, "/api/welcome")
                    .permitAll()
                    .requestMatchers(HttpMethod.POST, "/api/session", "/api/first-administrator")
                    .permitAll()
                    .requestMatchers("/api/users/**")
                    .hasRole("ADMINISTRATOR")
                    .requestMatchers(HttpMethod.POST, ADMINISTRATORS)
                    .hasRole("ADMINISTRATOR")
                    .requestMatchers(HttpMethod.PUT, ADMINISTRATORS)
                    .hasRole("ADMINISTRATOR")
                    .requestMatchers("/api/backups")
                    .hasAnyRole("ADMINISTRATOR", "SUPERVISOR")
                    .requestMatchers("/api/policies/*/effect")
                    .hasAnyRole("ADMINISTRATOR", "SUPERVISOR")
                    .requestMatchers(HttpMethod.POST, "/api/unattended/days/**")
                    .hasRole("SUPERVISOR")
                    .requestMatchers(HttpMethod.POST, "/api/unattended/**")
                    .hasAnyRole("ADMINISTRATOR", "SUPERVISOR")
                    .requestMatchers(HttpMethod.DELETE, "/api/unattended/**")
                    .hasAnyRole("ADMINISTRATOR", "SUPERVISOR")
                    .requestMatchers(
                        HttpMethod.POST,
                        "/api/bank-accounts/*/opening",
                        "/api/bank-accounts/*/tie-out/closing",
                        "/api/tie-outs/*/reopening",
                        "/api/closed-periods/**")
                    .hasRole("SUPERVISOR")
                    .requestMatchers(HttpMethod.POST, "/api/treatments/trial")
                    .hasAnyRole("CLERK", "SUPERVISOR")
                    .requestMatchers(HttpMethod.POST, "/api/treatments/**", "/api/house-rules/**")
                    .hasRole("SUPERVISOR")
                    .requestMatchers(HttpMethod.PUT, "/api/treatments/**")
                    .hasRole("SUPERVISOR")
                    .requestMatchers(HttpMethod.DELETE, "/api/treatments/**")
                    .hasRole("SUPERVISOR")
                    // an auditor may take what is exported already; making an export is for clerks
                    .requestMatchers(HttpMethod.POST, "/api/journal-exports/*/files")
                    .hasAnyRole("CLERK", "SUPERVISOR", "AUDITOR")
                    .requestMatchers(HttpMethod.PUT, "/api/policies/**")
                    .hasAnyRole("ADMINISTRATOR", "SUPERVISOR")
                    .requestMatchers(HttpMethod.GET, "/api/**", "/v3/api-docs/**")
                    .authenticated()
                    .requestMatchers(HttpMethod.DELETE, "/api/session")
                    .authenticated()
                    .requestMatchers("/api/**")
                    .hasAnyRole("CLERK", "SUPERVISOR")
                    .requestMatchers(HttpMethod.GET, "/**")
                    .permitAll()
                    .anyRequest()
                    .denyAll())
        .exceptionHandling(
            failures ->
                failures
                    .authenticationEntryPoint(
                        (request, response, e) ->
                            answer(
                                response,
                                HttpStatus.UNAUTHORIZED,
                                "NOT_SIGNED_IN",
                                "Sign in first."))
                    .accessDeniedHandler(
                        (request, response, e) -> {
                          if (e instanceof CsrfException) {
                            answer(
                                response,
                                HttpStatus.FORBIDDEN,
                                "NO_TOKEN",
                                "This call does not carry the token of the cookie XSRF-TOKEN. Reload the page and try again.");
                          } else {
                            answer(
                                response,
                                HttpStatus.FORBIDDEN,
                                "NOT_ALLOWED",
                                "Your role does not allow this.");
                          }
                        }))
        .headers(
            headers ->
                headers
                    .contentSecurityPolicy(policy -> policy.policyDirectives(POLICY))
                    .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN)))
        .requestCache(cache -> cache.disable())
        .formLogin(form -> form.disable())
        .httpBasic(basic -> basic.disable())
        .logout(logout -> logout.disable());
    return http.build();
  }

  private static void answer(
      HttpServletResponse response, HttpStatus status, String code, String sentence)
      throws IOException {
    response.setStatus(status.value());
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    response
        .getWriter()
        .write(
            "{\"status\":%d,\"code\":\"%s\",\"detail\":\"%s\"}"
                .formatted(status.value(), code, sentence));
  }

  @Bean
  SecurityContextRepository contexts() {
    return new HttpSessionSecurityContextRepository();
  }

  @Bean
  PasswordEncoder passwords() {
    return PasswordEncoderFactories.createDelegatingPasswordEncoder();
  }

  /**
   * Sign-in goes through {@link SessionController}; this keeps the framework from making a user of
   * its own.
   */
  @Bean
  UserDetailsService noOtherUsers() {
    return name -> {
      throw new UsernameNotFoundException(name);
    };
  }

  /** Makes the token, so that its cookie is there before the first call that needs it. */
  private static final class TokenIntoCookie extends OncePerRequestFilter {
    @Override
    protected void doFilterInternal(
        HttpServletRequest request, HttpServletResponse response, FilterChain chain)
        throws ServletException, IOException {
      ((CsrfToken) request.getAttribute(CsrfToken.class.getName())).getToken();
      chain.doFilter(request, response);
    }
  }
}
