package org.sumbrel.server.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/**
 * Who works in all companies may name things of two in one call. Only a settlement reaches over
 * companies; everything else is refused, or the books of one would stand on an account of another.
 */
@ApiTest
class MixedCompaniesTest {

  @Autowired private MockMvc web;
  @Autowired private JdbcClient jdbc;
  @Autowired private BooksCheck check;

  private Clerk osric;
  private long mill;
  private long export;
  private long exportAccount;
  private long exportCustomer;
  private long exportLedger;

  @BeforeEach
  void sitDown() {
    osric = Clerk.osric(web);
    var companies = osric.get("/api/me").body().at("/companies");
    mill = companies.at("/0/id").asLong();
    export = companies.at("/1/id").asLong();
    exportAccount = companies.at("/1/bankAccounts/0/id").asLong();
    exportCustomer = of("customer", "");
    exportLedger = of("ledger_account", " and role = 'BANK_FEES'");
  }

  private long of(String table, String where) {
    return jdbc.sql("select min(id) from " + table + " where company_id = :company" + where)
        .param("company", export)
        .query(Long.class)
        .single();
  }

  private void refused(Clerk.Answer answer, String sentence) {
    assertThat(answer.status()).as(sentence + answer).isIn(400, 404, 409, 422);
    assertThat(answer.text("/detail")).contains(sentence);
  }

  private int statements() {
    return jdbc.sql("select count(*) from intake").query(Integer.class).single();
  }

  @Test
  void aStatementIsForAnAccountOfItsCompany() {
    var csv =
        "entry_id,booking_date,amount,currency,payer_name\nMIX1,2026-05-27,5.00,EUR,Anybody\n";
    var before = statements();
    for (var query : new String[] {"", "&company=" + mill}) {
      refused(
          osric.drop("s.csv", csv, "?bankAccount=" + exportAccount + query),
          "Halage EUR is an account of Larkstow Grain Export Ltd, and the file was brought for Larkstow Mill Ltd; nothing of it was kept.");
    }
    assertThat(statements()).isEqualTo(before);
    var taken =
        expect(
                201,
                osric.drop(
                    "s.csv", csv, "?bankAccount=%d&company=%d".formatted(exportAccount, export)))
            .body();
    assertThat(taken.at("/fresh").asInt()).isEqualTo(1);
    expect(200, osric.post("/api/intakes/" + taken.at("/id").asText() + "/taking-back", "{}"));
  }

  @Test
  void whatIsNamedBesideAThingIsOfItsCompany() {
    var books = new TestBooks(osric).invoices("40.00");
    var entry = books.credit("40.00", "mixed");
    var noCustomer = "There is no customer " + exportCustomer;
    var noAccount = "There is no bank account " + exportAccount;
    var noLedger = "There is no account " + exportLedger;
    var usd = "{\"amount\":\"40.00\",\"currency\":\"USD\"}";
    refused(
        osric.post(
            "/api/settlements",
            "{\"entryId\":%d,\"applications\":[],\"adjustments\":[],\"onAccount\":%s,\"onAccountCustomerId\":%d}"
                .formatted(entry, usd, exportCustomer)),
        noCustomer);
    refused(
        osric.post(
            "/api/settlements",
            "{\"entryId\":%d,\"applications\":[],\"adjustments\":[{\"kind\":\"TO_ACCOUNT\",\"amount\":{\"amount\":\"-40.00\",\"currency\":\"USD\"},\"accountId\":%d,\"text\":\"x\"}]}"
                .formatted(entry, exportLedger)),
        noLedger);
    refused(
        osric.post(
            "/api/entries/" + entry + "/transfer",
            "{\"otherBankAccountId\":" + exportAccount + "}"),
        "Say on which other account of ours");
    refused(
        osric.post(
            "/api/deposits?company=" + mill,
            "{\"bankAccountId\":%d,\"receiptIds\":[],\"lines\":[],\"counted\":[],\"on\":\"2026-05-28\"}"
                .formatted(exportAccount)),
        noAccount);
    refused(
        osric.post(
            "/api/receipts?company=" + mill,
            "{\"method\":\"CASH\",\"receivedOn\":\"2026-05-28\",\"amount\":%s,\"customerId\":%d,\"itemIds\":[]}"
                .formatted(usd, exportCustomer)),
        noCustomer);
    refused(
        osric.post(
            "/api/unattended/rules?company=" + mill,
            "{\"customerId\":%d,\"upTo\":%s}".formatted(exportCustomer, usd)),
        noCustomer);
    refused(
        osric.post(
            "/api/unattended/rules?company=" + mill,
            "{\"bankAccountId\":%d,\"upTo\":%s}".formatted(exportAccount, usd)),
        noAccount);
    refused(
        osric.post(
            "/api/treatments?company=" + mill,
            """
            {"name":"Mixed","inUse":true,"words":["mixed"],"counterparty":"","counterpartyAccount":"","direction":"FROM_US",
             "cap":%s,"way":"WAITS","shares":[{"accountId":%d,"percent":100,"taxPercent":0,"words":""}]}
            """
                .formatted(usd, exportLedger)),
        noLedger);
    refused(
        osric.post(
            "/api/outside/bank/connection?company=" + mill,
            "{\"bankAccountId\":" + exportAccount + "}"),
        noAccount);
    var settled =
        expect(
                201,
                osric.post(
                    "/api/settlements",
                    TestBooks.draft(entry, TestBooks.applied(books.item(0), "40.00"), "")))
            .body()
            .at("/id")
            .asLong();
    refused(
        osric.post(
            "/api/settlements/" + settled + "/moving",
            "{\"customerId\":%d,\"reason\":\"x\"}".formatted(exportCustomer)),
        noCustomer);
    assertThat(check.all().stream().filter(c -> !c.holds())).isEmpty();
  }
}
