package org.sumbrel.server.outside;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.LocalDate;

/** The simulated mail room of a company: how far its days are, how it behaves. */
@Entity
@Table(name = "simulated_mail_room")
class MailRoomEntity {

  @Id private Long companyId;
  private LocalDate lastDay;
  private boolean late;
  private boolean twice;
  private boolean offLine;
  private boolean wrongTotal;
  @Version private Long version;

  protected MailRoomEntity() {}

  MailRoomEntity(Long companyId, LocalDate lastDay) {
    this.companyId = companyId;
    this.lastDay = lastDay;
  }

  /** The last day of which it has made a file. */
  LocalDate day() {
    return lastDay;
  }

  MailRoomBehaviour behaviour() {
    return new MailRoomBehaviour(late, twice, offLine, wrongTotal);
  }

  void behave(MailRoomBehaviour now) {
    late = now.late();
    twice = now.twice();
    offLine = now.offLine();
    wrongTotal = now.wrongTotal();
  }

  void made(LocalDate day) {
    lastDay = day;
  }
}
