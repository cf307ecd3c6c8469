package org.sumbrel.formats.ubl;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.helger.ubl21.UBL21Marshaller;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.CustomerPartyType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.MonetaryTotalType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.OrderReferenceType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PartyNameType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PartyType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PaymentMeansType;
import oasis.names.specification.ubl.schema.xsd.invoice_21.InvoiceType;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.receivables.InvoiceRow;

/**
 * UBL 2.1 against the examples that OASIS publishes with the standard (as ph-ubl-testfiles ships
 * them), and against what ph-ubl, a library of its own, reads in them and writes.
 */
class UblReaderTest {

  private static byte[] example(String name) throws IOException {
    try (var in = UblReaderTest.class.getResourceAsStream("/external/test-ubl/" + name)) {
      return in.readAllBytes();
    }
  }

  private static String text(String name) throws IOException {
    return new String(example(name), StandardCharsets.UTF_8);
  }

  private static FileContent read(String text) throws BrokenFile {
    return AnyFile.read(text.getBytes(StandardCharsets.UTF_8));
  }

  private static InvoiceRow only(FileContent content) {
    assertThat(content.invoices()).hasSize(1);
    return content.invoices().get(0);
  }

  /** OASIS UBL 2.1, UBL-Invoice-2.1-Example.xml. */
  @Test
  void readsTheInvoiceOfTheStandard() throws Exception {
    var content = read(text("invoice/UBL-Invoice-2.1-Example.xml"));
    assertThat(content.format()).isEqualTo(Format.UBL_INVOICE);
    assertThat(content.problems()).isEmpty();
    var invoice = only(content);
    assertThat(invoice.number()).isEqualTo("TOSL108");
    assertThat(invoice.creditNote()).isFalse();
    assertThat(invoice.issueDate()).isEqualTo(LocalDate.of(2009, 12, 15));
    assertThat(invoice.dueDate()).isEqualTo(LocalDate.of(2009, 12, 31));
    assertThat(invoice.customerId()).isEqualTo("345KS5324");
    assertThat(invoice.customerName()).isEqualTo("Buyercompany ltd");
    assertThat(invoice.total()).hasToString("EUR 1729.00");
    assertThat(invoice.open()).hasToString("EUR 729.00");
    assertThat(invoice.orderReference()).isEqualTo("123");
    assertThat(invoice.creditorReference()).isEqualTo("Payref1");
  }

  /** OASIS UBL 2.1, UBL-CreditNote-2.1-Example.xml. */
  @Test
  void readsTheCreditNoteOfTheStandard() throws Exception {
    var content = read(text("creditnote/UBL-CreditNote-2.1-Example.xml"));
    assertThat(content.format()).isEqualTo(Format.UBL_CREDIT_NOTE);
    var note = only(content);
    assertThat(note.creditNote()).isTrue();
    assertThat(note.open()).hasToString("EUR 729.00");
  }

  /** OASIS UBL 2.1, UBL-Invoice-2.1-Example-Trivial.xml: hardly more than the schema asks for. */
  @Test
  void readsTheTrivialInvoiceWithoutACustomersNumber() throws Exception {
    var invoice = only(read(text("invoice/UBL-Invoice-2.1-Example-Trivial.xml")));
    assertThat(invoice.number()).isEqualTo("123");
    assertThat(invoice.customerId()).isEmpty();
    assertThat(invoice.customerName()).isEqualTo("North American Veeblefetzer");
    assertThat(invoice.open()).hasToString("CAD 100.00");
    assertThat(invoice.dueDate()).isEqualTo(invoice.issueDate());
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "invoice/UBL-Invoice-2.1-Example.xml",
        "invoice/UBL-Invoice-2.1-Example-Trivial.xml",
        "invoice/BII04 XML example full core data 01.xml"
      })
  void readsTheSameAsAnotherLibrary(String name) throws Exception {
    var theirs = UBL21Marshaller.invoice().read(new ByteArrayInputStream(example(name)));
    var ours = only(AnyFile.read(example(name)));
    assertThat(ours.number()).isEqualTo(theirs.getIDValue());
    assertThat(ours.issueDate()).isEqualTo(theirs.getIssueDateValueLocal());
    assertThat(ours.open().getAmount())
        .isEqualByComparingTo(theirs.getLegalMonetaryTotal().getPayableAmountValue());
    var customer = theirs.getAccountingCustomerParty().getParty();
    assertThat(ours.customerName()).isEqualTo(customer.getPartyName().get(0).getNameValue());
  }

  /** Made by ph-ubl, read by us. */
  @Test
  void readsWhatAnotherLibraryWrites() throws Exception {
    var invoice = new InvoiceType();
    invoice.setID("LM-7");
    invoice.setIssueDate(LocalDate.of(2026, 5, 1));
    invoice.setDueDate(LocalDate.of(2026, 5, 31));
    invoice.setDocumentCurrencyCode("USD");
    var order = new OrderReferenceType();
    order.setID("PO-7731");
    invoice.setOrderReference(order);
    var party = new PartyType();
    var name = new PartyNameType();
    name.setName("Oskar & Daughters <Bakehouse>");
    party.addPartyName(name);
    var customer = new CustomerPartyType();
    customer.setSupplierAssignedAccountID("C0042");
    customer.setParty(party);
    invoice.setAccountingCustomerParty(customer);
    var means = new PaymentMeansType();
    means.setPaymentMeansCode("30");
    invoice.addPaymentMeans(means);
    var total = new MonetaryTotalType();
    total.setPayableAmount(new BigDecimal("1420.50")).setCurrencyID("USD");
    invoice.setLegalMonetaryTotal(total);
    var out = new ByteArrayOutputStream();
    UBL21Marshaller.invoice().setUseSchema(false).write(invoice, out);

    var ours = only(AnyFile.read(out.toByteArray()));
    assertThat(ours.number()).isEqualTo("LM-7");
    assertThat(ours.customerId()).isEqualTo("C0042");
    assertThat(ours.customerName()).isEqualTo("Oskar & Daughters <Bakehouse>");
    assertThat(ours.orderReference()).isEqualTo("PO-7731");
    assertThat(ours.dueDate()).isEqualTo(LocalDate.of(2026, 5, 31));
    assertThat(MoneyText.plain(ours.open())).isEqualTo("1420.50");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "<cbc:PayableAmount currencyID=\"EUR\">729|<cbc:PayableAmount currencyID=\"EUR\">1e9|PayableAmount",
        "<cbc:PayableAmount currencyID=\"EUR\">729|<cbc:PayableAmount currencyID=\"EUR\">729.001|decimal digits",
        "<cbc:PayableAmount currencyID=\"EUR\">|<cbc:PayableAmount currencyID=\"USD\">|is in USD, the document in EUR",
        "<cbc:PayableAmount currencyID=\"EUR\">729</cbc:PayableAmount>|<!-- -->|no PayableAmount",
        "<cbc:PayableAmount currencyID=\"EUR\">729|<cbc:PayableAmount currencyID=\"EUR\">-29|more was paid before",
        "2009-12-15|2009-13-45|is not a date",
        ">TOSL108<|><|does not say its number",
        "<Invoice |<!DOCTYPE x SYSTEM \"file:///etc/passwd\"><Invoice |document type"
      })
  void namesWhatIsWrong(String right, String wrong, String reason) throws Exception {
    var whole = text("invoice/UBL-Invoice-2.1-Example.xml");
    assertThat(whole).contains(right);
    assertThatThrownBy(() -> read(whole.replace(right, wrong)))
        .isInstanceOf(BrokenFile.class)
        .hasMessageContaining(reason);
  }

  @Test
  void aTotalThatContradictsItselfIsTold() throws Exception {
    var content =
        read(
            text("invoice/UBL-Invoice-2.1-Example.xml")
                .replace(">1729</cbc:TaxInclusiveAmount>", ">1800</cbc:TaxInclusiveAmount>"));
    assertThat(content.problems())
        .singleElement()
        .satisfies(p -> assertThat(p.message()).contains("1,729.00").contains("1,800.00"));
  }

  @Test
  void cutOffAnywhereItIsNoInvoice() throws Exception {
    var whole = text("invoice/UBL-Invoice-2.1-Example-Trivial.xml").stripTrailing();
    for (var length = 200; length < whole.length(); length += 37) {
      var cut = whole.substring(0, length);
      assertThatThrownBy(() -> read(cut)).isInstanceOf(BrokenFile.class);
    }
  }
}
