package org.sumbrel.server.find;

import java.time.Clock;
import java.time.LocalDate;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.sumbrel.core.find.SearchLine;
import org.sumbrel.server.companies.Companies;

/**
 * Reads what the search looks through into memory once the application is ready, behind the scenes:
 * with a hundred thousand items that takes as long as nobody would wait who searches first.
 */
@Component
class SearchInMemory {

  private static final Logger LOG = LoggerFactory.getLogger(SearchInMemory.class);
  private static final String ANYTHING = "0";

  private final Everything everything;
  private final Companies companies;
  private final Clock clock;

  SearchInMemory(Everything everything, Companies companies, Clock clock) {
    this.everything = everything;
    this.companies = companies;
    this.clock = clock;
  }

  @EventListener(ApplicationReadyEvent.class)
  void read() {
    var reading = new Thread(this::readAll, "search-in-memory");
    reading.setDaemon(true);
    reading.start();
  }

  private void readAll() {
    var begun = System.nanoTime();
    var line = SearchLine.read(ANYTHING, LocalDate.now(clock));
    try {
      for (var company : companies.all()) {
        everything.found(company.id(), line, ANYTHING);
      }
      LOG.info("Search in memory after {} ms", (System.nanoTime() - begun) / 1_000_000);
    } catch (DataAccessException e) {
      // whoever searches first reads it then
      LOG.warn("the search was not read into memory", e);
    }
  }
}
