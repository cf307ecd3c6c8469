package org.sumbrel.formats.statement;

import java.time.LocalDate;
import java.util.List;
import java.util.StringJoiner;
import org.joda.money.Money;

/**
 * One movement as the bank reports it.
 *
 * @param entryId the bank's own id where there is one, else a stable fingerprint
 * @param amount money to us is positive
 * @param bankText what the bank adds of its own, such as the kind of movement
 * @param reversal whether it takes an earlier movement back
 * @param charges what the bank kept of the whole entry, positive; zero where nothing is said
 * @param details its transactions, where the file lists them
 * @param line where it begins in the file, counted from 1
 */
public record StatementEntry(
    String entryId,
    LocalDate bookingDate,
    LocalDate valueDate,
    Money amount,
    String payerName,
    String payerAccount,
    String remittance,
    String bankReference,
    String checkNumber,
    String bankText,
    EntryStatus status,
    boolean reversal,
    Money charges,
    List<EntryDetail> details,
    int line) {

  /** What an id begins with that is a fingerprint, not the bank's own. */
  public static final String FINGERPRINT = "f-";

  public StatementEntry {
    details = List.copyOf(details);
  }

  public boolean booked() {
    return status == EntryStatus.BOOKED;
  }

  /** The same with another id. */
  public StatementEntry called(String id) {
    return new StatementEntry(
        id,
        bookingDate,
        valueDate,
        amount,
        payerName,
        payerAccount,
        remittance,
        bankReference,
        checkNumber,
        bankText,
        status,
        reversal,
        charges,
        details,
        line);
  }

  /**
   * Everything the file says about what is paid: the remittance text, and what only the details
   * say, each once. A batch names each of its payers.
   */
  public String words() {
    var words = new StringJoiner(" · ");
    if (!remittance.isEmpty()) {
      words.add(remittance);
    }
    var said = new StringBuilder(remittance);
    for (var detail : details) {
      if (details.size() > 1) {
        add(words, said, detail.payerName());
      }
      add(words, said, detail.remittance());
      add(words, said, detail.endToEnd());
      add(words, said, detail.ultimatePayer());
    }
    return words.length() == 0 ? bankText : words.toString();
  }

  private static void add(StringJoiner words, StringBuilder said, String text) {
    // a batch of thousands need not be compared with all that was said before
    var from = Math.max(0, said.length() - 500);
    if (!text.isEmpty() && said.indexOf(text, from) < 0) {
      words.add(text);
      said.append('\n').append(text);
    }
  }
}
