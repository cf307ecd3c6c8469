package org.sumbrel.server.payouts;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.server.companies.Companies;

/** What processors and marketplaces owe and cost. */
@RestController
@RequestMapping("/api/processors")
@Tag(name = "payouts")
class ProcessorController {

  private final ProcessorReports reports;
  private final PayoutsAtBank atBank;
  private final Companies companies;

  ProcessorController(ProcessorReports reports, PayoutsAtBank atBank, Companies companies) {
    this.reports = reports;
    this.atBank = atBank;
    this.companies = companies;
  }

  @GetMapping("/clearing")
  @Operation(summary = "What stands on each processor's clearing account, item by item")
  List<ProcessorReports.ClearingProof> clearing(@RequestParam(required = false) Long company) {
    return reports.clearing(companies.idOf(company));
  }

  @GetMapping("/at-the-bank")
  @Operation(
      summary = "Bank entries that wait and seem to be payouts",
      description =
          "By what the bank says of them, by amount and by day; also those that no file tells of")
  List<PayoutsAtBank.LikePayout> atTheBank(@RequestParam(required = false) Long company) {
    return atBank.of(companies.idOf(company));
  }

  @GetMapping("/cost")
  @Operation(summary = "What payment cost, by month, processor and method")
  List<ProcessorReports.CostRow> cost(@RequestParam(required = false) Long company) {
    return reports.cost(companies.idOf(company));
  }
}
