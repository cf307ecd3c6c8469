package org.sumbrel.server.settle;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Clock;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.access.Membership;
import org.sumbrel.server.access.Role;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.Entries;

/**
 * Keeps drafts as they grow, each held by one person at a time, and passes them between clerk and
 * supervisor. No balance moves by any of it.
 */
@Service
@Transactional
class HeldDrafts {

  private static final DateTimeFormatter TIME =
      DateTimeFormatter.ofPattern("HH:mm").withZone(ZoneOffset.UTC);

  private final DraftRepository drafts;
  private final Entries entries;
  private final Customers customers;
  private final ObjectMapper json;
  private final Clock clock;

  HeldDrafts(
      DraftRepository drafts,
      Entries entries,
      Customers customers,
      ObjectMapper json,
      Clock clock) {
    this.drafts = drafts;
    this.entries = entries;
    this.customers = customers;
    this.json = json;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  Optional<DraftEntity> about(DraftSubject subject) {
    return drafts.about(subject);
  }

  @Transactional(readOnly = true)
  List<DraftEntity> of(Long companyId) {
    return drafts.findByCompanyIdOrderById(companyId);
  }

  /**
   * Keeps what a hand has made of a draft so far.
   *
   * @param seen the version the hand worked on; null where it began anew
   * @throws Conflict where another holds it, or it has changed in another window
   */
  DraftEntity keep(DraftSubject subject, PostSettlement draft, Long seen, Actor actor) {
    if (!subject.equals(DraftSubject.of(draft))) {
      throw new BadRequest("The draft is not about " + subject + ".");
    }
    var kept =
        drafts
            .about(subject)
            .orElseGet(
                () -> new DraftEntity(companyOf(subject), subject, actor.name(), clock.instant()));
    requireHolder(kept, actor);
    if (seen != null && seen != kept.version()) {
      throw new Conflict(
          "STALE", "This draft has changed in another window. Look again; nothing was lost there.");
    }
    kept.becomes(write(draft));
    return drafts.saveAndFlush(kept);
  }

  void discard(DraftSubject subject, Actor actor) {
    drafts
        .about(subject)
        .ifPresent(
            kept -> {
              requireHolder(kept, actor);
              drafts.delete(kept);
            });
  }

  /**
   * Whoever takes over holds it from now on, with all that was typed; he works in each company of
   * which it has items.
   */
  DraftEntity takeOver(DraftSubject subject, Actor actor) {
    var kept = found(subject);
    var draft = read(kept);
    companies(draft).values().forEach(Membership.current()::require);
    kept.takenOver(actor.name(), clock.instant());
    return drafts.saveAndFlush(kept);
  }

  DraftEntity handOver(DraftSubject subject, String note, Actor actor) {
    var kept = found(subject);
    requireHolder(kept, actor);
    kept.handed(note);
    return drafts.saveAndFlush(kept);
  }

  DraftEntity handBack(DraftSubject subject, String note, Actor actor) {
    var kept = forApproval(subject, actor);
    kept.returned(note, actor.name());
    return drafts.saveAndFlush(kept);
  }

  /**
   * A draft that the actor may approve or hand back.
   *
   * @throws AccessDeniedException where he is no supervisor, or it is his own
   */
  DraftEntity forApproval(DraftSubject subject, Actor actor) {
    var kept = found(subject);
    if (kept.state() != DraftEntity.State.HANDED) {
      throw new Conflict("CHANGED_MEANWHILE", "This draft does not wait for approval any more.");
    }
    if (actor.role() != Role.SUPERVISOR) {
      throw new AccessDeniedException("Only a supervisor approves drafts.");
    }
    if (kept.heldBy().equals(actor.name())) {
      throw new AccessDeniedException("Nobody approves his own draft; ask another supervisor.");
    }
    return kept;
  }

  /** What is kept about each of these, where something is. */
  @Transactional(readOnly = true)
  Map<DraftSubject, DraftEntity> about(Collection<DraftSubject> subjects) {
    return drafts
        .about(
            subjects.stream().map(DraftSubject::entryId).filter(Objects::nonNull).toList(),
            subjects.stream().map(DraftSubject::accountOf).filter(Objects::nonNull).toList())
        .stream()
        .collect(Collectors.toMap(DraftEntity::subject, Function.identity()));
  }

  void done(DraftEntity kept) {
    drafts.delete(kept);
  }

  /** A run could not post it: it stays a draft of whoever started the run, with the reason. */
  void refused(PostSettlement draft, Actor actor, String reason) {
    var subject = DraftSubject.of(draft);
    var kept =
        drafts
            .about(subject)
            .orElseGet(
                () -> new DraftEntity(companyOf(subject), subject, actor.name(), clock.instant()));
    if (kept.heldBy().equals(actor.name())) {
      kept.refused(write(draft), reason);
      drafts.save(kept);
    }
  }

  PostSettlement read(DraftEntity kept) {
    return parsed(kept.body());
  }

  /**
   * A draft as whoever asks may see it: without the items of companies in which he does not work.
   */
  @Transactional(readOnly = true)
  PostSettlement seen(DraftEntity kept) {
    var draft = read(kept);
    var who = Membership.current();
    if (who.everywhere()) {
      return draft;
    }
    var companies = companies(draft);
    return draft.with(
        draft.applications().stream()
            .filter(a -> Optional.ofNullable(companies.get(a.itemId())).map(who::in).orElse(true))
            .toList(),
        draft.adjustments().stream()
            .filter(d -> d.companyId() == null || who.in(d.companyId()))
            .toList());
  }

  /** The companies of its items, those of them that are still there. */
  private Map<Long, Long> companies(PostSettlement draft) {
    var ids = draft.applications().stream().map(PostSettlement.AppliedItem::itemId).toList();
    return customers.itemsLeft(ids).values().stream()
        .collect(Collectors.toMap(OpenItemEntity::id, OpenItemEntity::companyId));
  }

  /** A draft as it was written. */
  PostSettlement parsed(String body) {
    try {
      return json.readValue(body, PostSettlement.class);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a kept draft cannot be read", e);
    }
  }

  /** A draft as it is kept. */
  String write(PostSettlement draft) {
    try {
      return json.writeValueAsString(draft);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a draft cannot be kept", e);
    }
  }

  private DraftEntity found(DraftSubject subject) {
    return drafts.about(subject).orElseThrow(() -> new NotThere("draft", subject));
  }

  private Long companyOf(DraftSubject subject) {
    return subject.entryId() == null
        ? customers.companyOf(subject.accountOf())
        : entries.entry(subject.entryId()).companyId();
  }

  /** Refuses to go on where another works on it. */
  static void requireHolder(DraftEntity kept, Actor actor) {
    if (!kept.heldBy().equals(actor.name())) {
      throw new Conflict(
          "HELD",
          kept.heldBy()
              + " works on this since "
              + TIME.format(kept.heldSince())
              + ". Take it over first; nothing was changed.");
    }
  }
}
