package org.sumbrel.server.check;

import java.io.PrintStream;
import java.util.Locale;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/**
 * Checks a data folder from the command line, before anything else would begin, prints what it
 * looked at and ends: 0 where every rule holds, 1 where one is broken.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
@ConditionalOnProperty("sumbrel.check")
class CheckCommand implements ApplicationRunner {

  private final BooksCheck check;

  CheckCommand(BooksCheck check) {
    this.check = check;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    System.exit(print(System.out) ? 0 : 1);
  }

  /** Prints every rule with how many things it is about, and what breaks it. */
  boolean print(PrintStream out) {
    var broken = 0;
    var all = check.all();
    for (var one : all) {
      out.printf(
          Locale.ROOT,
          "%-7s %8d  %s%n",
          one.holds() ? "holds" : "BROKEN",
          one.looked(),
          one.rule());
      one.broken().forEach(fault -> out.println("                  " + fault));
      broken += one.holds() ? 0 : 1;
    }
    out.println(
        broken == 0
            ? "All " + all.size() + " rules hold."
            : broken + " of " + all.size() + " rules are broken.");
    return broken == 0;
  }
}
