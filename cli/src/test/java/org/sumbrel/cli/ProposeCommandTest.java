package org.sumbrel.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** One of every situation, through the command, with the document as it is promised. */
class ProposeCommandTest {

  private static final String INVOICES =
      """
      number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open,order_ref,creditor_ref,terms
      LM-0020418,invoice,C1,Piazza Forno,2026-04-15,2026-05-15,USD,1040.00,1040.00,PO-7731,,
      LM-0020431,invoice,C2,Café Tamarisk,2026-05-20,2026-06-19,USD,500.00,500.00,,,2/10 net 30
      LM-0020440,invoice,C3,Wrenhouse Bagels,2026-04-20,2026-05-20,USD,800.00,800.00,,,2/10 net 30
      LM-0020452,invoice,C4,Ferrymans Rest,2026-04-20,2026-05-20,USD,618.00,618.00,,,
      LM-0020460,invoice,C5,Marlpit Flatbreads,2026-04-20,2026-05-20,USD,900.00,900.00,,,
      LC-0020461,credit_note,C5,Marlpit Flatbreads,2026-04-25,2026-04-25,USD,60.00,60.00,,,
      LM-0020470,invoice,C6,Halloway Street Deli,2026-04-20,2026-05-20,EUR,70.00,70.00,,,
      """;
  private static final String MONEY =
      """
      entry_id,booking_date,amount,currency,payer_name,payer_account,remittance,bank_reference,check_number
      E1,2026-05-28,1040.00,USD,PIAZZA FORNO,,INV LM-0020481,,
      E2,2026-05-28,490.00,USD,Cafe Tamarisk,,LM-0020431,,
      E3,2026-05-28,784.00,USD,Wrenhouse Bagels,,LM-0020440,,
      E4,2026-05-28,600.00,USD,Ferrymans Rest,,20452 short delivery,,
      E5,2026-05-28,840.00,USD,Marlpit Flatbreads,,LM-0020460 LC-0020461,,
      E6,2026-05-28,70.00,EUR,Halloway Street Deli,,LM-0020470,,
      E7,2026-05-28,-18.00,USD,,,MONTHLY FEE,,
      E8,2026-05-28,3.17,USD,COPPERBECK SAVINGS BANK,,INTEREST,,
      """;

  @TempDir private Path folder;
  private final PrintStream realOut = System.out;
  private final PrintStream realErr = System.err;
  private final ByteArrayOutputStream out = new ByteArrayOutputStream();
  private final ByteArrayOutputStream err = new ByteArrayOutputStream();

  @BeforeEach
  void listen() {
    System.setOut(new PrintStream(out, true, StandardCharsets.UTF_8));
    System.setErr(new PrintStream(err, true, StandardCharsets.UTF_8));
  }

  @AfterEach
  void restore() {
    System.setOut(realOut);
    System.setErr(realErr);
  }

  private String file(String name, String text) throws Exception {
    return Files.writeString(folder.resolve(name), text).toString();
  }

  private List<JsonNode> propose(String... more) throws Exception {
    var call =
        Stream.concat(
                Stream.of(
                    "propose",
                    "--invoices",
                    file("invoices.csv", INVOICES),
                    "--money",
                    file("money.csv", MONEY)),
                Stream.of(more))
            .toArray(String[]::new);
    assertThat(Sumbrel.run(call)).as(err.toString(StandardCharsets.UTF_8)).isZero();
    var entries = new ObjectMapper().readTree(out.toString(StandardCharsets.UTF_8)).at("/entries");
    return Stream.iterate(0, n -> n < entries.size(), n -> n + 1).map(n -> entries.get(n)).toList();
  }

  @Test
  void explainsEveryEntryInTheOrderOfTheFile() throws Exception {
    var entries = propose();
    assertThat(entries)
        .extracting(e -> e.at("/entryId").asText())
        .containsExactly("E1", "E2", "E3", "E4", "E5", "E6", "E7", "E8");

    var slip = entries.get(0).at("/proposals/0");
    assertThat(slip.at("/applications/0/number").asText()).isEqualTo("LM-0020418");
    assertThat(slip.at("/customerId").asText()).isEqualTo("C1");
    assertThat(slip.at("/evidence").toString()).contains("one slip away");

    var inTime = entries.get(1).at("/proposals/0/applications/0");
    assertThat(inTime.at("/amount").asText()).isEqualTo("500.00");
    assertThat(inTime.at("/discount").asText()).isEqualTo("10.00");

    var late = entries.get(2).at("/proposals/0");
    assertThat(late.at("/applications/0/amount").asText()).isEqualTo("800.00");
    assertThat(late.at("/adjustments/0/kind").asText()).isEqualTo("claim");
    assertThat(late.at("/adjustments/0/amount").asText()).isEqualTo("16.00");

    var held = entries.get(3).at("/proposals/0/adjustments/0");
    assertThat(held.at("/kind").asText()).isEqualTo("claim");
    assertThat(held.at("/amount").asText()).isEqualTo("18.00");

    assertThat(entries.get(4).at("/proposals/0/applications").findValuesAsText("amount"))
        .containsExactlyInAnyOrder("900.00", "-60.00");
    assertThat(entries.get(5).at("/proposals/0/applications/0/number").asText())
        .isEqualTo("LM-0020470");
    assertThat(entries.get(6).at("/standing").asText()).isEqualTo("debit");
    assertThat(entries.get(6).at("/proposals")).isEmpty();
    assertThat(entries.get(7).at("/proposals")).isEmpty();
  }

  /** Σ applications − Σ discounts − Σ adjustments + on account = the entry, for every proposal. */
  @Test
  void addsUpToTheCent() throws Exception {
    for (var entry : propose()) {
      for (var proposal : entry.at("/proposals")) {
        var sum = new BigDecimal(proposal.at("/onAccount").asText());
        for (var application : proposal.at("/applications")) {
          sum = sum.add(new BigDecimal(application.at("/amount").asText()));
          sum = sum.subtract(new BigDecimal(application.at("/discount").asText()));
        }
        for (var adjustment : proposal.at("/adjustments")) {
          sum = sum.subtract(new BigDecimal(adjustment.at("/amount").asText()));
        }
        assertThat(sum).isEqualByComparingTo(entry.at("/amount").asText());
      }
    }
  }

  @Test
  void followsAPolicy() throws Exception {
    var policy =
        file(
            "policy.yml",
            """
            discount: { grace_days: 0, late: grant }
            bank_fees: [ 18.00 ]
            short: { with_reason: leave_open, part_payment: leave_open }
            clear_at: 0.9
            """);
    var entries = propose("--policy", policy);
    var granted = entries.get(2).at("/proposals/0/applications/0");
    assertThat(granted.at("/discount").asText()).isEqualTo("16.00");
    assertThat(entries.get(3).at("/proposals/0/adjustments/0/kind").asText()).isEqualTo("fee");
  }

  @Test
  void saysWhatIsWrongWithTheInput() throws Exception {
    var money = file("money.csv", MONEY);
    var invoices = file("invoices.csv", INVOICES);
    assertThat(Sumbrel.run("propose", "--money", money)).isEqualTo(2);
    assertThat(Sumbrel.run("propose", "--invoices", money, "--money", money)).isEqualTo(1);
    assertThat(err.toString(StandardCharsets.UTF_8)).contains("expected invoices-csv");
    var wrong = file("wrong.yml", "discount: { grace_days: 3, late: forget }\n");
    var call =
        new String[] {"propose", "--invoices", invoices, "--money", money, "--policy", wrong};
    assertThat(Sumbrel.run(call)).isEqualTo(1);
    assertThat(err.toString(StandardCharsets.UTF_8)).contains("\"forget\" is none of");
  }
}
