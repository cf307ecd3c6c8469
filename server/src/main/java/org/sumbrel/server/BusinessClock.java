package org.sumbrel.server;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/**
 * The clock everything goes by. With a fixed business date it shows that day at the real time of
 * day.
 */
@Configuration(proxyBeanMethods = false)
class BusinessClock {

  @Bean
  Clock clock(SumbrelSettings settings) {
    return settings.businessDate().isBlank()
        ? Clock.systemDefaultZone()
        : new FixedDay(LocalDate.parse(settings.businessDate()), ZoneOffset.UTC);
  }

  private static final class FixedDay extends Clock {
    private final LocalDate day;
    private final ZoneId zone;

    FixedDay(LocalDate day, ZoneId zone) {
      this.day = day;
      this.zone = zone;
    }

    @Override
    public ZoneId getZone() {
      return zone;
    }

    @Override
    public Clock withZone(ZoneId other) {
      return new FixedDay(day, other);
    }

    @Override
    public Instant instant() {
      return day.atTime(LocalTime.now(zone)).atZone(zone).toInstant();
    }
  }
}
