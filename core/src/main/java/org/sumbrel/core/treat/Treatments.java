package org.sumbrel.core.treat;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.treat.Treatment.Way;

/** All treatments of a company, in their order. */
public final class Treatments {

  private final List<Treatment> inOrder;

  /** Those that are on, by their places; of two in one place the one of the smaller name first. */
  public Treatments(List<Treatment> all) {
    inOrder =
        all.stream()
            .filter(Treatment::on)
            .sorted(Comparator.comparingInt(Treatment::place).thenComparing(Treatment::name))
            .toList();
  }

  /**
   * What is done with an entry.
   *
   * @param way how far it goes
   * @param why in a sentence, where it does not go as far as the treatment would; else empty
   */
  public record Verdict(Treatment treatment, Way way, String why) {}

  /**
   * What is done with an entry: by the first treatment that fits it. One beyond the cap is not
   * taken, and none of whoever has something open is taken without asking.
   *
   * @param opened what whoever sent it has open, as a sentence says it; empty where nothing is open
   *     or nobody is known to have sent it
   */
  public Optional<Verdict> of(Treatable entry, String opened) {
    return inOrder.stream()
        .filter(t -> t.condition().fits(entry))
        .findFirst()
        .map(
            t -> {
              if (!t.withinCap(entry.amount())) {
                return new Verdict(
                    t,
                    Way.SUGGESTS,
                    MoneyText.grouped(entry.amount().abs())
                        + " is beyond the cap of "
                        + MoneyText.grouped(t.cap())
                        + " of \""
                        + t.name()
                        + "\".");
              }
              return opened.isEmpty()
                  ? new Verdict(t, t.way(), "")
                  : new Verdict(t, Way.SUGGESTS, opened + " It may pay that.");
            });
  }
}
