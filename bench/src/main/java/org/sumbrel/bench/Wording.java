package org.sumbrel.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OpenItem;

/** How payers write what they pay. */
final class Wording {

  /** A behaviour of which the text states the amount of each item. */
  static final String STATED = "stated amounts";

  private static final List<String> AHEAD = List.of("", "INV ", "Invoice ", "RE ", "PAYMENT ");
  private static final List<String> BETWEEN = List.of(", ", " ", " + ", " & ", "/");

  private final World world;
  private final Damage damage;
  private final Random random;

  Wording(World world, Damage damage) {
    this.world = world;
    this.damage = damage;
    this.random = world.random;
  }

  /**
   * The text for some items.
   *
   * @param slipped whether the last of them is written with a slip
   */
  String of(List<OpenItem> items, Truth truth, boolean slipped) {
    if (items.isEmpty()) {
      return "";
    }
    if (truth.behaviour().equals(STATED)) {
      return stated(items, truth, slipped);
    }
    if (items.size() == 1 && items.get(0) instanceof Invoice invoice && !slipped) {
      if (!invoice.creditorReference().isEmpty() && random.nextInt(3) == 0) {
        return invoice.creditorReference();
      }
      if (!invoice.orderReference().isEmpty() && random.nextInt(4) == 0) {
        return order(invoice.orderReference());
      }
    }
    var way = random.nextInt(4);
    if (items.size() > 1 && way == 3 && !slipped && world.style.shortens()) {
      return shortened(items);
    }
    var references = new ArrayList<String>();
    for (var n = 0; n < items.size(); n++) {
      var number = items.get(n).number();
      var last = slipped && n == items.size() - 1;
      var form = way < 2 || last ? number : damage.wayOfWriting(number);
      references.add(last ? damage.slip(form) : form);
    }
    var join = BETWEEN.get(random.nextInt(slipped ? BETWEEN.size() - 1 : BETWEEN.size()));
    return ahead() + String.join(join, references);
  }

  private String ahead() {
    return AHEAD.get(random.nextInt(AHEAD.size()));
  }

  private String order(String order) {
    var figures = Damage.digits(order);
    return switch (random.nextInt(6)) {
      case 0 -> "ORDER " + figures;
      case 1 -> "P.O. NO. " + figures;
      case 2 -> "your order " + figures;
      case 3 -> figures;
      default -> order;
    };
  }

  /** Each number with its amount behind it. */
  private String stated(List<OpenItem> items, Truth truth, boolean slipped) {
    var lines =
        IntStream.range(0, items.size())
            .mapToObj(
                n -> {
                  var number = items.get(n).number();
                  var form = slipped && n == items.size() - 1 ? damage.slip(number) : number;
                  var part = truth.parts().get(n);
                  var minor = part.amount() - part.discount();
                  return form + " %d.%02d".formatted(minor / 100, minor % 100);
                })
            .toList();
    return ahead() + String.join(random.nextBoolean() ? " " : ", ", lines);
  }

  /** The first number whole, of the others only the figures that differ: 20441/52/68. */
  private static String shortened(List<OpenItem> items) {
    var first = Damage.withoutZeros(items.get(0).number());
    var text = new StringBuilder(first);
    for (var item : items.subList(1, items.size())) {
      var number = Damage.withoutZeros(item.number());
      var same = 0;
      while (same < Math.min(first.length(), number.length()) - 2
          && first.charAt(same) == number.charAt(same)) {
        same++;
      }
      text.append('/').append(first.length() == number.length() ? number.substring(same) : number);
    }
    return text.toString();
  }
}
