package org.sumbrel.core.money;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.joda.money.Money;

/**
 * An amount that a hand divides: each part is typed as an amount ({@code 412.50}), as a share of
 * the whole ({@code 40 %}), or left blank to take what the others leave.
 */
public final class TypedSplit {

  private static final Pattern SHARE = Pattern.compile("(\\d{1,3}(?:\\.\\d{1,6})?)\\s*%");
  private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

  /** What one typed part comes to: an amount, or why it is none. */
  public record Part(Optional<Money> amount, String refusal) {

    private static Part of(Money amount, String whyNone) {
      return amount.isZero() ? refused(whyNone) : new Part(Optional.of(amount), "");
    }

    private static Part refused(String why) {
      return new Part(Optional.empty(), why);
    }
  }

  private TypedSplit() {}

  /**
   * The typed parts as amounts, in their order. Shares are rounded together by largest remainder,
   * so that shares of 100 % always come to the whole; they need not fill it.
   *
   * @param whole what is divided; shares and the rest are in its sign, amounts as they are typed
   * @param typed as they were typed
   */
  public static List<Part> read(Money whole, List<String> typed) {
    var shares = new ArrayList<BigDecimal>();
    for (var text : typed) {
      var share = SHARE.matcher(text.strip());
      shares.add(share.matches() ? new BigDecimal(share.group(1)) : BigDecimal.ZERO);
    }
    var named = shares.stream().reduce(BigDecimal.ZERO, BigDecimal::add);
    if (named.compareTo(HUNDRED) > 0) {
      return typed.stream()
          .map(t -> Part.refused("the shares come to " + named.toPlainString() + " %"))
          .toList();
    }
    var weights = new ArrayList<>(shares);
    weights.add(HUNDRED.subtract(named));
    var portions = MoneySplit.inProportion(whole, weights);
    var parts = new ArrayList<Part>();
    var rest = whole;
    var blank = -1;
    for (var i = 0; i < typed.size(); i++) {
      var text = typed.get(i).strip();
      Part part;
      if (text.isEmpty()) {
        part = Part.refused(blank < 0 ? "" : "only one part can take what is left");
        blank = blank < 0 ? i : blank;
      } else if (SHARE.matcher(text).matches()) {
        part = Part.of(portions.get(i), "a share that comes to nothing");
      } else {
        part = amount(text, whole);
      }
      rest = rest.minus(part.amount().orElse(Money.zero(whole.getCurrencyUnit())));
      parts.add(part);
    }
    if (blank >= 0) {
      parts.set(blank, Part.of(rest, "the other parts leave nothing for this one"));
    }
    return List.copyOf(parts);
  }

  private static Part amount(String text, Money whole) {
    var figure = TypedAmount.read(text.replace('\u2212', '-'));
    if (figure.isEmpty()) {
      return Part.refused("\"" + text + "\" is neither an amount nor a share such as 40 %");
    }
    try {
      return Part.of(
          MoneyText.exact(figure.get().figure(), whole.getCurrencyUnit()),
          "an amount of nothing is no part");
    } catch (IllegalArgumentException e) {
      return Part.refused(e.getMessage());
    }
  }
}
