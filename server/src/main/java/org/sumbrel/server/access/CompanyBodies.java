package org.sumbrel.server.access;

import java.lang.reflect.Type;
import java.util.Collection;
import java.util.List;
import org.springframework.core.MethodParameter;
import org.springframework.http.HttpInputMessage;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.RequestBodyAdviceAdapter;

/** Holds what is sent with each call against the companies of whoever sends it. */
@ControllerAdvice
class CompanyBodies extends RequestBodyAdviceAdapter {

  private final CompanyGate gate;

  CompanyBodies(CompanyGate gate) {
    this.gate = gate;
  }

  @Override
  public boolean supports(
      MethodParameter parameter, Type type, Class<? extends HttpMessageConverter<?>> converter) {
    return true;
  }

  @Override
  public Object afterBodyRead(
      Object body,
      HttpInputMessage message,
      MethodParameter parameter,
      Type type,
      Class<? extends HttpMessageConverter<?>> converter) {
    if (!Membership.current().everywhere()) {
      check(body);
    }
    return body;
  }

  private void check(Object sent) {
    if (sent instanceof Collection<?> many) {
      many.forEach(this::check);
    } else if (sent instanceof Record) {
      for (var part : sent.getClass().getRecordComponents()) {
        check(part.getName(), valueOf(sent, part.getAccessor()));
      }
    }
  }

  private void check(String name, Object value) {
    var thing = OwnedThing.named(name);
    if (value instanceof Long id) {
      thing.ifPresent(t -> gate.require(t, List.of(id), false));
    } else if (value instanceof Collection<?> many
        && many.stream().allMatch(Long.class::isInstance)) {
      thing.ifPresent(t -> gate.require(t, many.stream().map(Long.class::cast).toList(), false));
    } else if (value instanceof String words && name.equals("about")) {
      // what is not read here is refused further in
      OwnedThing.Spoken.read(words).ifPresent(s -> gate.require(s.thing(), List.of(s.id()), false));
    } else {
      check(value);
    }
  }

  private static Object valueOf(Object sent, java.lang.reflect.Method accessor) {
    try {
      accessor.setAccessible(true);
      return accessor.invoke(sent);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException(e);
    }
  }
}
