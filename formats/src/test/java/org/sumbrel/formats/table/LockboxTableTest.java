package org.sumbrel.formats.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.lockbox.LockboxCheque;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.RemittanceItem;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.Problem;

/** A lockbox as a list; its columns are named as banks do, by common practice, no source. */
class LockboxTableTest {

  private static final String HEAD =
      "Lockbox,Batch Number,Deposit Date,Check Number,Routing Number,Account Number,Check Amount,Remitter,Invoice Number,Invoice Amount,Batch Total,Check Count\n";
  private static final String MORNING =
      HEAD
          + "4410,001,2026-05-29,0002214,111000025,77000123,296.94,Three Rivers Sourdough,LM-0020826,188.00,371.94,2\n"
          + "4410,001,2026-05-29,0002214,111000025,77000123,296.94,Three Rivers Sourdough,LM-0020831,108.94,371.94,2\n"
          + "4410,001,2026-05-29,371,111000025,77000441,75.00,Vale Bread Co,,,371.94,2\n";

  private static FileContent read(String text) throws BrokenFile {
    return AnyFile.read(
        FileBytes.of(text.getBytes(StandardCharsets.UTF_8)), Optional.of(CurrencyUnit.USD));
  }

  @Test
  void makesOneChequeOfItsLines() throws Exception {
    var content = read(MORNING);
    assertThat(content.format()).isEqualTo(Format.LOCKBOX_CSV);
    assertThat(content.problems()).isEmpty();
    var batch = content.batches().get(0);
    assertThat(batch.depositedOn()).contains(LocalDate.of(2026, 5, 29));
    assertThat(batch.cheques()).hasSize(2);
    var first = batch.cheques().get(0);
    assertThat(first.number()).isEqualTo("2214");
    assertThat(MoneyText.plain(first.amount())).isEqualTo("296.94");
    assertThat(first.items())
        .extracting(RemittanceItem::reference)
        .containsExactly("LM-0020826", "LM-0020831");
    assertThat(batch.cheques().get(1).items()).isEmpty();
  }

  @Test
  void tellsTotalsThatContradict() throws Exception {
    assertThat(read(MORNING.replace("371.94,2", "471.94,2")).problems())
        .containsExactly(
            new Problem(
                2,
                "batch 001 says it comes to 471.94, its cheques come to 371.94: 100.00 less",
                true));
    assertThat(read(MORNING.replace("371.94,2", "371.94,3")).problems())
        .extracting(Problem::message)
        .containsExactly("batch 001 says it holds 3 cheques, 2 are in it");
    assertThat(read(MORNING.replace("111000025,77000441", "111000026,77000441")).problems())
        .extracting(Problem::line)
        .containsExactly(4);
  }

  @Test
  void addsTheLinesUpWhereEachHoldsItsPart() throws Exception {
    var parts =
        "lockbox,batch,check_number,amount,reference\n4410,1,2214,188.00,LM-1\n4410,1,2214,108.94,LM-2\n4410,1,371,75.00,\n";
    var batch = read(parts).batches().get(0);
    assertThat(batch.cheques())
        .extracting(LockboxCheque::amount)
        .extracting(MoneyText::plain)
        .containsExactly("296.94", "75.00");
    assertThat(MoneyText.plain(batch.cheques().get(0).items().get(1).amount())).isEqualTo("108.94");
  }

  @Test
  void doesNotGuessWhetherTheSameAmountTwiceIsAPartOrTheWhole() throws Exception {
    var twice =
        "lockbox,batch,check_number,amount,reference,batch total\n4410,1,2214,100.00,LM-1,%s\n4410,1,2214,100.00,LM-2,%s\n";
    assertThatThrownBy(() -> read(twice.formatted("", "")))
        .isInstanceOf(BrokenFile.class)
        .hasMessageContaining("a cheque stands on 2 lines with 100.00 on each");
    // the batch's total tells
    assertThat(read(twice.formatted("200.00", "200.00")).batches().get(0).cheques())
        .extracting(c -> MoneyText.plain(c.amount()))
        .containsExactly("200.00");
    assertThat(read(twice.formatted("100.00", "100.00")).batches().get(0).cheques())
        .extracting(c -> MoneyText.plain(c.amount()))
        .containsExactly("100.00");
  }

  @Test
  void namesTheLineOfWhatCannotBe() {
    assertThatThrownBy(() -> read(MORNING.replaceFirst("296.94,Three", "296.00,Three")))
        .hasMessageContaining("line 3: the cheque is of 296.00 on line 2 and of 296.94 here");
    assertThatThrownBy(() -> read(MORNING.replace("75.00", "seventy")))
        .hasMessageContaining("line 4");
    assertThatThrownBy(() -> read(MORNING.replace(",75.00,", ",0.00,")))
        .hasMessageContaining("line 4: a cheque of 0.00 is none");
  }

  @Test
  void showsWhatARowBecomesWhileAProfileIsMade() throws Exception {
    var preview =
        TablePreview.of(
            MORNING.getBytes(StandardCharsets.UTF_8),
            Optional.empty(),
            List.of(),
            Optional.of(CurrencyUnit.USD));
    assertThat(preview.rows().get(0).fields())
        .containsEntry("check_number", "2214")
        .containsEntry("reference", "LM-0020826");
  }
}
