package org.sumbrel.server.outside;

import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.lockbox.LockboxBatch;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.formats.lockbox.BaiLockboxWriter;
import org.sumbrel.server.SumbrelSettings;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.companies.BankAccountEntity;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.lockbox.MailRoomPictures;
import org.sumbrel.server.outside.MailRoomDay.Envelope;
import org.sumbrel.server.outside.SimulatedDeliveryEntity.Source;

/** The simulated mail room: opens the envelopes of a day, sends their file, shows the cheques. */
@Service
@Transactional
class SimulatedMailRoom implements MailRoomPictures {

  private static final int MOST_OWED = 80;
  private static final String BATCH = "001";

  /** What a mail room that miscounts claims too much, in minor units. */
  private static final long MISCOUNTED = 1_000;

  private final MailRoomRepository rooms;
  private final SimulatedDeliveryRepository deliveries;
  private final Envelopes envelopes;
  private final Companies companies;
  private final BankAccounts bankAccounts;
  private final OpenOutside open;
  private final SumbrelSettings settings;
  private final Clock clock;

  SimulatedMailRoom(
      MailRoomRepository rooms,
      SimulatedDeliveryRepository deliveries,
      Envelopes envelopes,
      Companies companies,
      BankAccounts bankAccounts,
      OpenOutside open,
      SumbrelSettings settings,
      Clock clock) {
    this.rooms = rooms;
    this.deliveries = deliveries;
    this.envelopes = envelopes;
    this.companies = companies;
    this.bankAccounts = bankAccounts;
    this.open = open;
    this.settings = settings;
    this.clock = clock;
  }

  /** The account on which the bank puts its cheques; empty where the company has no lockbox. */
  @Transactional(readOnly = true)
  Optional<BankAccountEntity> account(Long companyId) {
    return bankAccounts.of(companyId).stream().filter(a -> !a.lockbox().isEmpty()).findFirst();
  }

  MailRoomEntity of(Long companyId) {
    return rooms
        .findById(companyId)
        .orElseGet(() -> rooms.save(new MailRoomEntity(companyId, LocalDate.now(clock))));
  }

  void behave(Long companyId, MailRoomBehaviour behaviour) {
    of(companyId).behave(behaviour);
  }

  /** One working day goes by: the envelopes are opened, and their file lies ready. */
  void dayForward(Long companyId) {
    var account =
        account(companyId)
            .orElseThrow(() -> new BadRequest("No bank account of this company has a lockbox."));
    var room = of(companyId);
    var day = SimulatedBank.workingDayAfter(room.day());
    var currency = CurrencyUnit.of(account.currency());
    var opened = MailRoomDay.of(day, currency, companyId, open.of(companyId, currency, MOST_OWED));
    if (opened.isEmpty()) {
      throw new BadRequest("Nothing is open that a customer could pay by cheque.");
    }
    var behaviour = room.behaviour();
    var cheques = opened.stream().map(Envelope::cheque).toList();
    var total = MoneySum.of(currency, cheques, c -> c.amount());
    var batch =
        new LockboxBatch(
            BATCH,
            account.lockbox(),
            currency,
            Optional.of(day),
            Optional.of(cheques.size()),
            Optional.of(
                behaviour.wrongTotal() ? total.plus(Money.ofMinor(currency, MISCOUNTED)) : total),
            cheques);
    var text =
        BaiLockboxWriter.write(
            "SUMBREL", "SIMULATED", day.atTime(LocalTime.of(7, 30)), List.of(batch));
    var name = "simulated-lockbox-" + account.lockbox() + "-" + day;
    var ready = behaviour.late() ? SimulatedBank.workingDayAfter(day) : day;
    deliver(companyId, name + ".txt", day, ready, text);
    if (behaviour.twice()) {
      deliver(companyId, name + "-again.txt", day, ready, text);
    }
    envelopes.keep(
        companyId, account.lockbox(), day, BATCH, opened.stream().map(Envelope::seen).toList());
    room.made(day);
  }

  private void deliver(Long companyId, String name, LocalDate day, LocalDate ready, String text) {
    deliveries.save(
        new SimulatedDeliveryEntity(companyId, Source.MAIL_ROOM, name, day, ready, text));
  }

  /**
   * What can be fetched now.
   *
   * @throws Conflict where the mail room cannot be reached
   */
  List<SimulatedDeliveryEntity> ready(Long companyId) {
    requireReachable(companyId, "nothing was fetched");
    return deliveries.findByCompanyIdAndSourceAndFetchedAtIsNullAndReadyOnLessThanEqualOrderById(
        companyId, Source.MAIL_ROOM, of(companyId).day());
  }

  private void requireReachable(Long companyId, String then) {
    if (of(companyId).behaviour().offLine()) {
      throw new Conflict("OFF_LINE", "The simulated mail room cannot be reached; " + then + ".");
    }
  }

  @Override
  public Optional<String> of(Asked cheque) {
    if (!settings.demo().enabled()) {
      return Optional.empty();
    }
    requireReachable(cheque.company(), "there is no picture now");
    var seen =
        envelopes.of(
            cheque.company(),
            cheque.lockbox(),
            cheque.depositedOn(),
            cheque.batch(),
            cheque.item());
    return Optional.of(
        new ChequeDrawing(
                seen.map(Envelopes.Seen::drawer).orElse(cheque.drawer()),
                companies.company(cheque.company()).name(),
                cheque.depositedOn().minusDays(2),
                cheque.amount(),
                seen.map(Envelopes.Seen::memo).orElse(""),
                cheque.routing(),
                cheque.account(),
                cheque.number())
            .svg());
  }
}
