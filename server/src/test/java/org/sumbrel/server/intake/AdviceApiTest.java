package org.sumbrel.server.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/** What payers say of their payments: before the money, after it, pasted, tied by hand. */
@ApiTest
@TestPropertySource(properties = "sumbrel.test.books=intake")
class AdviceApiTest {

  private static final String LIST =
      "trace,payment_date,payer_name,reference,amount,discount,total,currency\n";
  private static final String ENTRIES =
      "entry_id,booking_date,amount,currency,payer_name,remittance\n";

  @Autowired private MockMvc web;
  private Clerk maren;
  private String account;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    account =
        "?bankAccount=" + maren.get("/api/me").body().at("/companies/0/bankAccounts/1/id").asText();
  }

  private JsonNode statement(String row) {
    return expect(201, maren.drop("advised.csv", ENTRIES + row + "\n", account)).body();
  }

  private long firstOf(JsonNode intake) {
    return maren
        .get("/api/intakes/" + intake.at("/id").asLong() + "/records")
        .body()
        .at("/rows/0/id")
        .asLong();
  }

  private JsonNode entry(long id) {
    return maren.get("/api/entries/" + id).body();
  }

  private String stateOf(JsonNode intake) {
    return maren
        .get("/api/intakes/" + intake.at("/id").asLong() + "/records")
        .body()
        .at("/rows/0/state")
        .asText();
  }

  @Test
  void anX12AdviceBeforeItsMoneyLeadsTheProposals() {
    var books = new TestBooks(maren).invoices("300.00", "200.00", "500.00");
    var body =
        """
        ST*820*0001~
        BPR*C*500.00*C*ACH*CTX*01*021000089*DA*77120*1512345678**01*021000021*DA*4410027719*20260507~
        TRN*1*TRACE8841201*1512345678~
        N1*PR*%s~
        ENT*1~
        RMR*IV*%s**300~
        RMR*IV*%s**200~
        SE*8*0001~
        """
            .formatted(books.customer(), books.number(0), books.number(1));
    var advice =
        expect(
                201,
                maren.drop(
                    "advice.edi",
                    "ISA*00*          *00*          *ZZ*THISTLEBROOK   *ZZ*LARKSTOW       *260507*0930*U*00401*000000017*0*P*>~\n"
                        + "GS*RA*THISTLEBROOK*LARKSTOW*20260507*0930*17*X*004010~\n"
                        + body
                        + "GE*1*17~\nIEA*1*000000017~\n"))
            .body();
    assertThat(advice.at("/problems/0").asText())
        .isEqualTo("1 remittance advice waits for its money");
    assertThat(stateOf(advice)).isEqualTo("LOOSE");
    assertThat(maren.get("/api/remittances").body().findValuesAsText("trace"))
        .contains("TRACE8841201");

    // the amount alone is that of the third invoice
    var money =
        statement("AD1,2026-05-08,500.00,USD," + books.customer() + ",ACH TRACE8841201 CTX");
    assertThat(money.at("/problems/0").asText())
        .isEqualTo("1 remittance advice has found its money");
    assertThat(stateOf(advice)).isEqualTo("TIED");
    var entry = entry(firstOf(money));
    assertThat(entry.at("/advice/tiedBy").asText()).isEqualTo("TRACE");
    assertThat(entry.at("/advice/sum/amount").asText()).isEqualTo("500.00");
    assertThat(entry.at("/advice/unlisted/amount").asText()).isEqualTo("0.00");
    assertThat(entry.at("/arrivedMore/amount").asText()).isEqualTo("0.00");
    assertThat(entry.at("/standing").asText()).isEqualTo("CLEAR");
    assertThat(entry.at("/proposals/0/applications").findValuesAsText("number"))
        .containsExactly(books.number(0), books.number(1));
    assertThat(entry.at("/proposals/0/evidence/0/text").asText())
        .contains("trace TRACE8841201")
        .contains("add up to the cent");
  }

  @Test
  void aListAfterItsMoneyIsTiedByAmountAndDateAndMayBeUntied() {
    var books = new TestBooks(maren).invoices("311.07", "120.00");
    var money = statement("AD2,2026-04-08,431.07,USD,Somebody,no word");
    var id = firstOf(money);
    assertThat(entry(id).hasNonNull("advice")).isFalse();
    var list =
        LIST
            + ",2026-04-07,%s,%s,311.07,,431.07,USD\n,2026-04-07,%s,%s,120.00,,431.07,USD\n"
                .formatted(books.customer(), books.number(0), books.customer(), books.number(1));
    var advice = expect(201, maren.drop("list.csv", list)).body();
    assertThat(advice.at("/format").asText()).isEqualTo("remittance-csv");
    assertThat(advice.at("/problems/0").asText())
        .isEqualTo("1 remittance advice has found its money");
    var entry = entry(id);
    assertThat(entry.at("/advice/tiedBy").asText()).isEqualTo("AMOUNT_AND_DATE");
    assertThat(entry.at("/proposals/0/applications")).hasSize(2);
    // the same list once more changes nothing
    var again = expect(201, maren.drop("list.csv", list)).body();
    assertThat(again.at("/known").asInt()).isEqualTo(1);

    var key = entry.at("/advice/id").asLong();
    expect(204, maren.delete("/api/remittances/" + key + "/entry"));
    assertThat(entry(id).hasNonNull("advice")).isFalse();
    assertThat(entry(id).toString()).doesNotContain("advice.whole");
    expect(204, maren.put("/api/remittances/" + key + "/entry", "{\"entryId\":" + id + "}"));
    assertThat(entry(id).at("/advice/tiedBy").asText()).isEqualTo("HAND");

    // without the intake that brought it, nothing of it is left
    expect(200, maren.post("/api/intakes/" + advice.at("/id").asLong() + "/taking-back", "{}"));
    assertThat(entry(id).hasNonNull("advice")).isFalse();
  }

  @Test
  void theMoneyMayBeTakenBackAndComeAgain() {
    var advice =
        expect(
                201,
                maren.drop("loose.csv", LIST + "TRC-55510,2026-04-14,Wren,ZZ-1,10.01,,10.01,USD\n"))
            .body();
    var money = statement("AD3,2026-04-15,10.01,USD,Wren,TRC-55510");
    assertThat(stateOf(advice)).isEqualTo("TIED");
    expect(200, maren.post("/api/intakes/" + money.at("/id").asLong() + "/taking-back", "{}"));
    assertThat(stateOf(advice)).isEqualTo("LOOSE");
    statement("AD3,2026-04-15,10.01,USD,Wren,TRC-55510");
    assertThat(stateOf(advice)).isEqualTo("TIED");
  }

  @Test
  void aPastedAdviceIsKeptLikeAFile() {
    var books = new TestBooks(maren).invoices("61.50", "19.25");
    var pasted =
        expect(
                201,
                maren.post(
                    "/api/remittances/pasted",
                    """
                    {"currency":"USD","trace":"P-90417","payerName":"Heron","paidOn":"2026-04-20",
                     "text":"Dear all, we pay\\n%s  20/05/2026  61.50\\n%s; 19.25 USD\\nTotal 80.75"}
                    """
                        .formatted(books.number(0), books.number(1))))
            .body();
    assertThat(pasted.at("/fresh").asInt()).isEqualTo(1);
    assertThat(maren.saved("/api/intakes/" + pasted.at("/id").asLong() + "/file"))
        .contains(books.number(0) + ",61.50,80.75,USD");
    var entry = entry(firstOf(statement("AD4,2026-04-21,80.75,USD,Heron,")));
    assertThat(entry.at("/advice/trace").asText()).isEqualTo("P-90417");
    assertThat(entry.at("/proposals/0/applications")).hasSize(2);

    var refused =
        maren.post(
            "/api/remittances/pasted",
            "{\"currency\":\"USD\",\"trace\":\"\",\"payerName\":\"\",\"text\":\"LM-1 5.00\\nLM-2\\nflour 7.00\"}");
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.body().toString())
        .contains("no amount such as 1,234.50 stands in this line: LM-2")
        .contains("no document's number stands in this line: flour 7.00");
  }

  @Test
  void whatDoesNotFitIsNotTied() {
    expect(201, maren.drop("x.csv", LIST + "TRC-77711,2026-04-22,Wren,ZZ-1,7.77,,7.77,USD\n"));
    expect(201, maren.drop("y.csv", LIST + "TRC-77712,2026-04-22,Wren,ZZ-2,9.99,,9.99,USD\n"));
    var money = firstOf(statement("AD5,2026-04-23,7.77,USD,Wren,TRC-77711"));
    var other = 0L;
    for (var loose : maren.get("/api/remittances").body()) {
      other = loose.at("/trace").asText().equals("TRC-77712") ? loose.at("/id").asLong() : other;
    }
    var refused = maren.put("/api/remittances/" + other + "/entry", "{\"entryId\":" + money + "}");
    assertThat(refused.status()).isEqualTo(409);
    assertThat(refused.text("/detail")).contains("Another remittance advice is tied");
    assertThat(maren.put("/api/remittances/999999/entry", "{\"entryId\":1}").status())
        .isEqualTo(404);
  }
}
