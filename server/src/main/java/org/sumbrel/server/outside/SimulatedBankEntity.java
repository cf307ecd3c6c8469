package org.sumbrel.server.outside;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.LocalDate;

/**
 * The simulated bank of a company: which account it keeps, how far its days are, how it behaves.
 */
@Entity
@Table(name = "simulated_bank")
class SimulatedBankEntity {

  @Id private Long companyId;
  private Long bankAccountId;
  private LocalDate lastDay;
  private long balanceMinor;
  private int sequenceNo;
  private boolean late;
  private boolean twice;
  private boolean offLine;
  private boolean wrongBalance;
  private boolean wrongCurrency;
  @Version private Long version;

  protected SimulatedBankEntity() {}

  SimulatedBankEntity(Long companyId) {
    this.companyId = companyId;
  }

  Long companyId() {
    return companyId;
  }

  /** The account it delivers for, or null while it is not connected. */
  Long bankAccountId() {
    return bankAccountId;
  }

  LocalDate day() {
    return lastDay;
  }

  long balanceMinor() {
    return balanceMinor;
  }

  int sequenceNo() {
    return sequenceNo;
  }

  Behaviour behaviour() {
    return new Behaviour(late, twice, offLine, wrongBalance, wrongCurrency);
  }

  void connect(Long account, LocalDate from, long balance) {
    bankAccountId = account;
    lastDay = from;
    balanceMinor = balance;
    sequenceNo = 0;
  }

  void disconnect() {
    bankAccountId = null;
  }

  void behave(Behaviour now) {
    late = now.late();
    twice = now.twice();
    offLine = now.offLine();
    wrongBalance = now.wrongBalance();
    wrongCurrency = now.wrongCurrency();
  }

  /** It has made the statement of one more day. */
  void made(LocalDate on, long balance) {
    lastDay = on;
    balanceMinor = balance;
    sequenceNo++;
  }
}
