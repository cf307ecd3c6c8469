package org.sumbrel.formats.table;

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

/** A profile as a YAML file, to be kept, changed by hand and handed on. */
public final class ProfileYaml {

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

  private ProfileYaml() {}

  /**
   * Reads a profile that is complete.
   *
   * @throws BrokenFile where it is none, with the line where that can be told
   */
  public static TableProfile read(String yaml) throws BrokenFile {
    return document(yaml).toProfile();
  }

  /**
   * Reads what is said of a profile.
   *
   * @throws BrokenFile where it is none, with the line where that can be told
   */
  public static ProfileDocument document(String yaml) throws BrokenFile {
    if (yaml.length() > LONGEST) {
      throw new BrokenFile(
          0,
          "the profile has %,d characters; at most %,d are read".formatted(yaml.length(), LONGEST));
    }
    try {
      var document = YAML.readValue(yaml, ProfileDocument.class);
      if (document == null) {
        throw new BrokenFile(1, "the profile is empty");
      }
      return document;
    } catch (UnrecognizedPropertyException e) {
      throw new BrokenFile(
          line(e), "not a profile: nothing in a profile is called \"" + e.getPropertyName() + "\"");
    } catch (JsonMappingException e) {
      throw new BrokenFile(
          line(e), "not a profile: " + where(e) + " is not written as it should be");
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

  public static String write(TableProfile profile) {
    try {
      return YAML.writeValueAsString(ProfileDocument.of(profile));
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a profile is made of words", e);
    }
  }
}
