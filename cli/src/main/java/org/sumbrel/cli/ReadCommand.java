package org.sumbrel.cli;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.StatementWriter;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/**
 * {@code sumbrel read FILE}: recognises a file by its content, reads it whole, prints it as JSON.
 */
@Command(
    name = "read",
    description = "Prints what a statement, invoice or customer file holds, as JSON.")
final class ReadCommand implements Callable<Integer> {

  @Parameters(index = "0", paramLabel = "FILE", description = "the file to read")
  private Path file;

  @Option(
      names = "--as",
      paramLabel = "FORMAT",
      description = "refuse the file unless it is of this format")
  private String expected = "";

  @Option(
      names = "--to",
      paramLabel = "FORMAT",
      description = "write the statement entries as camt.053, ofx or csv instead of JSON")
  private String target = "";

  @Option(
      names = "--currency",
      paramLabel = "CODE",
      description = "the account's currency, where the file does not say it")
  private String currency = "";

  @Option(
      names = "--profile",
      paramLabel = "PROFILE.yml",
      description = "read the file as the table that this profile describes")
  private Path profile;

  @Override
  public Integer call() throws IOException {
    FileContent content;
    Optional<CurrencyUnit> known;
    try {
      known = currency.isEmpty() ? Optional.empty() : Optional.of(CurrencyUnit.of(currency));
    } catch (IllegalCurrencyException e) {
      System.err.println("--currency " + currency + " is not a currency code such as USD");
      return 2;
    }
    try {
      content =
          profile == null
              ? InputFile.read(file, known)
              : InputFile.readBy(InputFile.profile(profile), file, known);
    } catch (InputFile.Wrong wrong) {
      wrong.lines().forEach(System.err::println);
      return 1;
    }
    if (!expected.isEmpty() && !expected.equals(content.format().word())) {
      System.err.println(
          file + ":0: this is " + content.format().word() + ", expected " + expected);
      return 1;
    }
    if (!target.isEmpty()) {
      return written(content);
    }
    var json =
        new ObjectMapper()
            .enable(SerializationFeature.INDENT_OUTPUT)
            .writeValueAsString(NormalForm.of(content));
    var out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    out.println(json);
    return 0;
  }

  private int written(FileContent content) throws IOException {
    var writer = StatementWriter.of(target);
    if (writer.isEmpty()) {
      System.err.println("--to " + target + " is none of camt.053, ofx, csv");
      return 2;
    }
    if (!content.format().isStatement()) {
      System.err.println(
          file + ":0: this is " + content.format().word() + ", expected a statement");
      return 1;
    }
    content.problems().forEach(p -> System.err.println(file + ":" + p.line() + ": " + p.message()));
    writer.get().write(LocalDateTime.now(ZoneOffset.UTC), content.accounts(), System.out);
    System.out.flush();
    return 0;
  }
}
