package org.sumbrel.formats.journal;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.StringWriter;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;

/**
 * The plain-text ledger, read by hledger, a general plain-text accounting tool of Debian's
 * packages: it accepts every file and reports the balances that went in.
 */
class PlainLedgerTest {

  private static final LocalDate DAY = LocalDate.of(2026, 5, 29);

  private static ExportedEntry.Line line(String code, String name, String customer, String amount) {
    return new ExportedEntry.Line(
        code,
        name,
        customer.isEmpty() ? "" : "C1",
        customer,
        Money.parse(amount),
        Optional.empty());
  }

  private static ExportedEntry entry(long id, String text, ExportedEntry.Line... lines) {
    return new ExportedEntry(
        id, DAY, Optional.empty(), text, "maren", Instant.EPOCH, Optional.empty(), List.of(lines));
  }

  private static String written(List<ExportedEntry> entries) throws IOException {
    var out = new StringWriter();
    var accounts = new TreeSet<String>();
    entries.forEach(e -> e.lines().forEach(l -> accounts.add(PlainLedger.account(l))));
    PlainLedger.head(List.of("Larkstow Mill Ltd"), accounts, out);
    for (var entry : entries) {
      PlainLedger.write(entry, out);
    }
    return out.toString();
  }

  @Test
  void isATransactionWithAPostingForEachLine() throws IOException {
    assertThat(
            written(
                List.of(
                    entry(
                        41,
                        "Receipt of\nOskar; all of it",
                        line("1010", "Operating", "", "USD 1072.00"),
                        line(
                            "1100",
                            "Accounts receivable",
                            "Oskar  & Daughters: Bakehouse",
                            "USD -1072.00")))))
        .isEqualTo(
            """
            ; Larkstow Mill Ltd

            account 1010 Operating
            account 1100 Accounts receivable:C1 Oskar & Daughters Bakehouse

            2026-05-29 * (41) Receipt of Oskar, all of it
                1010 Operating  1072.00 USD
                1100 Accounts receivable:C1 Oskar & Daughters Bakehouse  -1072.00 USD

            """);
  }

  @Provide
  Arbitrary<List<ExportedEntry>> journals() {
    var text = Arbitraries.strings().withChars("abc é;:|*!(){}[]\"'=@+-\t\n#%&  ").ofMaxLength(24);
    var account = Arbitraries.of("Bank", "Fees: of; all", "A  B", "Café (old)", "Sales \"x\"");
    var customer = Arbitraries.of("", "Oskar & Daughters", "; none", "[x] = y");
    var amount = Arbitraries.longs().between(-9_999_999_999L, 9_999_999_999L).filter(a -> a != 0);
    var currency = Arbitraries.of("USD", "EUR", "JPY", "BHD");
    var entry =
        Combinators.combine(text, account, customer, amount, currency)
            .as(
                (t, a, c, minor, code) -> {
                  var money = Money.ofMinor(CurrencyUnit.of(code), minor);
                  return entry(
                      minor & 0xFFFF,
                      t,
                      new ExportedEntry.Line("1010", a, "", "", money, Optional.empty()),
                      new ExportedEntry.Line(
                          "1100",
                          "Receivable",
                          c.isEmpty() ? "" : "C" + c.length(),
                          c,
                          money.negated(),
                          Optional.empty()));
                });
    return entry.list().ofMinSize(1).ofMaxSize(60);
  }

  @Property(tries = 12)
  void theToolAcceptsItAndReportsTheSameBalances(@ForAll("journals") List<ExportedEntry> entries)
      throws Exception {
    var ledger = written(entries);
    Hledger.accepts(ledger);
    assertThat(Hledger.byAccount(Hledger.balances(ledger))).isEqualTo(balances(entries));
  }

  private static Map<String, BigDecimal> balances(List<ExportedEntry> entries) {
    var sums = new TreeMap<String, BigDecimal>();
    for (var entry : entries) {
      for (var line : entry.lines()) {
        sums.merge(
            PlainLedger.account(line) + " " + line.amount().getCurrencyUnit().getCode(),
            line.amount().getAmount(),
            BigDecimal::add);
      }
    }
    sums.values().removeIf(sum -> sum.signum() == 0);
    sums.replaceAll((account, sum) -> sum.stripTrailingZeros());
    return sums;
  }
}
