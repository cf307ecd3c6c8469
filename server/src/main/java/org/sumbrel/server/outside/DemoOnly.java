package org.sumbrel.server.outside;

import org.springframework.stereotype.Component;
import org.sumbrel.server.SumbrelSettings;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.companies.Companies;

/** Keeps what is simulated to the demonstration: beside real money nothing made up may come in. */
@Component
class DemoOnly {

  private final Companies companies;
  private final SumbrelSettings settings;

  DemoOnly(Companies companies, SumbrelSettings settings) {
    this.companies = companies;
    this.settings = settings;
  }

  /**
   * The company whose simulated outside is asked for.
   *
   * @param standIn what is asked for, as it is spoken of
   * @throws NotThere outside the demonstration
   */
  Long companyOf(Long company, String standIn) {
    if (!settings.demo().enabled()) {
      throw new NotThere(standIn, "outside the demonstration");
    }
    return companies.idOf(company);
  }
}
