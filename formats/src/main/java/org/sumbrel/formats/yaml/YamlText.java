package org.sumbrel.formats.yaml;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.PropertyNamingStrategies;
import com.fasterxml.jackson.databind.exc.UnrecognizedPropertyException;
import com.fasterxml.jackson.dataformat.yaml.YAMLFactory;
import com.fasterxml.jackson.dataformat.yaml.YAMLGenerator;
import com.fasterxml.jackson.dataformat.yaml.YAMLMapper;
import java.util.Objects;
import java.util.stream.Collectors;
import org.sumbrel.formats.BrokenFile;

/** Documents as YAML: names in small letters with underscores, what is empty left out. */
public final class YamlText {

  private static final int LONGEST = 200_000;

  private static final ObjectMapper YAML =
      YAMLMapper.builder(
              YAMLFactory.builder()
                  .disable(YAMLGenerator.Feature.WRITE_DOC_START_MARKER)
                  .enable(YAMLGenerator.Feature.MINIMIZE_QUOTES)
                  .enable(YAMLGenerator.Feature.ALWAYS_QUOTE_NUMBERS_AS_STRINGS)
                  .build())
          .propertyNamingStrategy(PropertyNamingStrategies.SNAKE_CASE)
          .defaultPropertyInclusion(
              JsonInclude.Value.construct(
                  JsonInclude.Include.NON_EMPTY, JsonInclude.Include.NON_EMPTY))
          .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
          .build();

  private YamlText() {}

  /**
   * Reads a document.
   *
   * @param what it is, in words: {@code profile}
   * @throws BrokenFile where it is none, with the line where that can be told
   */
  public static <T> T read(String yaml, Class<T> type, String what) throws BrokenFile {
    if (yaml.length() > LONGEST) {
      throw new BrokenFile(
          0,
          "the %s has %,d characters; at most %,d are read"
              .formatted(what, yaml.length(), LONGEST));
    }
    try {
      var document = YAML.readValue(yaml, type);
      if (document == null) {
        throw new BrokenFile(1, "the " + what + " is empty");
      }
      return document;
    } catch (UnrecognizedPropertyException e) {
      throw new BrokenFile(
          line(e),
          "not a %s: nothing in a %s is called \"%s\"".formatted(what, what, e.getPropertyName()));
    } catch (JsonMappingException e) {
      throw new BrokenFile(
          line(e), "not a " + what + ": " + where(e) + " is not written as it should be");
    } catch (JsonProcessingException e) {
      throw new BrokenFile(line(e), "not YAML: " + e.getOriginalMessage());
    }
  }

  /** Such as {@code columns, amount}. */
  private static String where(JsonMappingException e) {
    var names =
        e.getPath().stream()
            .map(JsonMappingException.Reference::getFieldName)
            .filter(Objects::nonNull)
            .collect(Collectors.joining(", "));
    return names.isEmpty() ? "it" : "\"" + names + "\"";
  }

  private static int line(JsonProcessingException e) {
    return e.getLocation() == null ? 0 : Math.max(0, e.getLocation().getLineNr());
  }

  public static String write(Object document) {
    try {
      return YAML.writeValueAsString(document);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a document is made of words", e);
    }
  }
}
