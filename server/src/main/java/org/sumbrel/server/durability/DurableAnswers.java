package org.sumbrel.server.durability;

import org.springframework.core.MethodParameter;
import org.springframework.http.MediaType;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.http.server.ServerHttpRequest;
import org.springframework.http.server.ServerHttpResponse;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.ResponseBodyAdvice;

/** Sends no answer that shows what another call has committed before that is on disk too. */
@ControllerAdvice
final class DurableAnswers implements ResponseBodyAdvice<Object> {

  private final DurableTransactions transactions;
  private final CommittedChanges changes;

  DurableAnswers(DurableTransactions transactions, CommittedChanges changes) {
    this.transactions = transactions;
    this.changes = changes;
  }

  @Override
  public boolean supports(
      MethodParameter returned, Class<? extends HttpMessageConverter<?>> converter) {
    return true;
  }

  @Override
  public Object beforeBodyWrite(
      Object body,
      MethodParameter returned,
      MediaType type,
      Class<? extends HttpMessageConverter<?>> converter,
      ServerHttpRequest request,
      ServerHttpResponse response) {
    if (transactions.underWay()) {
      changes.force();
    }
    return body;
  }
}
