package org.sumbrel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.node.ObjectNode;
import io.swagger.v3.oas.annotations.media.Schema;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.Type;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.springframework.aop.support.AopUtils;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.ApplicationContext;
import org.springframework.core.annotation.AnnotatedElementUtils;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@ApiTest
class ApiDocumentTest {

  private static final Path SNAPSHOT = Path.of("../docs/api/openapi.json");

  @Autowired private MockMvc web;
  @Autowired private ApplicationContext context;

  /**
   * Run with {@code -Dapi.write=true} to renew the snapshot, from which the interface's types are
   * made.
   */
  @Test
  void isTheSnapshot() throws Exception {
    var answer =
        web.perform(get("/v3/api-docs").with(Clerk.signedIn("tolly", "AUDITOR")))
            .andReturn()
            .getResponse();
    var json = new ObjectMapper().enable(SerializationFeature.INDENT_OUTPUT);
    var document = (ObjectNode) json.readTree(answer.getContentAsString(StandardCharsets.UTF_8));
    document.remove("servers");
    var text = json.writeValueAsString(document) + "\n";
    if (Boolean.getBoolean("api.write")) {
      Files.createDirectories(SNAPSHOT.getParent());
      Files.writeString(SNAPSHOT, text);
    }
    assertThat(SNAPSHOT).hasContent(text);
  }

  /** Two records of one name would become one schema, and one of them would be told wrong. */
  @Test
  void hasASchemaForEachRecord() {
    var named = new HashMap<String, Class<?>>();
    var twice = new TreeSet<String>();
    for (var controller : context.getBeansWithAnnotation(RestController.class).values()) {
      for (var method : AopUtils.getTargetClass(controller).getDeclaredMethods()) {
        if (AnnotatedElementUtils.hasAnnotation(method, RequestMapping.class)) {
          see(method.getGenericReturnType(), named, twice);
          for (var given : method.getGenericParameterTypes()) {
            see(given, named, twice);
          }
        }
      }
    }
    assertThat(named).hasSizeGreaterThan(100);
    assertThat(twice).isEmpty();
  }

  private static void see(Type type, Map<String, Class<?>> named, Set<String> twice) {
    if (type instanceof ParameterizedType with) {
      see(with.getRawType(), named, twice);
      for (var argument : with.getActualTypeArguments()) {
        see(argument, named, twice);
      }
    } else if (type instanceof Class<?> one
        && one.isRecord()
        && one.getName().startsWith("org.sumbrel")) {
      var schema = one.getAnnotation(Schema.class);
      var name = schema == null || schema.name().isEmpty() ? one.getSimpleName() : schema.name();
      var before = named.putIfAbsent(name, one);
      if (before == null) {
        for (var component : one.getRecordComponents()) {
          see(component.getGenericType(), named, twice);
        }
      } else if (before != one) {
        twice.add(name + ": " + before.getName() + " and " + one.getName());
      }
    }
  }
}
