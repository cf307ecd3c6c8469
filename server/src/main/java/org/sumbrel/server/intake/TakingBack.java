package org.sumbrel.server.intake;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.regex.Pattern;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.journal.JournalEntry;
import org.sumbrel.core.journal.Posting;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.Arrivals;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.journal.Journal;
import org.sumbrel.server.lockbox.Lockboxes;
import org.sumbrel.server.payouts.Payouts;
import org.sumbrel.server.remittance.Advices;

/**
 * Takes an intake back, as if its file had never come: only while nothing of it was posted and
 * nothing that came later counts on it. The file and who took it back stay on record.
 */
@Service
@Transactional
class TakingBack {

  private static final Pattern ITEM = Pattern.compile("\"itemId\":(\\d+)");

  private final IntakeRepository intakes;
  private final Arrivals arrivals;
  private final Advices advices;
  private final LeftOutRepository leftOut;
  private final Lockboxes lockboxes;
  private final Payouts payouts;
  private final Customers customers;
  private final Journal journal;
  private final Proposals proposals;
  private final JdbcClient jdbc;
  private final Clock clock;

  TakingBack(
      IntakeRepository intakes,
      Arrivals arrivals,
      Advices advices,
      LeftOutRepository leftOut,
      Lockboxes lockboxes,
      Payouts payouts,
      Customers customers,
      Journal journal,
      Proposals proposals,
      JdbcClient jdbc,
      Clock clock) {
    this.intakes = intakes;
    this.arrivals = arrivals;
    this.advices = advices;
    this.leftOut = leftOut;
    this.lockboxes = lockboxes;
    this.payouts = payouts;
    this.customers = customers;
    this.journal = journal;
    this.proposals = proposals;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /** Why an intake cannot be taken back, one sentence each; empty where it can. */
  @Transactional(readOnly = true)
  List<String> against(Long intakeId) {
    var against = new ArrayList<String>();
    counted(
        against,
        intakeId,
        """
        select count(*) from bank_entry e where e.intake_id = :intake
          and exists (select 1 from settlement s where s.entry_id = e.id)
        """,
        "entry of it was settled",
        "entries of it were settled");
    counted(
        against,
        intakeId,
        """
        select count(*) from bank_entry e where e.intake_id = :intake and exists (select 1 from returned_receipt r
          where r.entry_id = e.id or r.debit_id = e.id or r.fee_debit_id = e.id)
        """,
        "entry of it is part of a return",
        "entries of it are part of a return");
    counted(
        against,
        intakeId,
        """
        select count(*) from open_item i where i.intake_id = :intake
          and exists (select 1 from settlement_application a where a.item_id = i.id)
        """,
        "item of it was paid or set off",
        "items of it were paid or set off");
    counted(
        against,
        intakeId,
        "select count(*) from correction where intake_id = :intake and status = 'ACCEPTED'",
        "difference that it told was accepted",
        "differences that it told were accepted");
    counted(
        against,
        intakeId,
        "select count(*) from left_out where intake_id = :intake and status = 'PUT_RIGHT'",
        "line of it was put right; take that back first",
        "lines of it were put right; take those back first");
    counted(
        against,
        intakeId,
        """
        select count(*) from item_update where status = 'ACCEPTED'
          and (intake_id = :intake or item_id in (select id from open_item where intake_id = :intake))
        """,
        "update that it told or that is about an item of it was accepted",
        "updates that it told or that are about items of it were accepted");
    counted(
        against,
        intakeId,
        "select count(*) from bank_entry where announced_intake_id = :intake",
        "entry that it announced is booked by a later file; take that back first",
        "entries that it announced are booked by later files; take those back first");
    against.addAll(lockboxes.against(intakeId));
    against.addAll(payouts.against(intakeId));
    against.addAll(heldBy(intakeId));
    against.addAll(laterFiles(intakeId));
    return against;
  }

  private void counted(
      List<String> against, Long intakeId, String query, String one, String several) {
    long count = jdbc.sql(query).param("intake", intakeId).query(Long.class).single();
    if (count > 0) {
      against.add(count + " " + (count == 1 ? one : several) + ".");
    }
  }

  /** Who works on what it brought. */
  private List<String> heldBy(Long intakeId) {
    var items =
        new HashSet<>(
            jdbc.sql("select id from open_item where intake_id = :intake")
                .param("intake", intakeId)
                .query(Long.class)
                .list());
    var holders = new HashSet<String>();
    jdbc.sql(
            """
            select d.held_by, d.body, e.intake_id from draft d left join bank_entry e on e.id = d.entry_id
            where d.company_id = (select company_id from intake where id = :intake)
            """)
        .param("intake", intakeId)
        .query(
            row -> {
              var used =
                  ITEM.matcher(row.getString("body"))
                      .results()
                      .map(m -> Long.valueOf(m.group(1)))
                      .anyMatch(items::contains);
              if (used || intakeId.equals(row.getObject("intake_id", Long.class))) {
                holders.add(row.getString("held_by"));
              }
            });
    return holders.stream()
        .sorted()
        .map(name -> "A draft of " + name + "'s uses what it brought; let it go first.")
        .toList();
  }

  /** Later statements that know its entries: without them, money would be missing. */
  private List<String> laterFiles(Long intakeId) {
    return jdbc
        .sql(
            """
            select distinct i.id, i.file_name from statement t join intake i on i.id = t.intake_id
              join statement own on own.bank_account_id = t.bank_account_id and own.intake_id = :intake
            where i.id > :intake and t.known_credits_minor + t.known_debits_minor > 0
              and own.known_credits_minor + own.known_debits_minor < own.credits_minor + own.debits_minor
              and t.from_on <= own.until_on and t.until_on >= own.from_on
            order by i.id desc
            """)
        .param("intake", intakeId)
        .query((row, n) -> row.getString("file_name"))
        .list()
        .stream()
        .map(name -> name + " came later and counts on entries of these days; take it back first.")
        .toList();
  }

  /**
   * Takes it back.
   *
   * @return the company whose proposals are behind now
   * @throws Conflict where something of it was posted or is counted on
   */
  Long takeBack(Long intakeId, Actor actor) {
    var intake = intakes.findById(intakeId).orElseThrow(() -> new NotThere("intake", intakeId));
    if (intake.takenBackBy() != null) {
      throw new Conflict(
          "CHANGED_MEANWHILE",
          intake.takenBackBy() + " has taken " + intake.fileName() + " back already.");
    }
    var against = against(intakeId);
    if (!against.isEmpty()) {
      throw new Conflict(
          "COUNTED_ON", intake.fileName() + " cannot be taken back. " + String.join(" ", against));
    }
    intake.takeBack(actor.name(), clock.instant());
    intakes.saveAndFlush(intake);
    proposals.startAnew(intake.companyId());
    jdbc.sql(
            """
            delete from correction where intake_id = :intake
              or entry_id in (select id from bank_entry where intake_id = :intake)
            """)
        .param("intake", intakeId)
        .update();
    jdbc.sql(
            """
            delete from intake_known where intake_id = :intake
              or kind = 'ENTRY' and record_id in (select id from bank_entry where intake_id = :intake)
              or kind = 'ITEM' and record_id in (select id from open_item where intake_id = :intake)
            """)
        .param("intake", intakeId)
        .update();
    leftOut.deleteByIntakeId(intakeId);
    leftOut.findByBecameIntakeId(intakeId).forEach(LeftOutEntity::waitsAgain);
    leftOut.flush();
    jdbc.sql(
            """
            delete from item_update where intake_id = :intake
              or item_id in (select id from open_item where intake_id = :intake)
            """)
        .param("intake", intakeId)
        .update();
    lockboxes.takeBack(intakeId, actor);
    payouts.takeBack(intakeId);
    advices.untieFrom(
        jdbc.sql("select id from bank_entry where intake_id = :intake")
            .param("intake", intakeId)
            .query(Long.class)
            .list());
    advices.removeAllOf(intakeId);
    arrivals.remove(intakeId);
    jdbc.sql("delete from statement where intake_id = :intake").param("intake", intakeId).update();
    mirror(intake, actor);
    customers.remove(intakeId);
    return intake.companyId();
  }

  /** What is written stays written: each item's entry is followed by its mirror. */
  private void mirror(IntakeEntity intake, Actor actor) {
    var mirrors = new ArrayList<JournalEntry>();
    var books = journal.books(intake.companyId());
    for (var item : customers.itemsOfIntake(intake.id())) {
      Posting.entryFor(item.toItem(), item.tax())
          .map(e -> item.asInBooks(e, books))
          .map(e -> e.mirrored(LocalDate.now(clock), text(item, intake)))
          .ifPresent(mirrors::add);
    }
    journal.writeAll(mirrors, actor.name());
  }

  private static String text(OpenItemEntity item, IntakeEntity intake) {
    return item.number() + " taken back with " + intake.fileName();
  }
}
