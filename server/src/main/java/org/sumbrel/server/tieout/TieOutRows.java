package org.sumbrel.server.tieout;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.tieout.Compared;
import org.sumbrel.core.tieout.Compared.KnownBy;
import org.sumbrel.core.tieout.GapLeads.Figure;
import org.sumbrel.core.tieout.GapLeads.Place;
import org.sumbrel.core.tieout.TieOut.Kind;
import org.sumbrel.core.tieout.TieOut.Way;
import org.sumbrel.server.companies.BankAccountEntity;

/**
 * Reads what the bank told of an account and what the journal has on it, and puts both together
 * thing by thing: an entry, a deposit, a refund, a return. Every line of the journal that belongs
 * to none of these is left over and makes a gap.
 */
@Component
@Transactional(readOnly = true)
class TieOutRows {

  private static final int LONGEST_WORDS = 90;

  private final JdbcClient jdbc;

  TieOutRows(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * An account at the end of a day.
   *
   * @param books what the journal says stands there
   * @param compared everything of which bank or books know
   * @param twice what the books have beside the opening balance, which has it already
   * @param figures those that may be wrong where there is a gap
   */
  record Read(Money books, List<Compared> compared, List<Way> twice, List<Figure> figures) {}

  /** One thing, while it is put together; amounts in minor units. */
  private static final class Thing {
    private final KnownBy knownBy;
    private final String id;
    private final LocalDate on;
    private final String words;
    private boolean inOpening;
    private long bankThen;
    private long bankNow;
    private long booksThen;
    private long booksNow;

    Thing(KnownBy knownBy, String id, LocalDate on, String words) {
      this.knownBy = knownBy;
      this.id = id;
      this.on = on;
      this.words = words;
    }

    void bank(long minor, boolean then) {
      bankNow += minor;
      bankThen += then ? minor : 0;
    }

    void books(long minor, boolean then) {
      booksNow += minor;
      booksThen += then ? minor : 0;
    }

    Compared compared(CurrencyUnit currency) {
      return new Compared(
          knownBy,
          id,
          on,
          words,
          Money.ofMinor(currency, bankThen),
          Money.ofMinor(currency, booksThen),
          bankNow == booksNow);
    }
  }

  /**
   * @param since figures before this day are in no doubt any more
   */
  Read read(BankAccountEntity account, LocalDate asOf, LocalDate since) {
    var currency = CurrencyUnit.of(account.currency());
    var things = new LinkedHashMap<String, Thing>();
    var of = new HashMap<Long, Thing>();
    var figures = new ArrayList<Figure>();
    entries(account, asOf, since, things, figures);
    returns(account, things, of);
    settlements(account, things, of);
    deposits(account, asOf, things, of);
    refunds(account, asOf, things, of);
    var books = journal(account, asOf, since, things, of, figures);
    var waiting =
        things.values().stream()
            .filter(t -> t.bankNow != t.booksNow)
            .map(t -> t.id)
            .collect(Collectors.toSet());
    return new Read(
        Money.ofMinor(currency, books),
        // a return stands under each of its entries
        things.values().stream()
            .distinct()
            .filter(t -> !t.inOpening)
            .map(t -> t.compared(currency))
            .toList(),
        things.values().stream()
            .distinct()
            .filter(t -> t.inOpening && t.bankThen != t.booksThen)
            .map(
                t ->
                    new Way(
                        Kind.BOOK_ERROR,
                        t.id,
                        t.on,
                        t.words + ", which the opening balance has already",
                        Money.ofMinor(currency, t.bankThen - t.booksThen)))
            .toList(),
        figures.stream()
            .map(
                f ->
                    f.place() == Place.EXPLAINED && waiting.contains(f.id())
                        ? new Figure(Place.WAITING, f.id(), f.on(), f.words(), f.amount())
                        : f)
            .toList());
  }

  private static String entryId(long id) {
    return "entry-" + id;
  }

  private void entries(
      BankAccountEntity account,
      LocalDate asOf,
      LocalDate since,
      Map<String, Thing> things,
      List<Figure> figures) {
    var currency = CurrencyUnit.of(account.currency());
    jdbc.sql(
            """
            select e.id, e.booked_on, e.amount_minor, e.status, e.payer_name, substring(e.remittance, 1, 90) as remittance
            from bank_entry e where e.bank_account_id = :account order by e.booked_on, e.id
            """)
        .param("account", account.id())
        .query(
            row -> {
              var on = row.getObject("booked_on", LocalDate.class);
              var words = words(row.getString("payer_name"), row.getString("remittance"));
              var minor = row.getLong("amount_minor");
              var id = entryId(row.getLong("id"));
              var status = row.getString("status");
              var counted = !status.equals("PENDING") && !status.equals("WITHDRAWN");
              if (account.openingOn() != null && !on.isAfter(account.openingOn())) {
                // the opening balance has it: the books should not have it once more
                var thing = new Thing(KnownBy.BANK, id, on, words);
                thing.inOpening = true;
                things.put(id, thing);
                return;
              }
              if (counted) {
                var thing = new Thing(KnownBy.BANK, id, on, words);
                thing.bank(minor, !on.isAfter(asOf));
                things.put(id, thing);
              }
              if (!on.isAfter(asOf) && !on.isBefore(since)) {
                figures.add(
                    new Figure(
                        counted ? Place.EXPLAINED : Place.UNCOUNTED,
                        id,
                        on,
                        words,
                        Money.ofMinor(currency, minor)));
              }
            });
  }

  private static String words(String payer, String remittance) {
    var both = (payer + " " + remittance).strip();
    return both.isEmpty()
        ? "Nobody named"
        : both.length() <= LONGEST_WORDS ? both : both.substring(0, LONGEST_WORDS - 1) + "…";
  }

  /** What the bank took back, the money and its return, is one thing: together they are nothing. */
  private void returns(BankAccountEntity account, Map<String, Thing> things, Map<Long, Thing> of) {
    jdbc.sql(
            """
            select r.entry_id, r.debit_id, r.fee_debit_id, r.journal_entry_id, r.fee_journal_entry_id
            from returned_receipt r join bank_entry e on e.id = r.debit_id where e.bank_account_id = :account
            """)
        .param("account", account.id())
        .query(
            row -> {
              var debit = things.get(entryId(row.getLong("debit_id")));
              if (debit == null) {
                return;
              }
              for (var member : List.of("entry_id", "fee_debit_id")) {
                var other = things.put(entryId(row.getLong(member)), debit);
                if (other == null) {
                  // a receipt of the pouch, which is no entry of this account
                  things.remove(entryId(row.getLong(member)));
                } else if (other != debit) {
                  debit.bankThen += other.bankThen;
                  debit.bankNow += other.bankNow;
                }
              }
              put(of, row.getObject("journal_entry_id", Long.class), debit);
              put(of, row.getObject("fee_journal_entry_id", Long.class), debit);
            });
  }

  private static void put(Map<Long, Thing> of, Long journalEntry, Thing thing) {
    if (journalEntry != null && thing != null) {
      of.put(journalEntry, thing);
    }
  }

  private void settlements(
      BankAccountEntity account, Map<String, Thing> things, Map<Long, Thing> of) {
    jdbc.sql(
            """
            select s.entry_id, s.journal_entry_id, s.reversal_entry_id
            from settlement s join bank_entry e on e.id = s.entry_id where e.bank_account_id = :account
            """)
        .param("account", account.id())
        .query(
            row -> {
              var thing = things.get(entryId(row.getLong("entry_id")));
              put(of, row.getObject("journal_entry_id", Long.class), thing);
              put(of, row.getObject("reversal_entry_id", Long.class), thing);
            });
  }

  private void deposits(
      BankAccountEntity account, LocalDate asOf, Map<String, Thing> things, Map<Long, Thing> of) {
    jdbc.sql(
            """
            select d.id, d.banked_on, d.slip, d.payout_id, d.journal_entry_id, l.journal_entry_id as line_entry_id
            from deposit d left join deposit_line l on l.deposit_id = d.id and l.journal_entry_id is not null
            where d.bank_account_id = :account order by d.banked_on, d.id
            """)
        .param("account", account.id())
        .query(
            row -> {
              var id = "deposit-" + row.getLong("id");
              var words =
                  (row.getObject("payout_id") == null ? "Deposit " : "Payout ")
                      + row.getString("slip");
              var on = row.getObject("banked_on", LocalDate.class);
              var thing =
                  things.computeIfAbsent(id, i -> new Thing(KnownBy.DEPOSIT, i, on, words.strip()));
              put(of, row.getObject("journal_entry_id", Long.class), thing);
              put(of, row.getObject("line_entry_id", Long.class), thing);
            });
    jdbc.sql(
            """
            select s.deposit_id, s.entry_id, s.amount_minor, e.booked_on
            from deposit_shown s join bank_entry e on e.id = s.entry_id where e.bank_account_id = :account
            """)
        .param("account", account.id())
        .query(
            row -> {
              var then = !row.getObject("booked_on", LocalDate.class).isAfter(asOf);
              var minor = row.getLong("amount_minor");
              moved(
                  things,
                  row.getLong("entry_id"),
                  "deposit-" + row.getLong("deposit_id"),
                  minor,
                  then);
            });
  }

  /** What an entry shows of something that was ours first is counted there. */
  private static void moved(
      Map<String, Thing> things, long entry, String shown, long minor, boolean then) {
    var from = things.get(entryId(entry));
    var to = things.get(shown);
    if (from != null && to != null) {
      from.bank(-minor, then);
      to.bank(minor, then);
    }
  }

  private void refunds(
      BankAccountEntity account, LocalDate asOf, Map<String, Thing> things, Map<Long, Thing> of) {
    jdbc.sql(
            """
            select s.id, s.posted_on, c.name, s.journal_entry_id, s.reversal_entry_id, s.shown_by_id, e.amount_minor, e.booked_on
            from settlement s left join customer c on c.id = s.account_of_id left join bank_entry e on e.id = s.shown_by_id
            where s.sent_from_id = :account order by s.id
            """)
        .param("account", account.id())
        .query(
            row -> {
              var thing =
                  new Thing(
                      KnownBy.REFUND,
                      "settlement-" + row.getLong("id"),
                      row.getObject("posted_on", LocalDate.class),
                      "Refund to " + row.getString("name"));
              things.put(thing.id, thing);
              put(of, row.getObject("journal_entry_id", Long.class), thing);
              put(of, row.getObject("reversal_entry_id", Long.class), thing);
              var shown = row.getObject("shown_by_id", Long.class);
              if (shown != null) {
                var then = !row.getObject("booked_on", LocalDate.class).isAfter(asOf);
                moved(things, shown, thing.id, row.getLong("amount_minor"), then);
              }
            });
  }

  private record Line(long id, Long reverses, LocalDate on, String text, long minor) {}

  /**
   * Gives every line of the journal to what it is of. A line that was taken back again and whose
   * thing is forgotten is a thing of its own with its mirror.
   *
   * @return what the books had by the day
   */
  private long journal(
      BankAccountEntity account,
      LocalDate asOf,
      LocalDate since,
      Map<String, Thing> things,
      Map<Long, Thing> of,
      List<Figure> figures) {
    var lines = new ArrayList<Line>();
    jdbc.sql(
            """
            select j.id, j.reverses_id, j.booked_on, j.text, sum(l.amount_minor) as minor
            from journal_line l join journal_entry j on j.id = l.journal_entry_id
            where l.ledger_account_id = :ledger and l.currency = :currency
            group by j.id, j.reverses_id, j.booked_on, j.text order by j.id
            """)
        .param("ledger", account.ledgerAccountId())
        .param("currency", account.currency())
        .query(
            row -> {
              lines.add(
                  new Line(
                      row.getLong("id"),
                      row.getObject("reverses_id", Long.class),
                      row.getObject("booked_on", LocalDate.class),
                      row.getString("text"),
                      row.getLong("minor")));
            });
    var mirrored = new HashMap<Long, Line>();
    lines.stream().filter(l -> l.reverses() != null).forEach(l -> mirrored.put(l.reverses(), l));
    var books = 0L;
    for (var line : lines) {
      var then = !line.on().isAfter(asOf);
      books += then ? line.minor() : 0;
      var thing = thingOf(line, mirrored, things, of);
      if (thing != null) {
        thing.books(line.minor(), then);
      } else if (then && !line.on().isBefore(since) && !isOpening(account, line)) {
        figures.add(
            new Figure(
                Place.LINE,
                "journal-" + line.id(),
                line.on(),
                line.text(),
                Money.ofMinor(CurrencyUnit.of(account.currency()), line.minor())));
      }
    }
    return books;
  }

  private static boolean isOpening(BankAccountEntity account, Line line) {
    return account.openingEntryId() != null && account.openingEntryId() == line.id();
  }

  private static Thing thingOf(
      Line line, Map<Long, Line> mirrored, Map<String, Thing> things, Map<Long, Thing> of) {
    var own = of.get(line.id());
    if (own != null) {
      return own;
    }
    if (line.reverses() != null && of.containsKey(line.reverses())) {
      return of.get(line.reverses());
    }
    Long first = line.reverses();
    if (first == null && mirrored.containsKey(line.id())) {
      first = line.id();
    }
    return first == null
        ? null
        : things.computeIfAbsent(
            "journal-" + first, id -> new Thing(KnownBy.DEPOSIT, id, line.on(), line.text()));
  }
}
