package org.sumbrel.formats;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.statement.AccountStatement;
import org.sumbrel.formats.statement.StatementEntry;

/** Files of the tests, and what was read of them in short. */
public final class TestFiles {

  private TestFiles() {}

  public static byte[] bytes(String resource) {
    try (var in = TestFiles.class.getResourceAsStream("/" + resource)) {
      return in.readAllBytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  public static String text(String resource) {
    return new String(bytes(resource), StandardCharsets.UTF_8);
  }

  public static FileContent read(String text) throws BrokenFile {
    return AnyFile.read(text.getBytes(StandardCharsets.UTF_8));
  }

  /** The file's statement, where it is the only one. */
  public static AccountStatement only(FileContent content) {
    if (content.accounts().size() != 1) {
      throw new AssertionError("not one statement but " + content.accounts().size());
    }
    return content.accounts().get(0);
  }

  public static List<String> amounts(AccountStatement statement) {
    return statement.entries().stream().map(StatementEntry::amount).map(MoneyText::plain).toList();
  }

  public static List<String> sentences(FileContent content) {
    return content.problems().stream().map(Problem::message).toList();
  }
}
