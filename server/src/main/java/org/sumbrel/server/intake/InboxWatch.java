package org.sumbrel.server.intake;

import jakarta.annotation.PostConstruct;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Lazy;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.server.SumbrelSettings;
import org.sumbrel.server.audit.Acting;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.companies.CompanyView;
import org.sumbrel.server.desk.ProposalRenewal;

/**
 * Takes in what is put into the watched folder. The folder is the first company's; a folder in it
 * with another company's name is that one's.
 *
 * <p>Stopped at any moment, nothing is lost or counted twice: a claimed file is looked up by its
 * fingerprint at the next start, and taken in only where it did not come in before the stop.
 */
@Component
@Lazy(false)
class InboxWatch {

  /** Who takes in what the folder brings. */
  static final String BY = "inbox";

  private static final Logger LOG = LoggerFactory.getLogger(InboxWatch.class);

  private final SumbrelSettings settings;
  private final Companies companies;
  private final Intakes intakes;
  private final ProposalRenewal renewal;
  private final JdbcClient jdbc;
  private final Clock clock;
  private final List<Watched> watched = new ArrayList<>();

  InboxWatch(
      SumbrelSettings settings,
      Companies companies,
      Intakes intakes,
      ProposalRenewal renewal,
      JdbcClient jdbc,
      Clock clock) {
    this.settings = settings;
    this.companies = companies;
    this.intakes = intakes;
    this.renewal = renewal;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  private record Watched(Long companyId, Inbox inbox) {}

  /** A file that could not be taken in. */
  record SetApart(Long id, String fileName, String report, Instant at) {}

  boolean on() {
    return !settings.inbox().isBlank();
  }

  Path folder() {
    return Path.of(settings.inbox()).toAbsolutePath().normalize();
  }

  @PostConstruct
  void say() {
    if (on()) {
      LOG.info("Files put into {} are taken in.", folder());
    }
  }

  /** One look at the folder. */
  @Scheduled(fixedDelayString = "${sumbrel.inbox-every:2s}", initialDelayString = "2s")
  synchronized void look() {
    if (on()) {
      Acting.with(BY, "watched folder", this::takeWhatIsThere);
    }
  }

  private void takeWhatIsThere() {
    try {
      watchCompanies();
      for (var one : watched) {
        var brought = 0;
        for (var file : one.inbox().claimed()) {
          brought += take(one, file, true);
        }
        for (var file : one.inbox().claim(Instant.now())) {
          brought += take(one, file, false);
        }
        if (brought > 0) {
          renewal.after(one.companyId());
        }
      }
    } catch (IOException | RuntimeException e) {
      // the folder may be away for a while; the next look tries again
      LOG.warn("the watched folder {} could not be looked through: {}", folder(), e.toString());
    }
  }

  private void watchCompanies() throws IOException {
    var all = companies.all();
    for (var company : all.subList(watched.size(), all.size())) {
      var first = watched.isEmpty();
      var inbox = new Inbox(first ? folder() : folder().resolve(named(company)));
      inbox.open();
      watched.add(new Watched(company.id(), inbox));
    }
  }

  private static String named(CompanyView company) {
    return company.name().replaceAll("[^\\p{L}\\p{N} ._-]", "_");
  }

  private int take(Watched one, Path file, boolean afterAStop) throws IOException {
    var name = file.getFileName().toString();
    try {
      if (afterAStop && cameIn(one.companyId(), file)) {
        LOG.info("{} came in before the stop", name);
      } else {
        intakes.take(one.companyId(), name, bytes(file), "", null, BY);
      }
      one.inbox().done(file);
      return 1;
    } catch (BrokenFile broken) {
      var report = report(broken);
      var apart = one.inbox().setApart(file, report);
      jdbc.sql(
              "insert into set_apart (id, file_name, report, set_apart_at) values (next value for set_apart_seq, :name, :report, :at)")
          .param("name", folder().relativize(apart).toString())
          .param("report", report)
          .param("at", clock.instant().atOffset(ZoneOffset.UTC))
          .update();
      LOG.info("{} was set apart: {}", name, broken.getMessage());
      return 0;
    }
  }

  private boolean cameIn(Long companyId, Path file) {
    var packed = IntakeFiles.pack(bytes(file));
    try {
      return jdbc.sql(
                  "select count(*) from intake where company_id = :company and fingerprint = :fingerprint and taken_by = :by and taken_back_by is null")
              .param("company", companyId)
              .param("fingerprint", packed.fingerprint())
              .param("by", BY)
              .query(Long.class)
              .single()
          > 0;
    } finally {
      packed.delete();
    }
  }

  private static String report(BrokenFile broken) {
    var text = new StringBuilder("Nothing of this file was taken in.\n");
    broken
        .problems()
        .forEach(
            p ->
                text.append(p.line() > 0 ? "Line " + p.line() + ": " : "")
                    .append(p.message())
                    .append('\n'));
    return text.length() <= 20_000 ? text.toString() : text.substring(0, 20_000);
  }

  private static FileBytes bytes(Path file) {
    return new FileBytes() {
      @Override
      public long size() {
        try {
          return Files.size(file);
        } catch (IOException e) {
          throw new UncheckedIOException(e);
        }
      }

      @Override
      public InputStream open() throws IOException {
        return Files.newInputStream(file);
      }
    };
  }

  List<SetApart> setApart() {
    return jdbc.sql(
            "select id, file_name, report, set_apart_at from set_apart order by id desc limit 50")
        .query(
            (row, n) ->
                new SetApart(
                    row.getLong("id"),
                    row.getString("file_name"),
                    row.getString("report"),
                    row.getObject("set_apart_at", OffsetDateTime.class).toInstant()))
        .list();
  }

  /** Somebody has seen to it; the file and its report stay where they are. */
  void forget(Long id) {
    jdbc.sql("delete from set_apart where id = :id").param("id", id).update();
  }
}
