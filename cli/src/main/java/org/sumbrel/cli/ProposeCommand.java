package org.sumbrel.cli;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.function.IntConsumer;
import org.joda.money.CurrencyUnit;
import org.sumbrel.core.propose.ProposalEngine;
import org.sumbrel.core.propose.ReceiptProposals;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.statement.EntryStatus;
import org.sumbrel.formats.statement.StatementEntry;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** {@code sumbrel propose}: what each credit of a statement pays, as JSON. */
@Command(
    name = "propose",
    description = "Proposes what each credit of a statement pays, with the reasons, as JSON.")
final class ProposeCommand implements Callable<Integer> {

  private static final int LONG = 2_000;

  @Option(names = "--invoices", required = true, description = "open items, CSV")
  private Path invoices;

  @Option(names = "--customers", description = "customers with parents and accounts, CSV")
  private Path customers;

  @Option(names = "--aliases", description = "payer texts that stand for customers, CSV")
  private Path aliases;

  @Option(names = "--history", description = "who paid for whom before, CSV")
  private Path history;

  @Option(names = "--money", required = true, description = "a statement, in any format read takes")
  private Path money;

  @Option(names = "--policy", description = "what is allowed and usual, YAML")
  private Path policy;

  @Option(names = "--out", description = "where the JSON goes instead of the standard output")
  private Path out;

  @Override
  public Integer call() throws IOException {
    try {
      var rules = policy == null ? PolicyFile.standard() : PolicyFile.read(policy);
      var books =
          new BooksFromFiles(
              InputFile.read(invoices, Format.INVOICES_CSV).invoices(),
              customers == null
                  ? List.of()
                  : InputFile.read(customers, Format.CUSTOMERS_CSV).customers(),
              aliases == null ? List.of() : InputFile.read(aliases, Format.ALIASES_CSV).aliases(),
              history == null ? List.of() : InputFile.read(history, Format.HISTORY_CSV).history());
      write(entries(books, rules, statement(InputFile.read(money))));
      return 0;
    } catch (InputFile.Wrong wrong) {
      wrong.lines().forEach(System.err::println);
      return 1;
    }
  }

  private List<StatementEntry> statement(FileContent content) throws InputFile.Wrong {
    if (content.accounts().isEmpty() && content.format() != Format.STATEMENT_CSV) {
      throw new InputFile.Wrong(
          money, 0, "this is " + content.format().word() + ", expected a statement");
    }
    content
        .problems()
        .forEach(p -> System.err.println(money + ":" + p.line() + ": " + p.message()));
    return content.accounts().stream()
        .flatMap(account -> account.entries().stream())
        .filter(entry -> entry.status() != EntryStatus.INFORMATION)
        .sorted(Comparator.comparingInt(StatementEntry::line))
        .toList();
  }

  /** Every entry with what is thought of it, in the order of the file. */
  private static List<Map<String, Object>> entries(
      BooksFromFiles books, PolicyFile rules, List<StatementEntry> statement) {
    var credits = new LinkedHashMap<CurrencyUnit, List<Receipt>>();
    var ids = new HashMap<StatementEntry, String>();
    var seen = new HashMap<String, Integer>();
    for (var entry : statement) {
      if (entry.amount().isPositive()) {
        var times = seen.merge(entry.entryId(), 1, Integer::sum);
        var id = times == 1 ? entry.entryId() : entry.entryId() + " #" + times;
        ids.put(entry, id);
        credits
            .computeIfAbsent(entry.amount().getCurrencyUnit(), c -> new ArrayList<>())
            .add(BooksFromFiles.receipt(entry, id));
      }
    }
    var results = new HashMap<String, ReceiptProposals>();
    var all = credits.values().stream().mapToInt(List::size).sum();
    var progress = progress(all);
    credits.forEach(
        (currency, receipts) -> {
          var before = results.size();
          ProposalEngine.over(books.in(currency, rules.in(currency)))
              .propose(receipts, done -> progress.accept(before + done))
              .forEach(r -> results.put(r.receiptId(), r));
        });
    return statement.stream()
        .map(
            entry ->
                ids.containsKey(entry)
                    ? ProposalDocument.of(entry, results.get(ids.get(entry)))
                    : ProposalDocument.debit(entry))
        .toList();
  }

  /** Says how far it is, on standard error, where that takes long enough to wonder. */
  private static IntConsumer progress(int all) {
    var step = Math.max(1, all / 20);
    return done -> {
      if (all >= LONG && (done % step == 0 || done == all)) {
        System.err.println(done + " of " + all + " credits explained");
      }
    };
  }

  private void write(List<Map<String, Object>> entries) throws IOException {
    var json =
        new ObjectMapper()
            .enable(SerializationFeature.INDENT_OUTPUT)
            .writeValueAsString(Map.of("entries", entries));
    if (out == null) {
      new PrintStream(System.out, true, StandardCharsets.UTF_8).println(json);
    } else {
      Files.writeString(out, json + "\n");
    }
  }
}
