package org.sumbrel.server.api;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import org.joda.money.Money;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.web.ErrorResponseException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.sumbrel.core.deposit.DepositRefused;
import org.sumbrel.core.payout.PayoutRefused;
import org.sumbrel.core.settle.SettlementRefused;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.Problem;

/**
 * Turns what went wrong into problem details (RFC 9457) with a stable code, a sentence and the
 * figures.
 */
@RestControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class ProblemAnswers {

  private static final Logger LOG = LoggerFactory.getLogger(ProblemAnswers.class);

  @ExceptionHandler
  ProblemDetail refused(SettlementRefused e) {
    return refused(e.code().name(), e.getMessage(), e.figures());
  }

  @ExceptionHandler
  ProblemDetail refused(DepositRefused e) {
    return refused(e.code().name(), e.getMessage(), e.figures());
  }

  @ExceptionHandler
  ProblemDetail refused(PayoutRefused e) {
    return problem(HttpStatus.UNPROCESSABLE_ENTITY, "PAYOUT_REFUSED", e.getMessage());
  }

  private static ProblemDetail refused(String code, String sentence, Map<String, Money> figures) {
    var problem = problem(HttpStatus.UNPROCESSABLE_ENTITY, code, sentence);
    var shown = new LinkedHashMap<String, MoneyView>();
    figures.forEach((name, money) -> shown.put(name, MoneyView.of(money)));
    problem.setProperty("figures", shown);
    return problem;
  }

  @ExceptionHandler
  ProblemDetail broken(BrokenFile broken) {
    var problem = problem(HttpStatus.UNPROCESSABLE_ENTITY, "BROKEN_FILE", sentence(broken));
    problem.setProperty("problems", broken.problems().stream().map(ProblemAnswers::line).toList());
    return problem;
  }

  private static Map<String, Object> line(Problem problem) {
    return Map.of("line", problem.line(), "message", problem.message());
  }

  private static String sentence(BrokenFile broken) {
    var first = broken.problems().get(0);
    var more = broken.problems().size() - 1;
    return "Nothing of this file was kept. "
        + (first.line() > 0
            ? "Line " + first.line() + ": " + first.message()
            : first.message().substring(0, 1).toUpperCase(Locale.ROOT)
                + first.message().substring(1))
        + "."
        + (more > 0 ? " " + more + " more like this." : "");
  }

  @ExceptionHandler
  ProblemDetail badRequest(BadRequest e) {
    return problem(HttpStatus.BAD_REQUEST, "BAD_REQUEST", e.getMessage());
  }

  @ExceptionHandler
  ProblemDetail notThere(NotThere e) {
    return problem(HttpStatus.NOT_FOUND, "NOT_THERE", e.getMessage());
  }

  @ExceptionHandler
  ProblemDetail conflict(Conflict e) {
    var problem = problem(HttpStatus.CONFLICT, e.code(), e.getMessage());
    if (!e.about().isEmpty()) {
      problem.setProperty("about", e.about());
    }
    return problem;
  }

  @ExceptionHandler
  ProblemDetail tooLate(ConcurrencyFailureException e) {
    return problem(
        HttpStatus.CONFLICT,
        "CHANGED_MEANWHILE",
        "Somebody changed this at the same moment. Look again and repeat.");
  }

  @ExceptionHandler
  ProblemDetail tooLarge(MaxUploadSizeExceededException e) {
    return problem(HttpStatus.PAYLOAD_TOO_LARGE, "TOO_LARGE", "A file may have at most 512 MB.");
  }

  @ExceptionHandler
  ProblemDetail unreadable(HttpMessageNotReadableException e) {
    return problem(
        HttpStatus.BAD_REQUEST,
        "BAD_REQUEST",
        "The request's body is not the JSON that is expected here.");
  }

  @ExceptionHandler
  ProblemDetail invalid(MethodArgumentNotValidException e) {
    var fields =
        e.getBindingResult().getFieldErrors().stream()
            .map(f -> f.getField() + " " + f.getDefaultMessage())
            .toList();
    return problem(
        HttpStatus.BAD_REQUEST,
        "BAD_REQUEST",
        "This is not complete: " + String.join(", ", fields) + ".");
  }

  @ExceptionHandler
  ProblemDetail mismatched(MethodArgumentTypeMismatchException e) {
    return problem(
        HttpStatus.BAD_REQUEST,
        "BAD_REQUEST",
        "\"" + e.getValue() + "\" is no value for " + e.getName() + ".");
  }

  @ExceptionHandler
  ProblemDetail answered(ErrorResponseException e) {
    return e.getBody();
  }

  @ExceptionHandler
  ProblemDetail notAllowed(AccessDeniedException e) {
    return problem(HttpStatus.FORBIDDEN, "NOT_ALLOWED", e.getMessage());
  }

  @ExceptionHandler
  ProblemDetail unexpected(RuntimeException e) {
    LOG.error("unexpected failure", e);
    return problem(
        HttpStatus.INTERNAL_SERVER_ERROR,
        "UNEXPECTED",
        "Something went wrong on our side; nothing was changed.");
  }

  private static ProblemDetail problem(HttpStatus status, String code, String sentence) {
    var problem = ProblemDetail.forStatusAndDetail(status, sentence);
    problem.setProperty("code", code);
    return problem;
  }
}
