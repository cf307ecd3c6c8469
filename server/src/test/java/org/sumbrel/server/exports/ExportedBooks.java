package org.sumbrel.server.exports;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import de.siegmar.fastcsv.reader.CsvReader;
import java.io.IOException;
import java.math.BigDecimal;
import java.util.Map;
import java.util.TreeMap;
import org.sumbrel.formats.journal.Hledger;
import org.sumbrel.server.Clerk;

/** Holds what was exported against the books: together they are the same. */
public final class ExportedBooks {

  private ExportedBooks() {}

  /** Exports what waits, and compares all that ever was exported with the trial balance. */
  public static void assertAgree(Clerk clerk) throws Exception {
    if (clerk.get("/api/journal-exports/waiting?until=2099-12-31").body().at("/entries").asInt()
        > 0) {
      expect(201, clerk.post("/api/journal-exports", "{\"until\":\"2099-12-31\"}"));
    }
    var csv = new TreeMap<String, BigDecimal>();
    var ledgers = new StringBuilder();
    for (var export : clerk.get("/api/journal-exports").body()) {
      addTable(taken(clerk, export.at("/id").asLong(), "CSV"), csv);
      ledgers.append(taken(clerk, export.at("/id").asLong(), "LEDGER"));
    }
    csv.values().removeIf(sum -> sum.signum() == 0);
    var books = trialBalance(clerk);
    assertThat(csv).isEqualTo(books);
    assertThat(reported(ledgers.toString())).isEqualTo(books);
  }

  static String taken(Clerk clerk, long export, String format) {
    return clerk.savedBy(
        "/api/journal-exports/" + export + "/files",
        "{\"format\":\"%s\",\"again\":\"a test compares it\"}".formatted(format));
  }

  private static void addTable(String csv, Map<String, BigDecimal> sums) {
    try (var rows = CsvReader.builder().ofNamedCsvRecord(csv)) {
      rows.forEach(
          row -> {
            var debit = row.getField("debit");
            var amount =
                debit.isEmpty()
                    ? new BigDecimal(row.getField("credit")).negate()
                    : new BigDecimal(debit);
            sums.merge(
                row.getField("account") + " " + row.getField("currency"), amount, BigDecimal::add);
          });
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  private static Map<String, BigDecimal> trialBalance(Clerk clerk) {
    var balances = new TreeMap<String, BigDecimal>();
    for (var account : clerk.get("/api/trial-balance").body().at("/accounts")) {
      var balance =
          new BigDecimal(account.at("/debit/amount").asText())
              .subtract(new BigDecimal(account.at("/credit/amount").asText()));
      if (balance.signum() != 0) {
        balances.put(
            account.at("/code").asText() + " " + account.at("/debit/currency").asText(), balance);
      }
    }
    return balances;
  }

  /** What hledger, a general plain-text accounting tool, reports of the exported ledger. */
  private static Map<String, BigDecimal> reported(String ledger) throws IOException {
    var balances = new TreeMap<String, BigDecimal>();
    for (var balance : Hledger.balances(ledger, "--depth", "1")) {
      balances.put(
          balance.account().split(" ")[0] + " " + balance.currency(), balance.amount().setScale(2));
    }
    return balances;
  }
}
