package org.sumbrel.server.remittance;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.receivables.RemittanceAdvice;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;

/** Remittance advice, for the other subjects. */
@Service
@Transactional
public class Advices {

  /** The latest that are looked at for money that came now. */
  private static final int MOST_LOOSE = 500;

  private final RemittanceAdviceRepository advices;
  private final Clock clock;

  Advices(RemittanceAdviceRepository advices, Clock clock) {
    this.advices = advices;
    this.clock = clock;
  }

  /**
   * An advice as it is kept.
   *
   * @param day of the payment, or on which it came where it says none
   * @param entryId the money it is about, or null
   */
  public record Kept(
      Long id,
      Long companyId,
      Long intakeId,
      LocalDate day,
      Long entryId,
      TiedBy tiedBy,
      RemittanceAdvice advice) {

    static Kept of(RemittanceAdviceEntity row) {
      return new Kept(
          row.id(),
          row.companyId(),
          row.intakeId(),
          row.day(),
          row.entryId(),
          row.tiedBy(),
          row.toAdvice());
    }
  }

  public void add(Long companyId, Long intakeId, List<RemittanceAdvice> fresh) {
    var today = LocalDate.now(clock);
    advices.saveAllAndFlush(
        fresh.stream()
            .map(a -> new RemittanceAdviceEntity(companyId, intakeId, a, today))
            .toList());
  }

  /** Keeps what came together with its money: each advice by the entry that it is about. */
  public void addTied(Long companyId, Long intakeId, Map<Long, RemittanceAdvice> byEntry) {
    var today = LocalDate.now(clock);
    var rows = new ArrayList<RemittanceAdviceEntity>();
    byEntry.forEach(
        (entry, advice) -> {
          var row = new RemittanceAdviceEntity(companyId, intakeId, advice, today);
          row.tie(entry, TiedBy.FILE);
          rows.add(row);
        });
    advices.saveAll(rows);
  }

  /** Those that no money is known of yet, the latest first. */
  @Transactional(readOnly = true)
  public List<Kept> loose(Long companyId) {
    return advices
        .findByCompanyIdAndEntryIdIsNullOrderByIdDesc(companyId, Limit.of(MOST_LOOSE))
        .stream()
        .map(Kept::of)
        .toList();
  }

  /** What payers said of the company's money, by the entry's id. */
  @Transactional(readOnly = true)
  public Map<Long, Kept> tied(Long companyId) {
    return byEntry(advices.tied(companyId));
  }

  /** Those of these that are still there and the company's. */
  @Transactional(readOnly = true)
  public List<Kept> some(Long companyId, Collection<Long> ids) {
    return advices.findAllById(ids).stream()
        .map(Kept::of)
        .filter(kept -> kept.companyId().equals(companyId))
        .toList();
  }

  /** Which of these entries an advice is tied to. */
  @Transactional(readOnly = true)
  public Map<Long, Kept> of(Collection<Long> entries) {
    return entries.isEmpty() ? Map.of() : byEntry(advices.findByEntryIdIn(entries));
  }

  private static Map<Long, Kept> byEntry(List<RemittanceAdviceEntity> rows) {
    return rows.stream()
        .collect(Collectors.toMap(RemittanceAdviceEntity::entryId, Kept::of, (a, b) -> a));
  }

  @Transactional(readOnly = true)
  public Kept one(Long id) {
    return Kept.of(row(id));
  }

  /** Whether the company knows this advice: the same trace, day, total and items. */
  @Transactional(readOnly = true)
  public boolean knows(Long companyId, RemittanceAdvice advice) {
    return advices.findByCompanyIdAndTrace(companyId, advice.trace()).stream()
        .map(RemittanceAdviceEntity::toAdvice)
        .anyMatch(advice::equals);
  }

  private RemittanceAdviceEntity row(Long id) {
    return advices.findById(id).orElseThrow(() -> new NotThere("remittance advice", id));
  }

  /**
   * Says which money it is about.
   *
   * @throws Conflict where another advice is about that money
   */
  public void tie(Long id, Long entryId, TiedBy by) {
    var other = advices.findByEntryId(entryId).filter(a -> !a.id().equals(id));
    if (other.isPresent()) {
      throw new Conflict(
          "TIED", "Another remittance advice is tied to this money; untie that one first.");
    }
    row(id).tie(entryId, by);
    advices.flush();
  }

  /**
   * It is not about that money after all.
   *
   * @throws Conflict where it came with that money
   */
  public void untie(Long id) {
    if (row(id).tiedBy() == TiedBy.FILE) {
      throw new Conflict(
          "CAME_TOGETHER",
          "This is what the slip in the cheque's envelope says; it belongs to no other money.");
    }
    row(id).untie();
  }

  /** Takes out what an intake brought. */
  public void removeAllOf(Long intakeId) {
    advices.removeAllOf(intakeId);
  }

  /** The entries are gone; what is said of them waits for its money again. */
  public void untieFrom(Collection<Long> entries) {
    if (!entries.isEmpty()) {
      advices.untie(entries);
    }
  }

  /** Of an entry, where there is one. */
  @Transactional(readOnly = true)
  public Optional<Kept> of(Long entryId) {
    return advices.findByEntryId(entryId).map(Kept::of);
  }
}
