package org.sumbrel.formats.table;

import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.sumbrel.core.payout.PayoutItemType;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.table.TableField.Kind;

/**
 * A profile in the words that stand in a file and in the API; columns are counted from 1. What is
 * left out is found from the file.
 *
 * @param name by which people know it
 * @param subject {@code statement}, {@code invoices}, {@code customers}
 * @param separator of a text, one character; null for a sheet
 * @param characterSet of a text
 * @param sheet of a workbook; null for a text
 * @param headingLine on which the headings stood in the sample; 0 where there are none
 * @param columns which columns hold a field
 * @param constants what a field is in every row
 * @param dates of a field: {@code year-month-day}, {@code day-month-year}, {@code month-day-year}
 * @param decimalMark a point or a comma
 * @param signsReversed whether money to us is written as negative
 * @param debitWords which in the column of the direction mean money from us
 * @param typeWords what words in the column of types of a payout mean: {@code sale}, {@code
 *     refund}, {@code fee_refund} …
 * @param zone in which the days of a payout's times count, such as {@code America/New_York}
 * @param passOverIncomplete whether lines without a date or an amount, such as totals, are passed
 *     over
 */
public record ProfileDocument(
    String name,
    String subject,
    String separator,
    String characterSet,
    String sheet,
    Integer headingLine,
    List<String> headings,
    Map<String, List<Integer>> columns,
    Map<String, String> constants,
    Map<String, String> dates,
    String decimalMark,
    Boolean signsReversed,
    List<String> debitWords,
    Map<String, String> typeWords,
    String zone,
    Boolean passOverIncomplete) {

  private static final int LONGEST_NAME = 100;

  public static ProfileDocument of(TableProfile profile) {
    var columns = new LinkedHashMap<String, List<Integer>>();
    profile
        .columns()
        .forEach((f, found) -> columns.put(f.word(), found.stream().map(c -> c + 1).toList()));
    return new ProfileDocument(
        profile.name(),
        profile.subject().word(),
        profile.dialect().isSheet() ? null : profile.dialect().separator(),
        profile.dialect().isSheet() ? null : profile.dialect().charset(),
        profile.dialect().isSheet() ? profile.dialect().sheet() : null,
        profile.headingLine(),
        profile.headings(),
        columns,
        words(profile.constants(), Function.identity()),
        words(profile.dates(), DateOrder::word),
        Character.toString(profile.decimalMark()),
        profile.signsReversed(),
        List.copyOf(profile.debitWords()),
        typeWords(profile),
        profile.zone().map(ZoneId::getId).orElse(null),
        profile.passOverIncomplete());
  }

  private static <T> Map<String, String> words(
      Map<TableField, T> values, Function<T, String> written) {
    var words = new LinkedHashMap<String, String>();
    values.forEach((f, value) -> words.put(f.word(), written.apply(value)));
    return words;
  }

  /** The same under another name. */
  public ProfileDocument named(String other) {
    return with(other, dates, decimalMark);
  }

  /** The same without what is still open. */
  ProfileDocument without(Set<TableField> openDates, boolean openMark) {
    var known = new LinkedHashMap<>(dates);
    openDates.forEach(f -> known.remove(f.word()));
    return with(name, known, openMark ? null : decimalMark);
  }

  private ProfileDocument with(String otherName, Map<String, String> otherDates, String mark) {
    return new ProfileDocument(
        otherName,
        subject,
        separator,
        characterSet,
        sheet,
        headingLine,
        headings,
        columns,
        constants,
        otherDates,
        mark,
        signsReversed,
        debitWords,
        typeWords,
        zone,
        passOverIncomplete);
  }

  private static Map<String, String> typeWords(TableProfile profile) {
    var words = new LinkedHashMap<String, String>();
    profile.typeWords().forEach((word, type) -> words.put(word, written(type)));
    return words;
  }

  /** How a type of item is written in a profile. */
  public static String written(PayoutItemType type) {
    return type.name().toLowerCase(Locale.ROOT);
  }

  /**
   * The profile that this describes.
   *
   * @throws BrokenFile where something is left out or cannot be, with all that is wrong
   */
  public TableProfile toProfile() throws BrokenFile {
    var about = about();
    if (name == null || name.isBlank() || name.length() > LONGEST_NAME) {
      throw wrong("a profile has a name of at most " + LONGEST_NAME + " characters");
    }
    if (decimalMark == null || decimalMark.length() != 1) {
      throw wrong("decimal mark \"" + decimalMark + "\" is neither a point nor a comma");
    }
    if (headingLine == null) {
      throw wrong("the profile does not say on which line the headings stand");
    }
    var profileColumns = columns(about);
    var profileDates = dates(about);
    for (var field : profileColumns.keySet()) {
      if (field.kind() == Kind.DATE && !profileDates.containsKey(field)) {
        throw wrong("the profile does not say how " + field.said() + " is written");
      }
    }
    try {
      return new TableProfile(
              name.strip(),
              about,
              dialect(),
              headingLine,
              headings == null
                  ? List.of()
                  : headings.stream().map(h -> h == null ? "" : h).toList(),
              profileColumns,
              constants(about),
              profileDates,
              decimalMark.charAt(0),
              Boolean.TRUE.equals(signsReversed),
              wordsForDebits(),
              wordsForTypes(),
              zoneOfDays(),
              Boolean.TRUE.equals(passOverIncomplete))
          .requireEnough();
    } catch (IllegalArgumentException e) {
      throw wrong(e.getMessage());
    }
  }

  /** The words in the column of the direction that mean money from us, in small letters. */
  Set<String> wordsForDebits() {
    return debitWords == null
        ? Set.of()
        : debitWords.stream()
            .filter(w -> w != null && !w.isBlank())
            .map(w -> w.strip().toLowerCase(Locale.ROOT))
            .collect(Collectors.toSet());
  }

  /** What words in the column of types mean, as far as that is said. */
  Map<String, PayoutItemType> wordsForTypes() throws BrokenFile {
    var found = new LinkedHashMap<String, PayoutItemType>();
    for (var word : given(typeWords).entrySet()) {
      var type =
          Arrays.stream(PayoutItemType.values())
              .filter(t -> t != PayoutItemType.UNKNOWN && written(t).equals(word.getValue()))
              .findFirst()
              .orElseThrow(
                  () ->
                      wrong(
                          "\""
                              + word.getValue()
                              + "\" is no type of a payout's item, such as sale or fee_refund"));
      found.put(Headings.plain(word.getKey()), type);
    }
    return found;
  }

  /** Where the days count, as far as that is said. */
  Optional<ZoneId> zoneOfDays() throws BrokenFile {
    try {
      return zone == null || zone.isBlank()
          ? Optional.empty()
          : Optional.of(ZoneId.of(zone.strip()));
    } catch (DateTimeException e) {
      throw wrong("\"" + zone + "\" is no time zone such as America/New_York");
    }
  }

  /** What a field is in every row, as far as that is said. */
  Map<TableField, String> constants(Subject about) throws BrokenFile {
    var found = new LinkedHashMap<TableField, String>();
    for (var constant : given(constants).entrySet()) {
      if (constant.getValue() != null && !constant.getValue().isBlank()) {
        found.put(field(about, constant.getKey()), constant.getValue().strip());
      }
    }
    return found;
  }

  /** The order of day and month, as far as that is said. */
  Map<TableField, DateOrder> dates(Subject about) throws BrokenFile {
    var found = new LinkedHashMap<TableField, DateOrder>();
    for (var date : given(dates).entrySet()) {
      found.put(field(about, date.getKey()), order(date.getValue()));
    }
    return found;
  }

  /** What it is about. */
  Subject about() throws BrokenFile {
    return Subject.of(subject == null ? "" : subject)
        .orElseThrow(
            () ->
                wrong(
                    "subject \""
                        + subject
                        + "\" is none of "
                        + List.of(Subject.values()).stream().map(Subject::word).toList()));
  }

  /** How the file is written, as far as that is said. */
  Dialect dialect() throws BrokenFile {
    try {
      return sheet != null && !sheet.isEmpty()
          ? Dialect.sheet(sheet)
          : new Dialect(
              separator == null ? "" : separator,
              characterSet == null ? "UTF-8" : characterSet,
              "");
    } catch (IllegalArgumentException e) {
      throw wrong(e.getMessage());
    }
  }

  /** Which columns hold what, counted from 0. */
  Map<TableField, List<Integer>> columns(Subject about) throws BrokenFile {
    var found = new LinkedHashMap<TableField, List<Integer>>();
    for (var column : given(columns).entrySet()) {
      var field = field(about, column.getKey());
      var at = new ArrayList<Integer>();
      for (var number : column.getValue() == null ? List.<Integer>of() : column.getValue()) {
        if (number == null || number < 1) {
          throw wrong("columns are counted from 1; " + field.said() + " is " + number);
        }
        at.add(number - 1);
      }
      if (!at.isEmpty()) {
        found.put(field, at);
      }
    }
    return found;
  }

  private static TableField field(Subject about, String word) throws BrokenFile {
    return about
        .field(word)
        .orElseThrow(
            () ->
                wrong(
                    "a list of "
                        + about.word()
                        + " has no \""
                        + word
                        + "\"; it may have "
                        + String.join(
                            ", ", about.fields().stream().map(TableField::word).toList())));
  }

  private static DateOrder order(String word) throws BrokenFile {
    return DateOrder.of(word == null ? "" : word)
        .orElseThrow(
            () ->
                wrong(
                    "\"" + word + "\" is none of year-month-day, day-month-year, month-day-year"));
  }

  private static <V> Map<String, V> given(Map<String, V> map) {
    return map == null ? Map.of() : map;
  }

  private static BrokenFile wrong(String message) {
    return new BrokenFile(0, message);
  }
}
