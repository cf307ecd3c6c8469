package org.sumbrel.server.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.Clerk.Answer;

/** An intake of many records is followed while it runs, and stopped without a trace. */
@ApiTest
@TestPropertySource(properties = "sumbrel.test.books=intake")
class RunningIntakeTest {

  private static final int MANY = 100_000;

  @Autowired private MockMvc web;
  private Clerk maren;
  private String account;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    account =
        "?bankAccount=" + maren.get("/api/me").body().at("/companies/0/bankAccounts/1/id").asText();
  }

  /** Debits, which give the engine nothing to do. */
  private static String debits(int count) {
    var text = new StringBuilder("entry_id,booking_date,amount,currency,remittance\n");
    for (var n = 0; n < count; n++) {
      text.append("RUN").append(n).append(",2026-02-11,-1.00,USD,fee ").append(n).append('\n');
    }
    return text.toString();
  }

  private String state() {
    return maren.get("/api/intakes").body()
        + " "
        + maren.get("/api/flow").body()
        + maren.get("/api/cent-trail").body();
  }

  @Test
  @Timeout(120)
  void isFollowedAndStoppedAndNothingOfItIsKept() throws Exception {
    var before = state();
    var run = UUID.randomUUID().toString();
    var path = "/api/intakes/running/" + run;
    assertThat(maren.get(path).status()).isEqualTo(204);
    var text = debits(MANY);
    CompletableFuture<Answer> taking =
        CompletableFuture.supplyAsync(() -> maren.drop("many.csv", text, account + "&run=" + run));
    Answer seen = maren.get(path);
    while (!taking.isDone() && !seen.text("/phase").equals("KEEPING")) {
      TimeUnit.MILLISECONDS.sleep(20);
      seen = maren.get(path);
    }
    assertThat(seen.body().at("/total").asLong()).isEqualTo(MANY);
    expect(204, maren.delete(path));
    var answer = taking.get();
    assertThat(answer.status()).isEqualTo(409);
    assertThat(answer.text("/code")).isEqualTo("STOPPED");
    assertThat(answer.text("/detail")).contains("nothing of the file was kept");
    assertThat(state()).isEqualTo(before);
    assertThat(maren.get(path).status()).isEqualTo(204);
    assertThat(maren.delete(path).status()).isEqualTo(404);
  }

  @Test
  void oneThatIsFollowedComesThroughLikeAnyOther() {
    var run = UUID.randomUUID().toString();
    var answer = maren.drop("few.csv", debits(3), account + "&run=" + run);
    assertThat(expect(201, answer).body().at("/fresh").asInt()).isEqualTo(3);
    var id = answer.body().at("/id").asLong();
    assertThat(maren.get("/api/intakes/running/" + run).status()).isEqualTo(204);
    expect(200, maren.post("/api/intakes/" + id + "/taking-back", "{}"));
    assertThat(maren.drop("few.csv", debits(3), account + "&run=no-uuid").status()).isEqualTo(400);
  }
}
