package org.sumbrel.server.notes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.util.Arrays;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/** Notes, questions to a colleague, attached files. */
@ApiTest
class NoteApiTest {

  @Autowired private MockMvc web;
  private Clerk maren;
  private Clerk osric;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    osric = Clerk.osric(web);
  }

  private static String note(String about, String text, String to) {
    return "{\"about\":\"%s\",\"text\":\"%s\",\"to\":%s}"
        .formatted(about, text, to == null ? "null" : "\"" + to + "\"");
  }

  private long written(String about, String text, String to) {
    return expect(201, maren.post("/api/notes", note(about, text, to))).body().at("/id").asLong();
  }

  private MockHttpServletResponse attach(long noteId, String name, byte[] content)
      throws Exception {
    return web.perform(
            MockMvcRequestBuilders.multipart("/api/notes/" + noteId + "/attachments")
                .file(new MockMultipartFile("file", name, "application/octet-stream", content))
                .with(Clerk.signedIn("maren", "CLERK"))
                .with(SecurityMockMvcRequestPostProcessors.csrf()))
        .andReturn()
        .getResponse();
  }

  private static byte[] picture() throws Exception {
    var out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(4, 3, BufferedImage.TYPE_INT_RGB), "png", out);
    return out.toByteArray();
  }

  private static String detail(MockHttpServletResponse answer) throws Exception {
    return new ObjectMapper().readTree(answer.getContentAsString()).at("/detail").asText();
  }

  @Test
  void asksAColleagueUntilItIsDone() {
    var books = new TestBooks(maren).invoices("12.00");
    var entry = books.credit("12.00", "who is this");
    var about = "entry-" + entry;
    var id = written(about, "Is this one of ours?", "osric");
    var asked = osric.get("/api/notes/asked").body();
    var mine =
        asked.findValuesAsText("title").stream().filter(t -> t.contains(books.customer())).toList();
    assertThat(mine).singleElement().asString().contains("12.00 from", "28 May 2026");
    assertThat(maren.get("/api/notes/marks").body().findValuesAsText("about")).contains(about);
    assertThat(
            new Clerk(web, "pell", "CLERK")
                .post("/api/notes/" + id + "/done", "{}")
                .text("/detail"))
        .contains("asked of osric");
    assertThat(expect(200, osric.post("/api/notes/" + id + "/done", "{}")).text("/doneBy"))
        .isEqualTo("osric");
    assertThat(osric.post("/api/notes/" + id + "/done", "{}").text("/detail"))
        .contains("osric has marked this as done already");
    assertThat(osric.get("/api/notes/asked").body().findValuesAsText("id"))
        .doesNotContain(Long.toString(id));
    expect(201, osric.post("/api/notes", note(about, "Yes, the new shop.", null)));
    assertThat(maren.get("/api/notes?about=" + about).body().findValuesAsText("text"))
        .containsExactly("Is this one of ours?", "Yes, the new shop.");
  }

  @Test
  void standsOnItemsAndCustomersTooAndNowhereElse() {
    var books = new TestBooks(maren).invoices("12.00");
    written("item-" + books.item(0), "Sacks were torn", null);
    assertThat(maren.get("/api/notes?about=item-" + books.item(0)).body()).hasSize(1);
    assertThat(maren.post("/api/notes", note("item-999999999", "x", null)).status()).isEqualTo(404);
    assertThat(maren.post("/api/notes", note("invoice-1", "x", null)).text("/detail"))
        .contains("not written like entry-12");
    assertThat(
            maren.post("/api/notes", note("item-" + books.item(0), "x", "nobody")).text("/detail"))
        .contains("Nobody is called \"nobody\"");
    assertThat(maren.post("/api/notes", note("item-" + books.item(0), " ", null)).status())
        .isEqualTo(400);
  }

  @Test
  void keepsPicturesAndDocumentsAndNothingElse() throws Exception {
    var books = new TestBooks(maren).invoices("12.00");
    var id = written("item-" + books.item(0), "See the picture", null);
    var picture = picture();
    var kept = attach(id, "C:\\tmp\\sack.png", picture);
    assertThat(kept.getStatus()).isEqualTo(201);
    var line = new ObjectMapper().readTree(kept.getContentAsString());
    assertThat(line.at("/name").asText()).isEqualTo("sack.png");
    assertThat(line.at("/mediaType").asText()).isEqualTo("image/png");
    var back =
        web.perform(
                MockMvcRequestBuilders.get("/api/attachments/" + line.at("/id").asText())
                    .with(Clerk.signedIn("tolly", "AUDITOR")))
            .andReturn()
            .getResponse();
    assertThat(back.getContentAsByteArray()).isEqualTo(picture);
    assertThat(back.getHeader("Content-Disposition")).contains("attachment");
    assertThat(back.getHeader("X-Content-Type-Options")).isEqualTo("nosniff");

    assertThat(detail(attach(id, "page.html", "<script>".getBytes())))
        .contains("no PDF, PNG or JPEG");
    assertThat(detail(attach(id, "empty.pdf", new byte[0]))).contains("is empty");
    assertThat(detail(attach(id, "broken.png", Arrays.copyOf(picture, 20)))).contains("is damaged");
    var large = new byte[AttachedFile.LARGEST + 1];
    System.arraycopy("%PDF-".getBytes(), 0, large, 0, 5);
    assertThat(detail(attach(id, "large.pdf", large))).contains("10240 kB", "at most 10,240");
    assertThat(attach(id, "letter.pdf", "%PDF-1.7 …".getBytes()).getStatus()).isEqualTo(201);
    assertThat(maren.get("/api/notes?about=item-" + books.item(0)).body().at("/0/attachments"))
        .hasSize(2);
    var theirs = expect(201, osric.post("/api/notes", note("item-" + books.item(0), "mine", null)));
    assertThat(detail(attach(theirs.body().at("/id").asLong(), "a.png", picture)))
        .contains("Only osric attaches");
  }
}
