package org.sumbrel.formats.x12;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.receivables.RemittanceAdvice;
import org.sumbrel.core.receivables.RemittanceItem;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.FileBytes;

/** What was applied, as X12 820: our own reader of it gives back what was written. */
class RemittanceWriterTest {

  private static final LocalDate DAY = LocalDate.of(2026, 5, 29);
  private static final Money ZERO = Money.zero(CurrencyUnit.USD);

  private static Money usd(String amount) {
    return Money.parse("USD " + amount);
  }

  private static byte[] written(List<RemittanceAdvice> advices) throws IOException {
    var out = new ByteArrayOutputStream();
    RemittanceWriter.write(
        advices,
        new RemittanceWriter.Sender("Larkstow Mill Ltd", 7, LocalDateTime.of(2026, 5, 29, 17, 30)),
        out);
    return out.toByteArray();
  }

  @Test
  void saysWhatWasAppliedAndWhatDiffered() throws IOException {
    var advice =
        new RemittanceAdvice(
            "412",
            Optional.of(DAY),
            "Oskar & Daughters",
            usd("1042.50"),
            List.of(
                new RemittanceItem("LM-0020407", usd("980.00"), usd("20.00"), ZERO, ""),
                new RemittanceItem("CN-7", usd("-20.00"), ZERO, ZERO, ""),
                new RemittanceItem("On account", ZERO, ZERO, usd("82.50"), "ZZ")));

    var text = new String(written(List.of(advice)), StandardCharsets.US_ASCII);

    assertThat(text.lines().map(String::strip))
        .contains(
            "BPR*I*1042.50*C*NON************20260529~",
            "TRN*1*412~",
            "ADX*82.50*ZZ*ZZ*On account~",
            "RMR*IV*LM-0020407**980.00*1000.00*20.00~",
            "RMR*CM*CN-7**-20.00*-20.00~",
            "SE*11*0001~",
            "IEA*1*000000007~");
  }

  @Provide
  Arbitrary<List<RemittanceAdvice>> advices() {
    var reference =
        Arbitraries.strings()
            .withChars("ABC0123456789-/ ")
            .ofMinLength(1)
            .ofMaxLength(20)
            .map(String::strip)
            .filter(s -> !s.isEmpty());
    var minor = Arbitraries.longs().between(1, 9_000_000);
    var document =
        Combinators.combine(
                reference, minor, Arbitraries.longs().between(0, 500), Arbitraries.of(true, false))
            .as(
                (r, m, d, credit) ->
                    new RemittanceItem(
                        r,
                        Money.ofMinor(CurrencyUnit.USD, credit ? -m : m),
                        Money.ofMinor(CurrencyUnit.USD, credit ? 0 : d),
                        ZERO,
                        ""));
    var alone =
        Combinators.combine(reference, minor)
            .as(
                (r, m) ->
                    new RemittanceItem(r, ZERO, ZERO, Money.ofMinor(CurrencyUnit.USD, m), "ZZ"));
    var items =
        Combinators.combine(alone.list().ofMaxSize(2), document.list().ofMinSize(1).ofMaxSize(12))
            .as(
                (some, more) -> {
                  var all = new java.util.ArrayList<>(some);
                  all.addAll(more);
                  return List.copyOf(all);
                });
    var advice =
        Combinators.combine(Arbitraries.integers().between(1, 99_999), reference, items)
            .as(
                (trace, payer, all) -> {
                  var sum = all.stream().map(RemittanceItem::counts).reduce(ZERO, Money::plus);
                  return new RemittanceAdvice(trace.toString(), Optional.of(DAY), payer, sum, all);
                });
    return advice.list().ofMinSize(1).ofMaxSize(6);
  }

  @Property(tries = 100)
  void isReadBackAsItWas(@ForAll("advices") List<RemittanceAdvice> advices) throws Exception {
    var read = AnyFile.read(FileBytes.of(written(advices)), Optional.empty());

    assertThat(read.problems()).isEmpty();
    assertThat(read.remittances()).isEqualTo(advices);
  }
}
