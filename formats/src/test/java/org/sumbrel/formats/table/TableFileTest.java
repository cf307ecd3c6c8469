package org.sumbrel.formats.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Format;

class TableFileTest {

  private static FileContent read(String text) throws BrokenFile {
    return AnyFile.read(text.getBytes(StandardCharsets.UTF_8));
  }

  @Test
  void readsAStatementWithColumnsInAnyOrder() throws Exception {
    var content =
        read(
            "\uFEFFCurrency,amount,entry_id,booking_date,remittance,colour\r\n"
                + "USD,1420.00,E1,2026-05-28,\"INV 20418, FLOUR\nMAY\",red\r\n"
                + "EUR,-3.5,E2,2026-05-29,,\r\n");
    assertThat(content.format()).isEqualTo(Format.STATEMENT_CSV);
    assertThat(content.accounts()).hasSize(2);
    var first = content.accounts().get(0).entries().get(0);
    assertThat(first.remittance()).isEqualTo("INV 20418, FLOUR\nMAY");
    var second = content.accounts().get(1).entries().get(0);
    assertThat(MoneyText.plain(second.amount())).isEqualTo("-3.50");
    assertThat(second.line()).isEqualTo(4);
  }

  @Test
  void readsInvoicesAndCustomers() throws Exception {
    var invoices =
        read(
            "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open,order_ref,creditor_ref,terms\n"
                + "LM-1,invoice,C1,Piazza Forno,2026-05-01,2026-05-31,USD,100.00,40.00,PO-7,,2/10 net 30\n"
                + "CN-1,credit_note,C1,Piazza Forno,2026-05-01,2026-05-01,USD,8.40,8.40,,,\n");
    assertThat(invoices.invoices()).hasSize(2);
    assertThat(invoices.invoices().get(0).terms()).hasToString("Optional[2/10 net 30]");
    assertThat(invoices.invoices().get(1).creditNote()).isTrue();
    var customers = read("customer_id,name,parent_id,payer_account\nC1,Piazza Forno,,A1; A2\n");
    assertThat(customers.customers().get(0).payerAccounts()).containsExactly("A1", "A2");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "E2,28.05.2026,1.00,USD|not written like the others",
        "E2,2026-05-28,\"1.204,50\",USD|1.204,50",
        "E2,2026-05-28,1.00,XXQ|currency",
        ",2026-05-28,1.00,USD|entry_id is empty",
        "E1,2026-05-28,1.00,USD|stands twice",
        "E2,2026-05-28,1.005,USD|decimal digits"
      })
  void namesLineAndReasonAndKeepsNothing(String row, String reason) {
    var text = "entry_id,booking_date,amount,currency\nE1,2026-05-28,1.00,USD\n" + row + "\n";
    assertThatThrownBy(() -> read(text))
        .isInstanceOfSatisfying(
            BrokenFile.class,
            broken -> {
              assertThat(broken.problems())
                  .singleElement()
                  .satisfies(p -> assertThat(p.line()).isEqualTo(3));
              assertThat(broken.problems().get(0).message()).contains(reason);
            });
  }

  @Test
  void refusesWhatIsNoFileOfOurs() {
    assertThatThrownBy(() -> read("Date;Text;Colour\n1;2;3\n"))
        .hasMessageContaining("Date")
        .hasMessageContaining("missing");
    assertThatThrownBy(() -> read("Nothing of the kind\n"))
        .hasMessageContaining("Nothing of the kind");
    assertThatThrownBy(() -> read("")).hasMessageContaining("empty");
    assertThatThrownBy(() -> read("entry_id,booking_date,amount,currency\n\"E1,2026"))
        .isInstanceOf(BrokenFile.class);
  }

  @Test
  void refusesAnInvoiceOpenBeyondItsTotal() {
    assertThatThrownBy(
            () ->
                read(
                    "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open\n"
                        + "LM-1,invoice,C1,Forno,2026-05-01,2026-05-31,USD,100.00,140.00\n"))
        .hasMessageContaining("140.00")
        .hasMessageContaining("100.00");
  }
}
