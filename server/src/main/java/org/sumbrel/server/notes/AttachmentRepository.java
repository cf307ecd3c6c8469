package org.sumbrel.server.notes;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface AttachmentRepository extends JpaRepository<AttachmentEntity, Long> {

  /** What is known of a file without its content. */
  record Line(Long id, Long noteId, String name, String mediaType, long sizeBytes) {}

  @Query(
      "select new org.sumbrel.server.notes.AttachmentRepository$Line(a.id, a.noteId, a.name, a.mediaType, a.sizeBytes)"
          + " from AttachmentEntity a where a.noteId in :notes order by a.id")
  List<Line> of(Collection<Long> notes);

  long countByNoteId(Long noteId);
}
