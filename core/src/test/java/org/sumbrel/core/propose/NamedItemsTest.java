package org.sumbrel.core.propose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.Books;
import org.sumbrel.core.receivables.OpenItem;

class NamedItemsTest {

  @Test
  void looksUpWordsThatMayBeNumbers() {
    var receipt = Books.receipt("10.00", "payer", "Inv LX-03401, lx 03402. Thanks, 26 bags");
    assertThat(NamedItems.numbersIn(receipt))
        .contains("LX-03401", "LX-03402")
        .doesNotContain("THANKS", "26", "INV");
  }

  @Test
  void takesWhatIsNamedAsItIsWrittenInTheOrderOfTheText() {
    var items =
        List.of(
            Books.invoice("LX-03401", "a", "10.00"),
            Books.invoice("LX-03402", "a", "10.00"),
            Books.invoice("LX-03403", "a", "10.00"));
    var receipt = Books.receipt("20.00", "payer", "LX 03402 and LX-03401");
    assertThat(NamedItems.in(receipt, items).stream().map(OpenItem::number))
        .containsExactly("LX-03402", "LX-03401");
    // four digits of a number name nothing for certain
    assertThat(NamedItems.in(Books.receipt("20.00", "payer", "for 3403"), items)).isEmpty();
  }
}
