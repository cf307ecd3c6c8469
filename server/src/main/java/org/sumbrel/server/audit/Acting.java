package org.sumbrel.server.audit;

import jakarta.servlet.http.HttpServletRequest;
import java.util.function.Supplier;
import org.springframework.security.authentication.AnonymousAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/**
 * Who changes something, from where, by which call. Of a request that is whoever is signed in; work
 * behind the scenes says for whom it is done.
 *
 * @param actor the sign-in name
 * @param source the address from which the call came; "here" for work of the application itself
 * @param call method and path, or what work it is
 */
public record Acting(String actor, String source, String call) {

  /** The application itself, where nobody asked for it. */
  public static final String ITSELF = "Sumbrel";

  private static final String HERE = "here";
  private static final ThreadLocal<Acting> FOR = new ThreadLocal<>();

  /**
   * Does work for somebody, outside of his request.
   *
   * @param work what it is, in words
   */
  public static void with(String actor, String work, Runnable run) {
    with(
        actor,
        work,
        () -> {
          run.run();
          return null;
        });
  }

  /** The same, for work that comes to something. */
  public static <T> T with(String actor, String work, Supplier<T> run) {
    var before = FOR.get();
    FOR.set(new Acting(actor, HERE, work));
    try {
      return run.get();
    } finally {
      if (before == null) {
        FOR.remove();
      } else {
        FOR.set(before);
      }
    }
  }

  static Acting now() {
    if (FOR.get() != null) {
      return FOR.get();
    }
    var signedIn = SecurityContextHolder.getContext().getAuthentication();
    var actor =
        signedIn == null || signedIn instanceof AnonymousAuthenticationToken
            ? ITSELF
            : signedIn.getName();
    if (RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes of) {
      var request = of.getRequest();
      return new Acting(
          actor, address(request), request.getMethod() + " " + request.getRequestURI());
    }
    return new Acting(actor, HERE, "");
  }

  /** An address of this machine itself is told in one way, however it was called. */
  private static String address(HttpServletRequest request) {
    var address = request.getRemoteAddr();
    return address.equals("0:0:0:0:0:0:0:1") || address.equals("::1") ? "127.0.0.1" : address;
  }
}
