package org.sumbrel.formats.x12;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.Problem;

/**
 * A lockbox as X12 823. The segments (ASC X12 004010: DEP, AMT, QTY, BAT, BPR, REF, N1, RMR) are
 * from memory, and the lockbox made up after them; no published example was at hand.
 */
class LockboxReaderTest {

  private static final String MORNING =
      """
      ISA*00*          *00*          *ZZ*COPPERBECK     *ZZ*LARKSTOW       *260529*0730*U*00401*000000041*0*P*>~
      GS*LB*COPPERBECK*LARKSTOW*20260529*0730*41*X*004010~
      ST*823*0001~
      DEP*4410*20260529*0700*D0529~
      AMT*TP*371.94~
      QTY*41*2~
      BAT*20260529**001~
      AMT*2*371.94~
      QTY*42*2~
      BPR*I*296.94*C*CHK****111000025*DA*77000123~
      REF*CK*0002214~
      N1*PR*Three Rivers Sourdough~
      RMR*IV*LM-0020826**188.00~
      RMR*IV*LM-0020831**108.94*111.16*2.22~
      BPR*I*75.00*C*CHK****111000025*DA*77000441~
      REF*CK*371~
      SE*15*0001~
      GE*1*41~
      IEA*1*000000041~
      """
          .replace("CHK****111000025*DA*77000123", "CHK***111000025*DA*77000123")
          .replace("CHK****111000025*DA*77000441", "CHK***111000025*DA*77000441");

  private static FileContent read(String text) throws BrokenFile {
    return AnyFile.read(text.getBytes(StandardCharsets.UTF_8));
  }

  @Test
  void readsChequesWithWhatTheyPay() throws Exception {
    var content = read(MORNING);
    assertThat(content.format()).isEqualTo(Format.X12_823);
    assertThat(content.problems()).isEmpty();
    var batch = content.batches().get(0);
    assertThat(batch.lockbox()).isEqualTo("4410");
    assertThat(batch.number()).isEqualTo("001");
    assertThat(batch.depositedOn()).contains(LocalDate.of(2026, 5, 29));
    assertThat(batch.claimedTotal().map(MoneyText::plain)).contains("371.94");
    assertThat(batch.claimedCheques()).contains(2);
    var first = batch.cheques().get(0);
    assertThat(first.number()).isEqualTo("2214");
    assertThat(first.routing()).isEqualTo("111000025");
    assertThat(first.account()).isEqualTo("77000123");
    assertThat(first.payerName()).isEqualTo("Three Rivers Sourdough");
    assertThat(first.items()).hasSize(2);
    assertThat(MoneyText.plain(first.items().get(1).discount())).isEqualTo("2.22");
    assertThat(first.beyondItems().isZero()).isTrue();
    assertThat(batch.cheques().get(1).items()).isEmpty();
  }

  @Test
  void tellsEachTotalThatContradicts() throws Exception {
    assertThat(read(MORNING.replace("AMT*2*371.94", "AMT*2*370.00")).problems())
        .containsExactly(
            new Problem(
                7,
                "segment 7 (BAT): batch 001 says it comes to 370.00, its cheques come to 371.94: 1.94 more",
                true));
    assertThat(read(MORNING.replace("QTY*41*2", "QTY*41*3")).problems())
        .extracting(Problem::message)
        .containsExactly("segment 4 (DEP): the deposit says it holds 3 cheques, 2 are in it");
    assertThat(read(MORNING.replace("AMT*TP*371.94", "AMT*TP*471.94")).problems())
        .extracting(Problem::message)
        .singleElement()
        .asString()
        .contains("comes to 471.94, its cheques come to 371.94");
    assertThat(read(MORNING.replace("SE*15", "SE*16")).problems()).isNotEmpty();
  }

  @Test
  void takesNothingOfAnInterchangeThatWasCutOffOrCannotBeRead() {
    assertThatThrownBy(() -> read(MORNING.substring(0, MORNING.indexOf("BPR*I*75"))))
        .isInstanceOf(BrokenFile.class);
    assertThatThrownBy(() -> read(MORNING.replace("BPR*I*75.00", "BPR*I*seven")))
        .isInstanceOf(BrokenFile.class)
        .hasMessageContaining("segment 15 (BPR)");
    assertThatThrownBy(
            () -> read(MORNING.replace("RMR*IV*LM-0020826**188.00", "RMR*IV*LM-0020826")))
        .hasMessageContaining("the document has no amount");
  }
}
