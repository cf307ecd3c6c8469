package org.sumbrel.formats.journal;

import static org.assertj.core.api.Assertions.assertThat;

import de.siegmar.fastcsv.reader.CsvReader;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Consumer;

/** hledger, a general plain-text accounting tool of Debian's packages. */
public final class Hledger {

  private Hledger() {}

  /** What an account comes to in one currency, other than zero. */
  public record Balance(String account, String currency, BigDecimal amount) {}

  /**
   * Lets the tool read a ledger.
   *
   * @return what it reports of each account and currency
   */
  public static List<Balance> balances(String ledger, String... options) throws IOException {
    var balances = new ArrayList<Balance>();
    within(
        ledger,
        file -> {
          var call = new ArrayList<>(List.of("balance", "--flat", "--no-total", "-O", "csv"));
          call.addAll(List.of(options));
          try (var rows = CsvReader.builder().ofCsvRecord(said(file, call))) {
            rows.stream().skip(1).forEach(row -> add(row.getField(0), row.getField(1), balances));
          } catch (IOException e) {
            throw new IllegalStateException(e);
          }
        });
    return balances;
  }

  /** Fails where the tool finds anything against the ledger. */
  public static void accepts(String ledger) throws IOException {
    within(
        ledger,
        file ->
            assertThat(said(file, List.of("check", "accounts", "balancednoautoconversion")))
                .isEmpty());
  }

  /** The amounts by account and currency, one text each, without zeros at their ends. */
  public static Map<String, BigDecimal> byAccount(List<Balance> balances) {
    var sums = new TreeMap<String, BigDecimal>();
    balances.forEach(
        b -> sums.put(b.account() + " " + b.currency(), b.amount().stripTrailingZeros()));
    return sums;
  }

  /** One field holds the amounts of all currencies of an account. */
  private static void add(String account, String amounts, List<Balance> balances) {
    for (var amount : amounts.split(", ")) {
      var parts = amount.split(" ");
      if (parts.length == 2 && new BigDecimal(parts[0]).signum() != 0) {
        balances.add(new Balance(account, parts[1], new BigDecimal(parts[0])));
      }
    }
  }

  private static void within(String ledger, Consumer<Path> use) throws IOException {
    var file = Files.createTempFile("sumbrel", ".journal");
    try {
      Files.writeString(file, ledger);
      use.accept(file);
    } finally {
      Files.delete(file);
    }
  }

  private static String said(Path file, List<String> arguments) {
    var call = new ArrayList<>(List.of("hledger", "-f", file.toString()));
    call.addAll(arguments);
    var builder = new ProcessBuilder(call).redirectErrorStream(true);
    builder.environment().put("LANG", "C.UTF-8");
    try {
      var process = builder.start();
      var said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
      assertThat(process.waitFor()).as(said).isZero();
      return said;
    } catch (IOException e) {
      throw new IllegalStateException("hledger cannot be called", e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException("hledger was not waited for", e);
    }
  }
}
