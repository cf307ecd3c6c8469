package org.sumbrel.server.notes;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.access.Users;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.desk.Entries;

/** Writes notes and questions, says who is asked, keeps files. */
@Service
@Transactional
class Notes {

  private static final int MOST = 200;
  private static final int MOST_FILES = 20;

  private final NoteRepository notes;
  private final AttachmentRepository files;
  private final Entries entries;
  private final Customers customers;
  private final Users users;
  private final Clock clock;

  Notes(
      NoteRepository notes,
      AttachmentRepository files,
      Entries entries,
      Customers customers,
      Users users,
      Clock clock) {
    this.notes = notes;
    this.files = files;
    this.entries = entries;
    this.customers = customers;
    this.users = users;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  List<NoteEntity> about(Subject subject) {
    return notes.findByAboutOrderById(subject.toString(), Limit.of(MOST));
  }

  /** Questions to somebody that are not done yet, oldest first. */
  @Transactional(readOnly = true)
  List<NoteEntity> asked(String user) {
    return notes.findByToUserAndDoneAtIsNullOrderById(user, Limit.of(MOST));
  }

  /**
   * Writes a note.
   *
   * @param to who is asked; null where nobody is
   */
  NoteEntity write(Subject about, String text, String to, Actor actor) {
    if (to != null && users.named(to).isEmpty()) {
      throw new BadRequest("Nobody is called \"" + to + "\" here.");
    }
    return notes.save(
        new NoteEntity(companyOf(about), about, text, to, actor.name(), clock.instant()));
  }

  /** A question is answered, by whoever was asked or whoever asked. */
  NoteEntity done(Long id, Actor actor) {
    var note = found(id);
    if (note.toUser() == null) {
      throw new BadRequest("This note asks nobody; there is nothing to be done.");
    }
    if (note.doneAt() != null) {
      throw new Conflict("ALREADY_DONE", note.doneBy() + " has marked this as done already.");
    }
    if (!actor.name().equals(note.toUser()) && !actor.name().equals(note.writtenBy())) {
      throw new AccessDeniedException(
          "This is asked of "
              + note.toUser()
              + "; he or "
              + note.writtenBy()
              + " marks it as done.");
    }
    note.done(actor.name(), clock.instant());
    return note;
  }

  AttachmentEntity attach(Long noteId, String given, byte[] content, Actor actor) {
    var note = found(noteId);
    if (!note.writtenBy().equals(actor.name())) {
      throw new AccessDeniedException("Only " + note.writtenBy() + " attaches files to this note.");
    }
    if (files.countByNoteId(noteId) >= MOST_FILES) {
      throw new BadRequest("A note has at most " + MOST_FILES + " attachments.");
    }
    var name = AttachedFile.plainName(given);
    return files.save(
        new AttachmentEntity(noteId, name, AttachedFile.check(name, content), content));
  }

  @Transactional(readOnly = true)
  AttachmentEntity file(Long id) {
    return files.findById(id).orElseThrow(() -> new NotThere("attachment", id));
  }

  @Transactional(readOnly = true)
  Map<Long, List<AttachmentRepository.Line>> filesOf(List<NoteEntity> some) {
    return files.of(some.stream().map(NoteEntity::id).toList()).stream()
        .collect(Collectors.groupingBy(AttachmentRepository.Line::noteId));
  }

  private NoteEntity found(Long id) {
    return notes.findById(id).orElseThrow(() -> new NotThere("note", id));
  }

  private Long companyOf(Subject about) {
    return switch (about.kind()) {
      case ENTRY -> entries.entry(about.id()).companyId();
      case ITEM -> customers.items(List.of(about.id())).get(about.id()).companyId();
      case CUSTOMER -> customers.companyOf(about.id());
    };
  }

  /** What something is called in a list of questions; its address where it is no longer there. */
  @Transactional(readOnly = true)
  String title(Subject about) {
    try {
      return switch (about.kind()) {
        case ENTRY -> {
          var entry = entries.entry(about.id());
          yield MoneyText.grouped(entry.amount())
              + " from "
              + entry.payerWords()
              + " on "
              + DayText.of(entry.bookedOn());
        }
        case ITEM -> customers.items(List.of(about.id())).get(about.id()).number();
        case CUSTOMER -> customers.names(List.of(about.id())).getOrDefault(about.id(), "");
      };
    } catch (NotThere gone) {
      return about + ", which is no longer there";
    }
  }
}
