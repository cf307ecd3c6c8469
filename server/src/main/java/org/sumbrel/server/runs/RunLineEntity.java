package org.sumbrel.server.runs;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.server.settle.RunPosting;

/** One draft of a run, as it was when the run was started, and what became of it. */
@Entity
@Table(name = "posting_run_line")
class RunLineEntity {

  /** What became of a line. */
  enum State {
    PENDING,
    POSTED,
    REFUSED
  }

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "posting_run_line_seq")
  @SequenceGenerator(
      name = "posting_run_line_seq",
      sequenceName = "posting_run_line_seq",
      allocationSize = 50)
  private Long id;

  private Long runId;
  private int position;
  private Long entryId;
  private String payer;
  private String currency;
  private long amountMinor;
  private boolean byHand;
  private String body;

  @Enumerated(EnumType.STRING)
  private State state;

  private Long settlementId;
  private String refusal;

  protected RunLineEntity() {}

  RunLineEntity(Long runId, int position, RunPosting.Prepared prepared) {
    this.runId = runId;
    this.position = position;
    this.entryId = prepared.entryId();
    this.payer = prepared.payer();
    this.currency = prepared.amount().getCurrencyUnit().getCode();
    this.amountMinor = prepared.amount().getAmountMinorLong();
    this.byHand = prepared.byHand();
    this.body = prepared.body();
    this.state = State.PENDING;
    if (prepared.refusal() != null) {
      refused(prepared.refusal());
    }
  }

  Long id() {
    return id;
  }

  int position() {
    return position;
  }

  Long entryId() {
    return entryId;
  }

  String payer() {
    return payer;
  }

  Money amount() {
    return Money.ofMinor(CurrencyUnit.of(currency), amountMinor);
  }

  RunPosting.Prepared prepared() {
    return new RunPosting.Prepared(entryId, payer, amount(), byHand, body, refusal);
  }

  State state() {
    return state;
  }

  Long settlementId() {
    return settlementId;
  }

  String refusal() {
    return refusal;
  }

  void posted(Long settlement) {
    state = State.POSTED;
    settlementId = settlement;
  }

  void refused(String reason) {
    state = State.REFUSED;
    refusal = reason.length() <= 1000 ? reason : reason.substring(0, 999) + "…";
  }
}
