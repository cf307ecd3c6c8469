package org.sumbrel.formats.x12;

import io.xlate.edi.stream.EDIOutputFactory;
import io.xlate.edi.stream.EDIStreamException;
import io.xlate.edi.stream.EDIStreamWriter;
import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Collection;
import java.util.Locale;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.RemittanceAdvice;
import org.sumbrel.core.receivables.RemittanceItem;

/**
 * Writes remittance advice as ASC X12 transaction set 820 (004010), one set for each advice: the
 * payment in {@code BPR} (for information, {@code I}; no payment data, {@code NON}), its trace in
 * {@code TRN}, payer and payee in {@code N1}, what is for no document in {@code ADX}, each document
 * in {@code RMR} with what is paid, what its balance falls by and the discount.
 */
public final class RemittanceWriter {

  private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("yyyyMMdd", Locale.ROOT);
  private static final DateTimeFormatter SHORT_DAY =
      DateTimeFormatter.ofPattern("yyMMdd", Locale.ROOT);
  private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HHmm", Locale.ROOT);

  private final EDIStreamWriter edi;
  private int segments;

  private RemittanceWriter(EDIStreamWriter edi) {
    this.edi = edi;
  }

  /**
   * Who sends the interchange.
   *
   * @param company the payee, who tells what he applied
   * @param control number of the interchange, positive
   */
  public record Sender(String company, long control, LocalDateTime at) {}

  /**
   * Writes one interchange; the stream stays open.
   *
   * @throws IOException where the stream takes no more
   */
  public static void write(Collection<RemittanceAdvice> advices, Sender sender, OutputStream out)
      throws IOException {
    var factory = EDIOutputFactory.newFactory();
    factory.setProperty(EDIOutputFactory.PRETTY_PRINT, true);
    try (var edi = factory.createEDIStreamWriter(new LeftOpen(out))) {
      new RemittanceWriter(edi).interchange(advices, sender);
    } catch (EDIStreamException e) {
      throw new IOException("the remittance cannot be written: " + e.getMessage(), e);
    }
  }

  private void interchange(Collection<RemittanceAdvice> advices, Sender sender)
      throws EDIStreamException {
    var control = String.format(Locale.ROOT, "%09d", sender.control());
    var name = padded(sender.company().toUpperCase(Locale.ROOT), 15);
    edi.startInterchange();
    segment(
        "ISA",
        "00",
        padded("", 10),
        "00",
        padded("", 10),
        "ZZ",
        name,
        "ZZ",
        name,
        SHORT_DAY.format(sender.at()),
        TIME.format(sender.at()),
        "U",
        "00401",
        control,
        "0",
        "P",
        ">");
    segment(
        "GS",
        "RA",
        name.strip(),
        name.strip(),
        DAY.format(sender.at()),
        TIME.format(sender.at()),
        Long.toString(sender.control()),
        "X",
        "004010");
    var number = 0;
    for (var advice : advices) {
      set(advice, ++number, sender.company());
    }
    segment("GE", Integer.toString(number), Long.toString(sender.control()));
    segment("IEA", "1", control);
    edi.endInterchange();
  }

  private void set(RemittanceAdvice advice, int number, String payee) throws EDIStreamException {
    segments = 0;
    var control = String.format(Locale.ROOT, "%04d", number);
    var total = advice.total();
    segment("ST", "820", control);
    segment(
        "BPR",
        "I",
        MoneyText.plain(total.abs()),
        total.isNegative() ? "D" : "C",
        "NON",
        "",
        "",
        "",
        "",
        "",
        "",
        "",
        "",
        "",
        "",
        "",
        advice.date().map(DAY::format).orElse(""));
    segment("TRN", "1", advice.trace());
    segment("CUR", "PR", total.getCurrencyUnit().getCode());
    segment("N1", "PR", advice.payerName());
    segment("N1", "PE", payee);
    segment("ENT", "1");
    for (var item : advice.items()) {
      if (item.standsAlone()) {
        segment("ADX", MoneyText.plain(item.adjustment()), item.reason(), "ZZ", item.reference());
      }
    }
    for (var item : advice.items()) {
      if (!item.standsAlone()) {
        document(item);
      }
    }
    segment("SE", Integer.toString(segments + 1), control);
  }

  private void document(RemittanceItem item) throws EDIStreamException {
    segment(
        "RMR",
        item.amount().isNegative() ? "CM" : "IV",
        item.reference(),
        "",
        MoneyText.plain(item.amount()),
        MoneyText.plain(item.amount().plus(item.discount()).minus(item.adjustment())),
        item.discount().isZero() ? "" : MoneyText.plain(item.discount()));
    if (!item.adjustment().isZero()) {
      segment("ADX", MoneyText.plain(item.adjustment()), item.reason());
    }
  }

  /** Elements at the end that are empty are left out. */
  private void segment(String tag, String... elements) throws EDIStreamException {
    edi.writeStartSegment(tag);
    var last = elements.length;
    while (last > 0 && elements[last - 1].isEmpty()) {
      last--;
    }
    for (var n = 0; n < last; n++) {
      edi.writeElement(tag.equals("ISA") ? elements[n] : harmless(elements[n]));
    }
    edi.writeEndSegment();
    segments++;
  }

  /** Without what separates elements, and in the characters that an X12 file has. */
  private static String harmless(String text) {
    return text.replaceAll("[*~>^\\p{Cntrl}]", " ").strip();
  }

  private static String padded(String text, int length) {
    var plain = harmless(text);
    return String.format(Locale.ROOT, "%-" + length + "s", plain).substring(0, length);
  }

  /** The writer closes what it writes to; whoever gave the stream closes it himself. */
  private static final class LeftOpen extends FilterOutputStream {
    LeftOpen(OutputStream out) {
      super(out);
    }

    @Override
    public void close() throws IOException {
      flush();
    }
  }
}
