package org.sumbrel.server.notes;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface NoteRepository extends JpaRepository<NoteEntity, Long> {

  List<NoteEntity> findByAboutOrderById(String about, Limit limit);

  List<NoteEntity> findByToUserAndDoneAtIsNullOrderById(String toUser, Limit limit);

  /** How many notes stand on something, and how many of them are open questions. */
  record Mark(String about, long notes, long questions) {}

  @Query(
      """
      select new org.sumbrel.server.notes.NoteRepository$Mark(n.about, count(n),
        sum(case when n.toUser is not null and n.doneAt is null then 1L else 0L end))
      from NoteEntity n where n.companyId = :company group by n.about order by max(n.id) desc
      """)
  List<Mark> marks(Long company, Limit limit);
}
