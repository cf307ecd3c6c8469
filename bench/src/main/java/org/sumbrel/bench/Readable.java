package org.sumbrel.bench;

import java.util.List;
import org.sumbrel.core.receivables.OpenItem;

/** Whether somebody who reads with care could tell what a payment pays. */
final class Readable {

  private final World world;

  Readable(World world) {
    this.world = world;
  }

  /**
   * In how many ways one, two or three of a customer's open items come to the amount, by trying
   * all; a settled item of this amount is one more, for it may be paid twice.
   */
  int ways(String customer, long amount) {
    var opens =
        world.open.get(customer).stream().mapToLong(i -> i.open().getAmountMinorLong()).toArray();
    var ways =
        (int)
            world.settled.get(customer).stream()
                .filter(i -> i.total().getAmountMinorLong() == amount)
                .count();
    for (var a = 0; a < opens.length; a++) {
      ways += opens[a] == amount ? 1 : 0;
      for (var b = a + 1; b < opens.length; b++) {
        ways += opens[a] + opens[b] == amount ? 1 : 0;
        for (var c = b + 1; c < opens.length; c++) {
          ways += opens[a] + opens[b] + opens[c] == amount ? 1 : 0;
        }
      }
    }
    return ways;
  }

  /** For the one customer whose items they are; where they are of several, nobody can tell. */
  int ways(Truth truth, long amount) {
    var owners =
        truth.parts().stream()
            .map(p -> world.byId.get(p.itemId()).customerId())
            .distinct()
            .toList();
    return owners.size() == 1 ? ways(owners.get(0), amount) : 2;
  }

  /**
   * Whether a text with a slip is nearer to the number that was meant than to any other number of
   * the payer's that could be meant with this amount.
   */
  boolean tellsApart(Truth truth, String text, List<OpenItem> named) {
    var meant = named.get(named.size() - 1);
    var figures = Damage.digits(text.replaceAll(".*[ ,+&](?=\\S*\\d)", "")).replaceAll("^0+", "");
    var distance = Damage.distance(figures, bare(meant));
    return world.open.get(meant.customerId()).stream()
        .filter(i -> named.stream().noneMatch(n -> n.id().equals(i.id())))
        .filter(i -> truth.adjustmentKind().equals("claim") || i.open().equals(meant.open()))
        .allMatch(i -> Damage.distance(figures, bare(i)) > distance);
  }

  private static String bare(OpenItem item) {
    return Damage.digits(item.number()).replaceAll("^0+", "");
  }
}
