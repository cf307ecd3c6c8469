package org.sumbrel.core.propose;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.WrittenForm;

/**
 * Under which forms the items of a batch can be named: their numbers, orders and structured
 * references as they are written, part by part without leading zeros, and by their figures alone.
 */
final class ReferenceIndex {

  /** Fewer figures are too often something else to be taken for a number with a slip. */
  static final int FEWEST_FIGURES = 4;

  private static final int SHORTEST_FORM = 3;

  /** The weight of figures that hit an item by accident as rarely as can be told. */
  private static final double RAREST = 4.5;

  private static final double COMMONEST = 0.5;

  /** What it adds that a word before the figures says what they are. */
  private static final double LABELLED = 1.5;

  private static final Pattern PART = Pattern.compile("\\p{L}+|\\p{N}+");

  /** So many zeros that the count behind them is too short to be known without. */
  private static final Pattern PADDED = Pattern.compile("(?<!\\d)(0{2,}[1-9]\\d?)$");

  private static final Pattern ENDS_IN_DIGITS = Pattern.compile("\\p{L}{0,5}0*([1-9]\\d{2,11})");

  private final Map<String, List<OpenItem>> byNumber = new HashMap<>();
  private final Map<String, List<OpenItem>> byOrder = new HashMap<>();
  private final Map<String, List<OpenItem>> byCreditorReference = new HashMap<>();
  private final Map<String, List<OpenItem>> byParts = new HashMap<>();

  /** By the number with every letter that looks like a figure read as that figure. */
  private final Map<String, List<OpenItem>> byLook = new HashMap<>();

  private final Map<String, List<OpenItem>> byDigits = new HashMap<>();
  private final Map<String, List<OpenItem>> byOrderDigits = new HashMap<>();

  /** By a count that is filled up with zeros, as it stands there. */
  private final Map<String, List<OpenItem>> byPadded = new HashMap<>();

  /** How many different figures of each length name something. */
  private final int[] ofLength = new int[32];

  /** A form under which an item is found in one of the ways of writing it. */
  private record Form(Map<String, List<OpenItem>> in, String written) {}

  private ReferenceIndex() {}

  static ReferenceIndex over(Collection<? extends OpenItem> items) {
    var index = new ReferenceIndex();
    items.stream().sorted(OpenItem.EARLIEST_KNOWN).forEach(index::put);
    return index;
  }

  /** Takes up an item that is not known yet. */
  void put(OpenItem item) {
    forms(item).forEach(form -> put(form, item));
  }

  /** Forgets an item, as it was taken up. */
  void remove(OpenItem item) {
    forms(item).forEach(form -> remove(form, item));
  }

  /** Every form that an item is found under, whichever way it is written. */
  Set<String> formsOf(OpenItem item) {
    return forms(item).stream().map(Form::written).collect(Collectors.toSet());
  }

  /** How many figures of each length name something, as roughly as it counts. */
  double[] lengths() {
    return Arrays.stream(ofLength).mapToDouble(ReferenceIndex::roughly).toArray();
  }

  private void put(Form form, OpenItem item) {
    var figures = countsAsFigures(form) && !isFigure(form.written());
    var items = form.in().computeIfAbsent(form.written(), f -> new ArrayList<>(1));
    var at = items.size();
    while (at > 0 && OpenItem.EARLIEST_KNOWN.compare(item, items.get(at - 1)) < 0) {
      at--;
    }
    items.add(at, item);
    if (figures) {
      ofLength[form.written().length()]++;
    }
  }

  private void remove(Form form, OpenItem item) {
    var items = form.in().get(form.written());
    items.removeIf(i -> i.id().equals(item.id()));
    if (items.isEmpty()) {
      form.in().remove(form.written());
      if (countsAsFigures(form) && !isFigure(form.written())) {
        ofLength[form.written().length()]--;
      }
    }
  }

  private boolean countsAsFigures(Form form) {
    return form.in() == byDigits || form.in() == byOrderDigits;
  }

  private boolean isFigure(String written) {
    return byDigits.containsKey(written) || byOrderDigits.containsKey(written);
  }

  /** To a quarter of a doubling: one item more does not change what is thought of all others. */
  private static double roughly(int count) {
    return count <= 1 ? 1 : Math.exp(Math.rint(Math.log(count) * 4) / 4);
  }

  private List<Form> forms(OpenItem item) {
    var forms = new ArrayList<Form>(8);
    var number = WrittenForm.compact(item.number());
    forms.add(new Form(byNumber, number));
    form(forms, byLook, Slips.figuresForLetters(number));
    var digits = digitsOf(number);
    form(forms, byDigits, digits);
    var padded = PADDED.matcher(item.number());
    if (padded.find()) {
      form(forms, byPadded, padded.group(1));
    }
    var parts = parts(item.number());
    if (parts.size() > 1) {
      form(forms, byParts, String.join("-", parts));
      // a number that is made of several figures, as of a year and a count, is called by the last
      var last = parts.get(parts.size() - 1);
      var figures = parts.stream().filter(p -> Character.isDigit(p.charAt(0))).count();
      if (figures > 1 && !last.equals(digits) && !digitsOf(last).isEmpty()) {
        form(forms, byDigits, last);
        if (!Character.isDigit(parts.get(0).charAt(0))) {
          form(forms, byParts, String.join("-", parts.subList(1, parts.size())));
        }
      }
    }
    if (item instanceof Invoice invoice) {
      var order = WrittenForm.compact(invoice.orderReference());
      form(forms, byOrder, order);
      form(forms, byOrderDigits, digitsOf(order));
      form(forms, byCreditorReference, WrittenForm.compact(invoice.creditorReference()));
    }
    return forms;
  }

  private static void form(List<Form> forms, Map<String, List<OpenItem>> in, String written) {
    if (written.length() >= SHORTEST_FORM) {
      forms.add(new Form(in, written));
    }
  }

  /** Runs of letters and runs of figures, the figures without leading zeros. */
  private static List<String> parts(String text) {
    var parts = new ArrayList<String>();
    var runs = PART.matcher(text);
    while (runs.find()) {
      var run = runs.group();
      var zeros = 0;
      while (zeros < run.length() - 1 && run.charAt(zeros) == '0') {
        zeros++;
      }
      parts.add(run.substring(zeros).toUpperCase(Locale.ROOT));
    }
    return parts;
  }

  /** The figures of a number without its leading letters and zeros; empty where it has none. */
  static String digitsOf(String number) {
    var digits = ENDS_IN_DIGITS.matcher(number);
    return digits.matches() ? digits.group(1) : "";
  }

  /** The index for one thought, which notes what it asks. */
  Asking asking(Asked asked) {
    return new Asking(asked);
  }

  /** What is asked of the index. */
  final class Asking {

    private final Asked asked;

    private Asking(Asked asked) {
      this.asked = asked;
    }

    private List<OpenItem> found(Map<String, List<OpenItem>> in, String form) {
      asked.ask(Question.FORM, form);
      var items = in.getOrDefault(form, List.of());
      asked.named(items);
      return items;
    }

    List<OpenItem> number(String compact) {
      return found(byNumber, compact);
    }

    List<OpenItem> order(String compact) {
      return found(byOrder, compact);
    }

    List<OpenItem> creditorReference(String compact) {
      return found(byCreditorReference, compact);
    }

    /** The number written part by part with other signs between them, or without leading zeros. */
    List<OpenItem> written(String text) {
      var parts = parts(text);
      var told = parts.size() > 1 && parts.get(parts.size() - 1).length() >= SHORTEST_FORM;
      return told || parts.size() > 2 && Character.isLetter(parts.get(0).charAt(0))
          ? found(byParts, String.join("-", parts))
          : List.of();
    }

    /** Whose number has these figures, or ends in them. */
    List<OpenItem> digits(String digits) {
      return found(byDigits, digits);
    }

    /** Whose number ends in this short count with its zeros, such as {@code 00012}. */
    List<OpenItem> padded(String written) {
      return found(byPadded, written);
    }

    /** Whose order has these figures. */
    List<OpenItem> orderDigits(String digits) {
      return found(byOrderDigits, digits);
    }

    /**
     * What bare figures count as evidence: the logarithm of how rarely figures of this length hit
     * anything by accident.
     *
     * @param written as they stand in the text, with leading zeros
     * @param labelled whether a word before them says that they are a number or an order
     */
    double weight(String written, boolean labelled) {
      var digits = written.replaceFirst("^\\D*0*", "");
      var length = Math.min(ofLength.length - 1, digits.length());
      asked.ask(Question.LENGTH, length);
      // whoever writes the zeros too leaves fewer other readings
      var zeros = written.length() - digits.length();
      var possible = 9 * Math.pow(10, length - 1.0 + Math.min(3, zeros));
      var rare = Math.log(possible / roughly(ofLength[length])) + (labelled ? LABELLED : 0);
      return Math.max(COMMONEST, Math.min(RAREST, rare));
    }

    /** Whose number the written form was before one slip, with letters read for figures first. */
    List<OpenItem> oneSlipAway(String written) {
      return oneSlipAway(written, this::meant);
    }

    /** The same for a number of several parts, of which only the whole form is looked up. */
    List<OpenItem> wholeOneSlipAway(String written) {
      return oneSlipAway(written, this::number);
    }

    private List<OpenItem> oneSlipAway(String written, Function<String, List<OpenItem>> items) {
      var look = Slips.figuresForLetters(written);
      var looking = found(byLook, look);
      var alike = looking.isEmpty() ? items.apply(look) : looking;
      if (!alike.isEmpty()) {
        return alike;
      }
      var found = new LinkedHashSet<OpenItem>();
      for (var form : Slips.undone(written)) {
        found.addAll(items.apply(form));
      }
      return List.copyOf(found);
    }

    /** Whose number, or figures of a number, this is. */
    List<OpenItem> meant(String form) {
      var whole = number(form);
      if (!whole.isEmpty()) {
        return whole;
      }
      var digits = digitsOf(form);
      return digits.length() >= FEWEST_FIGURES ? digits(digits) : List.of();
    }
  }
}
