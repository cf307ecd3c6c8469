package org.sumbrel.core.tieout;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneySum;

/**
 * The proof that the books of a bank account agree with the bank at the end of a day: what only one
 * of the two knows is added to the other, after which both must show the same. The form is the one
 * that textbooks give: balance as the bank reports it, plus deposits in transit, less payments
 * outstanding, corrected by errors of the bank; balance of the books, plus and less what the bank
 * booked and the books have not, corrected by errors of the books.
 *
 * @param asOf the day at whose end both are compared
 * @param statement what the bank says stands there; positive is money of ours
 * @param books what the journal says stands there
 * @param ways what leads from one to the other
 */
public record TieOut(LocalDate asOf, Money statement, Money books, List<Way> ways) {

  /** Whose balance is put right by it. */
  public enum Side {
    BANK,
    BOOKS
  }

  /** Why the two differ. */
  public enum Kind {
    /** In the books, not at the bank yet: a deposit on its way, or what the bank books later. */
    IN_TRANSIT(Side.BANK),
    /** A refund that was sent and that the bank has not booked yet. */
    REFUND_OUTSTANDING(Side.BANK),
    /** The bank was wrong and will put it right. */
    BANK_ERROR(Side.BANK),
    /** At the bank, and nobody has said what it is. */
    UNEXPLAINED(Side.BOOKS),
    /** At the bank, and in the books on a later day only. */
    BOOKED_LATER(Side.BOOKS),
    /** The books were wrong and will be put right. */
    BOOK_ERROR(Side.BOOKS);

    private final Side side;

    Kind(Side side) {
      this.side = side;
    }

    public Side side() {
      return side;
    }
  }

  /**
   * One thing that only one of the two knows.
   *
   * @param id of the entry, deposit or settlement; empty for what somebody has written down
   * @param amount what its side's balance changes by
   */
  public record Way(Kind kind, String id, LocalDate on, String words, Money amount) {}

  public TieOut {
    ways =
        ways.stream()
            .sorted(
                Comparator.comparing(Way::kind).thenComparing(Way::on).thenComparing(Way::words))
            .toList();
  }

  /** What the ways of a kind come to together. */
  public Money sum(Kind kind) {
    return MoneySum.of(
        statement.getCurrencyUnit(),
        ways.stream().filter(way -> way.kind() == kind).toList(),
        Way::amount);
  }

  private Money with(Money balance, Side side) {
    var sum = balance;
    for (var way : ways) {
      if (way.kind().side() == side) {
        sum = sum.plus(way.amount());
      }
    }
    return sum;
  }

  /** What the bank would show if it knew what the books know. */
  public Money adjustedStatement() {
    return with(statement, Side.BANK);
  }

  /** What the books would show if they knew what the bank knows. */
  public Money adjustedBooks() {
    return with(books, Side.BOOKS);
  }

  /** What is left unexplained: positive where the bank shows more than the books. */
  public Money gap() {
    return adjustedStatement().minus(adjustedBooks());
  }

  public boolean tied() {
    return gap().isZero();
  }
}
