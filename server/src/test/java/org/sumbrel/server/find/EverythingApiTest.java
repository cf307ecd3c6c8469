package org.sumbrel.server.find;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.List;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

@ApiTest
class EverythingApiTest {

  @Autowired private MockMvc web;
  private Clerk maren;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
  }

  private List<JsonNode> found(String q) {
    var things = expect(200, maren.get("/api/everything?q=" + q)).body().at("/things");
    return StreamSupport.stream(things.spliterator(), false).toList();
  }

  private static List<String> kinds(List<JsonNode> found) {
    return found.stream().map(t -> t.at("/kind").asText()).distinct().toList();
  }

  @Test
  void findsByNameNumberAmountAndText() {
    var books = new TestBooks(maren).invoices("4871.13");
    var item = books.item(0);
    var entry = books.credit("4871.13", "wording beyond compare");
    var id =
        expect(201, maren.post("/api/settlements", draft(entry, applied(item, "4871.13"), "")))
            .text("/id");

    assertThat(kinds(found(books.customer().split(" ")[0])))
        .contains("CUSTOMER", "ITEM", "ENTRY", "JOURNAL_ENTRY");
    var byNumber = found(books.number(0));
    assertThat(byNumber.get(0).at("/kind").asText()).isEqualTo("ITEM");
    assertThat(byNumber.get(0).at("/state").asText()).isEqualTo("settled");
    assertThat(kinds(found("4871.13"))).contains("ITEM", "ENTRY", "JOURNAL_ENTRY");
    var byText = found("beyond compare");
    assertThat(byText).hasSize(1);
    assertThat(byText.get(0).at("/within").asText()).isEqualTo(id);
    assertThat(found(id))
        .anyMatch(
            t -> t.at("/kind").asText().equals("SETTLEMENT") && t.at("/id").asText().equals(id));
  }

  @Test
  void aJournalEntryIsFoundByItsNumberFirst() {
    var entry = maren.get("/api/journal-entries?limit=1").body().at("/rows/0");

    var journal =
        found(entry.at("/id").asText()).stream()
            .filter(t -> t.at("/kind").asText().equals("JOURNAL_ENTRY"))
            .toList();

    assertThat(journal.get(0).at("/id")).isEqualTo(entry.at("/id"));
    assertThat(journal.get(0).at("/words")).isEqualTo(entry.at("/text"));
  }

  @Test
  void saysWhatItDoesNotUnderstandAndFindsNothingForNothing() {
    assertThat(maren.get("/api/everything?q=method:never").body().at("/problems")).hasSize(1);
    assertThat(found("")).isEmpty();
    assertThat(found("nothing has this text at all")).isEmpty();
  }
}
