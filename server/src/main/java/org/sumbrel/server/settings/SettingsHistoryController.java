package org.sumbrel.server.settings;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.server.companies.PolicyDecided;

/** Takes wrong changes of settings back. */
@RestController
@Tag(name = "settings")
class SettingsHistoryController {

  private final SettingsHistory history;
  private final ApplicationEventPublisher events;

  SettingsHistoryController(SettingsHistory history, ApplicationEventPublisher events) {
    this.history = history;
    this.events = events;
  }

  /** The event comes after what was taken back is written. */
  @PostMapping("/api/settings-history/{recordId}/reversal")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(
      summary =
          "Takes a change of a setting back, by its record in the audit trail, as long as nobody has changed it since")
  void takeBack(@PathVariable Long recordId) {
    var record = history.takeBack(recordId);
    if (record.what().equals("policy")) {
      events.publishEvent(new PolicyDecided(record.companyId()));
    }
  }
}
