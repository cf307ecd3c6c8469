package org.sumbrel.server.rates;

import java.time.LocalDate;
import java.util.List;
import org.sumbrel.core.exchange.RateTable.Quote;

/** A service that publishes rates for each day of trade. */
public interface DailyRates {

  /** Its name, for a sentence. */
  String name();

  /**
   * What it has published for a day; empty on days without trade and where nothing is published
   * yet.
   *
   * @throws Unreachable where it does not answer
   */
  List<Quote> of(LocalDate day) throws Unreachable;

  /** The service does not answer. */
  final class Unreachable extends Exception {
    private static final long serialVersionUID = 1L;

    public Unreachable(String sentence) {
      super(sentence);
    }
  }
}
