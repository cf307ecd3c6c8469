package org.sumbrel.server.access;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.Clerk.Answer;
import org.sumbrel.server.TestBooks;

/** Nobody sees or posts in a company in which he does not work, by whatever call. */
@ApiTest
class CompanyAccessTest {

  /** Numbers of calls that are no ids of what belongs to a company. */
  private static final Set<String> NO_COMPANYS =
      Set.of(
          "DELETE /api/searches/{id} id", // one's own
          "DELETE /api/inbox/set-apart/{id} id", // for those who work in all companies
          "POST /api/settings-history/{recordId}/reversal recordId", // likewise
          "PUT /api/payouts/{id}/items/{itemId}/join itemId", // the payout tells
          "PUT /api/payouts/{id}/items/{itemId}/type itemId",
          "PayoutBelongs target", // looked up within the payout's company
          "WorksIn companies", // the administrator's
          "NewUser companies",
          "Order ids", // likewise within the company that is named
          "version",
          "entryVersion",
          "itemVersion");

  @Autowired private MockMvc web;
  @Autowired private JdbcClient jdbc;
  @Autowired private Users users;

  @Autowired
  @Qualifier("requestMappingHandlerMapping")
  private RequestMappingHandlerMapping calls;

  private Long mill;
  private Long export;
  private Clerk exports;

  @BeforeEach
  void sitDown() {
    var companies = Clerk.maren(web).get("/api/me").body().at("/companies");
    mill = companies.at("/0/id").asLong();
    export = companies.at("/1/id").asLong();
    exports = new Clerk(web, "sela", "CLERK", export);
  }

  /** So that a call which is added later is not forgotten. */
  @Test
  void knowsOfEveryNumberThatACallNamesWhoseItIs() {
    var unknown = new ArrayList<String>();
    var known = 0;
    for (var mapped : calls.getHandlerMethods().entrySet()) {
      for (var pattern : mapped.getKey().getPatternValues()) {
        if (!pattern.startsWith("/api/")) {
          continue;
        }
        var method = mapped.getKey().getMethodsCondition().getMethods().iterator().next();
        for (var parameter : mapped.getValue().getMethodParameters()) {
          var type = parameter.getGenericParameterType();
          var name = parameter.getParameter().getName();
          if (parameter.hasParameterAnnotation(RequestBody.class)) {
            bodies(type, new HashSet<>(), unknown);
          } else if (isId(type) && parameter.hasParameterAnnotation(PathVariable.class)) {
            known++;
            var called = method + " " + pattern + " " + name;
            if (OwnedThing.inPath(pattern, name).isEmpty() && !NO_COMPANYS.contains(called)) {
              unknown.add(called);
            }
          } else if (isId(type) && parameter.hasParameterAnnotation(RequestParam.class)) {
            known++;
            if (OwnedThing.named(name).isEmpty()) {
              unknown.add(method + " " + pattern + "?" + name);
            }
          }
        }
      }
    }
    assertThat(unknown).isEmpty();
    assertThat(known).isGreaterThan(150);
  }

  private static boolean isId(Type type) {
    return type == Long.class
        || type == long.class
        || type instanceof ParameterizedType of && of.getActualTypeArguments()[0] == Long.class;
  }

  private static void bodies(Type type, Set<Type> seen, List<String> unknown) {
    if (type instanceof ParameterizedType of) {
      bodies(of.getActualTypeArguments()[0], seen, unknown);
    }
    if (!(type instanceof Class<?> sent) || !sent.isRecord() || !seen.add(type)) {
      return;
    }
    for (var part : sent.getRecordComponents()) {
      var name = part.getName();
      if (!isId(part.getGenericType())) {
        bodies(part.getGenericType(), seen, unknown);
      } else if (OwnedThing.named(name).isEmpty()
          && !NO_COMPANYS.contains(name)
          && !NO_COMPANYS.contains(sent.getSimpleName() + " " + name)) {
        unknown.add(sent.getSimpleName() + " " + name);
      }
    }
  }

  /** What the mill has one of, and under which call it is looked at. */
  private static final Map<String, String> LOOKED_AT =
      Map.ofEntries(
          Map.entry("/api/entries/%d", "select min(id) from bank_entry where company_id = :c"),
          Map.entry("/api/entries/%d/ways", "select min(id) from bank_entry where company_id = :c"),
          Map.entry(
              "/api/entries/%d/elsewhere", "select min(id) from bank_entry where company_id = :c"),
          Map.entry("/api/drafts/entry-%d", "select min(id) from bank_entry where company_id = :c"),
          Map.entry(
              "/api/notes?about=entry-%d", "select min(id) from bank_entry where company_id = :c"),
          Map.entry(
              "/api/notes?about=item-%d", "select min(id) from open_item where company_id = :c"),
          Map.entry("/api/open-items/%d", "select min(id) from open_item where company_id = :c"),
          Map.entry(
              "/api/open-items/%d/settlements",
              "select min(id) from open_item where company_id = :c"),
          Map.entry("/api/customers/%d", "select min(id) from customer where company_id = :c"),
          Map.entry(
              "/api/customers/%d/statement.pdf",
              "select min(id) from customer where company_id = :c"),
          Map.entry("/api/settlements/%d", "select min(id) from settlement where company_id = :c"),
          Map.entry("/api/intakes/%d", "select min(id) from intake where company_id = :c"),
          Map.entry("/api/intakes/%d/file", "select min(id) from intake where company_id = :c"),
          Map.entry(
              "/api/journal-entries/%d", "select min(id) from journal_entry where company_id = :c"),
          Map.entry(
              "/api/ledger-accounts/%d/movements",
              "select min(id) from ledger_account where company_id = :c"),
          Map.entry(
              "/api/bank-accounts/%d/tie-out?asOf=2026-05-29",
              "select min(id) from bank_account where company_id = :c"),
          Map.entry(
              "/api/bank-accounts/%d/entries?format=CSV",
              "select min(id) from bank_account where company_id = :c"),
          Map.entry("/api/entries?company=%d", "select :c"),
          Map.entry("/api/flow?company=%d", "select :c"),
          Map.entry("/api/trial-balance?company=%d", "select :c"),
          Map.entry("/api/audit-records?company=%d", "select :c"),
          Map.entry("/api/everything?q=mill&company=%d", "select :c"),
          Map.entry(
              "/api/settlements?customer=%d",
              "select min(id) from customer where company_id = :c"));

  @Test
  void showsNothingOfAnotherCompany() {
    for (var looked : LOOKED_AT.entrySet()) {
      var id = jdbc.sql(looked.getValue()).param("c", mill).query(Long.class).single();
      assertThat(id).as(looked.getKey()).isNotNull();
      var path = looked.getKey().formatted(id);
      refused(path, exports.get(path));
      var everywhere = Clerk.maren(web).saved(path);
      assertThat(everywhere).as(path).doesNotContain("NOT_YOUR_COMPANY");
      var mills = new Clerk(web, "mara", "CLERK", mill).saved(path);
      assertThat(mills).as(path).doesNotContain("NOT_YOUR_COMPANY");
    }
  }

  private static void refused(String what, Answer answer) {
    assertThat(answer.status()).as(what).isEqualTo(403);
    assertThat(answer.text("/code")).as(what).isEqualTo("NOT_YOUR_COMPANY");
  }

  @Test
  void takesNothingThatIsSentForAnotherCompany() {
    var entry =
        jdbc.sql("select min(id) from bank_entry where company_id = :c and status = 'WAITING'")
            .param("c", mill)
            .query(Long.class)
            .single();
    var own = entryOfExport();
    var customer =
        jdbc.sql("select min(id) from customer where company_id = :c")
            .param("c", mill)
            .query(Long.class)
            .single();
    var draft = "{\"entryId\":%d,\"applications\":[],\"adjustments\":[]}".formatted(entry);
    refused("settlement", exports.post("/api/settlements", draft));
    refused("preview", exports.post("/api/settlements/preview", draft));
    refused("draft", exports.put("/api/drafts/entry-" + entry, draft));
    var keeper =
        "{\"entryId\":%d,\"applications\":[],\"adjustments\":[],\"onAccountCustomerId\":%d}"
            .formatted(own, customer);
    refused("on account", exports.post("/api/settlements", keeper));
    refused(
        "note",
        exports.post("/api/notes", "{\"about\":\"entry-%d\",\"text\":\"x\"}".formatted(entry)));
    refused("run", exports.post("/api/runs", "{\"company\":%d,\"entryIds\":[]}".formatted(mill)));
    refused(
        "deposit",
        exports.post(
            "/api/deposit-ties", "{\"depositIds\":[],\"entryIds\":[%d]}".formatted(entry)));
    refused("file", exports.drop("x.csv", "number\n", "?company=" + mill));
    refused("all", exports.get("/api/check"));
    var waits = "select status from bank_entry where id = :id";
    assertThat(jdbc.sql(waits).param("id", entry).query(String.class).single())
        .isEqualTo("WAITING");
  }

  /** A number may be written in more ways than one, and a parameter may be empty. */
  @Test
  void isNotGotAroundByAnotherWayOfWriting() {
    var entry =
        jdbc.sql("select min(id) from bank_entry where company_id = :c")
            .param("c", mill)
            .query(Long.class)
            .single();
    var hex = "0x" + Long.toHexString(entry);
    refused("hex in the path", exports.get("/api/entries/" + hex));
    refused("hex in a parameter", exports.get("/api/flow?company=0x" + Long.toHexString(mill)));
    refused("a blank before it", exports.get("/api/flow?company= " + mill));
    refused("a plus in a subject", exports.get("/api/drafts/entry-+" + entry));
    refused("twice", exports.get("/api/flow?company=" + export + "&company=" + mill));
    assertThat(exports.get("/api/flow?company=").body())
        .isEqualTo(Clerk.maren(web).get("/api/flow?company=" + export).body());
    assertThat(exports.get("/api/flow?company=&company=" + mill).body())
        .isEqualTo(Clerk.maren(web).get("/api/flow?company=" + export).body());
  }

  @Test
  void meansTheOwnCompanyWhereNoneIsNamed() {
    assertThat(exports.get("/api/entries?limit=1").status()).isEqualTo(200);
    // the trail tells of the own company, of no other one, and of no user
    assertThat(exports.get("/api/audit-records?what=company").body().toString())
        .contains("Larkstow Grain Export Ltd")
        .doesNotContain("Larkstow Mill Ltd");
    assertThat(exports.get("/api/audit-records?what=app_user").body().at("/rows")).isEmpty();
    assertThat(Clerk.maren(web).get("/api/audit-records?what=company").body().toString())
        .contains("Larkstow Mill Ltd");
    assertThat(exports.get("/api/flow").body())
        .isEqualTo(Clerk.maren(web).get("/api/flow?company=" + export).body());
    assertThat(exports.get("/api/bank-accounts").body())
        .isEqualTo(Clerk.maren(web).get("/api/bank-accounts?company=" + export).body());
    assertThat(exports.get("/api/cent-trail").body().at("/intakes"))
        .isEqualTo(Clerk.maren(web).get("/api/cent-trail?company=" + export).body().at("/intakes"));
  }

  @Test
  void theAdministratorSaysInWhichCompaniesSomebodyWorks() throws Exception {
    users.add("sela.t", "Sela Throstle", "a long password", Role.CLERK);
    var wynne = new Clerk(web, "wynne", "ADMINISTRATOR");
    assertThat(signIn().at("/companies")).hasSizeGreaterThan(1);
    var path = "/api/users/sela.t/companies";
    var changed = expect(200, wynne.put(path, "{\"companies\":[%d]}".formatted(export))).body();
    assertThat(changed.at("/companies/0").asLong()).isEqualTo(export);
    var me = signIn();
    assertThat(me.at("/companies")).hasSize(1);
    assertThat(me.at("/companies/0/id").asLong()).isEqualTo(export);
    assertThat(wynne.get("/api/audit-records?q=sela.t&what=app_user").body().toString())
        .contains("user company " + export);
    assertThat(wynne.put(path, "{\"companies\":[]}").status()).isEqualTo(400);
    assertThat(wynne.put(path, "{\"companies\":[987654321]}").status()).isEqualTo(400);
    assertThat(Clerk.maren(web).put(path, "{}").status()).isEqualTo(403);
    expect(200, wynne.put(path, "{}"));
    assertThat(signIn().at("/companies")).hasSizeGreaterThan(1);
  }

  /** Signs in and looks at a company of one's own and another one with that very sign-in. */
  private JsonNode signIn() throws Exception {
    var answer =
        web.perform(
                post("/api/session")
                    .with(csrf())
                    .contentType(MediaType.APPLICATION_JSON)
                    .content("{\"user\":\"sela.t\",\"password\":\"a long password\"}"))
            .andReturn();
    var me = new ObjectMapper().readTree(answer.getResponse().getContentAsString());
    var elsewhere =
        web.perform(get("/api/flow?company=" + mill).cookie(answer.getResponse().getCookies()))
            .andReturn()
            .getResponse();
    assertThat(elsewhere.getStatus()).isEqualTo(me.at("/companies").size() > 1 ? 200 : 403);
    return me;
  }

  private long entryOfExport() {
    var accounts = Clerk.maren(web).get("/api/bank-accounts?company=" + export).body();
    var taken =
        expect(
                201,
                exports.drop(
                    "own.csv",
                    "entry_id,booking_date,amount,currency,payer_name,remittance\n"
                        + "OWN-1,2026-05-27,10.00,EUR,Somebody,nothing\n",
                    "?bankAccount=" + accounts.at("/0/id").asText()))
            .body();
    return TestBooks.firstRecord(exports, taken);
  }
}
