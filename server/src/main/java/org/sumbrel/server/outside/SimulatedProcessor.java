package org.sumbrel.server.outside;

import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;
import java.util.List;
import java.util.Locale;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.outside.SimulatedDeliveryEntity.Source;

/**
 * The simulated card processor: pays out each Friday, and sends the file of it. The simulated bank
 * credits what it sent a working day later, whether or not the file has come.
 */
@Service
@Transactional
class SimulatedProcessor {

  private static final int MOST_OWED = 60;

  /** What a processor that cannot add claims too much, in minor units. */
  private static final long WRONG_BY = 1_000;

  private final SimulatedProcessorRepository processors;
  private final SimulatedDeliveryRepository deliveries;
  private final Companies companies;
  private final OpenOutside open;
  private final JdbcClient jdbc;
  private final Clock clock;

  SimulatedProcessor(
      SimulatedProcessorRepository processors,
      SimulatedDeliveryRepository deliveries,
      Companies companies,
      OpenOutside open,
      JdbcClient jdbc,
      Clock clock) {
    this.processors = processors;
    this.deliveries = deliveries;
    this.companies = companies;
    this.open = open;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  SimulatedProcessorEntity of(Long companyId) {
    return processors
        .findById(companyId)
        .orElseGet(
            () -> processors.save(new SimulatedProcessorEntity(companyId, LocalDate.now(clock))));
  }

  void behave(Long companyId, ProcessorBehaviour behaviour) {
    of(companyId).behave(behaviour);
  }

  /** A week goes by: the payout of the next Friday is sent, and its file lies ready. */
  void weekForward(Long companyId) {
    var processor = of(companyId);
    var sentOn = processor.day().with(TemporalAdjusters.next(DayOfWeek.FRIDAY));
    var first = processor.firstDay().with(TemporalAdjusters.next(DayOfWeek.FRIDAY));
    var currency = CurrencyUnit.of(companies.company(companyId).currency());
    var behaviour = processor.behaviour();
    var file =
        ProcessorWeek.of(
            sentOn,
            first,
            currency,
            companyId,
            open.of(companyId, currency, MOST_OWED),
            behaviour.unknownType());
    var text = behaviour.wrongTotal() ? file.textClaiming(WRONG_BY) : file.text();
    var name = "simulated-payout-" + ProcessorWeek.number(sentOn);
    var ready = behaviour.late() ? sentOn.plusWeeks(1) : sentOn;
    deliver(companyId, name + ".csv", sentOn, ready, text);
    if (behaviour.twice()) {
      deliver(companyId, name + "-again.csv", sentOn, ready, text);
    }
    send(companyId, currency, sentOn, file.net());
    processor.paidOut(sentOn);
  }

  private void deliver(Long companyId, String name, LocalDate sent, LocalDate ready, String text) {
    deliveries.save(
        new SimulatedDeliveryEntity(companyId, Source.PROCESSOR, name, sent, ready, text));
  }

  /** The money is on its way to the bank; where nothing is left of the week, none is. */
  private void send(Long companyId, CurrencyUnit currency, LocalDate sentOn, long net) {
    if (net <= 0) {
      return;
    }
    var name = ProcessorFile.NAME.toUpperCase(Locale.ROOT);
    jdbc.sql(
            """
            insert into simulated_payout (company_id, number, currency, sent_on, net_minor, payer, words)
            values (:company, :number, :currency, :sent, :net, :payer, :words)
            """)
        .param("company", companyId)
        .param("number", ProcessorWeek.number(sentOn))
        .param("currency", currency.getCode())
        .param("sent", sentOn)
        .param("net", net)
        .param("payer", name + " PAYOUTS")
        .param("words", "SETTLEMENT " + ProcessorWeek.number(sentOn))
        .update();
  }

  /**
   * What can be fetched now.
   *
   * @throws Conflict where the processor cannot be reached
   */
  List<SimulatedDeliveryEntity> ready(Long companyId) {
    var processor = of(companyId);
    if (processor.behaviour().offLine()) {
      throw new Conflict(
          "OFF_LINE", "The simulated processor cannot be reached; nothing was fetched.");
    }
    return deliveries.findByCompanyIdAndSourceAndFetchedAtIsNullAndReadyOnLessThanEqualOrderById(
        companyId, Source.PROCESSOR, processor.day());
  }
}
