package org.sumbrel.server.intake;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.joda.money.Money;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.intake.StatementChain;
import org.sumbrel.core.intake.StatementChain.Gap;
import org.sumbrel.formats.StatementWriter;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.BankAccountEntity;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.desk.SavedEntries;

/** The statements of each account, one after the other. */
@RestController
@Tag(name = "intake")
@Transactional(readOnly = true)
class StatementController {

  private static final int MOST = 60;

  private final StatementRepository statements;
  private final IntakeRepository intakes;
  private final Companies companies;
  private final BankAccounts bankAccounts;
  private final SavedEntries saved;
  private final Clock clock;

  StatementController(
      StatementRepository statements,
      IntakeRepository intakes,
      Companies companies,
      BankAccounts bankAccounts,
      SavedEntries saved,
      Clock clock) {
    this.statements = statements;
    this.intakes = intakes;
    this.companies = companies;
    this.bankAccounts = bankAccounts;
    this.saved = saved;
    this.clock = clock;
  }

  /** What stands between a statement and the one before it. */
  record FindingView(@NotNull boolean gap, @NotNull String sentence) {}

  record StatementView(
      @NotNull Long id,
      @NotNull String fileName,
      @NotNull String format,
      @NotNull String number,
      LocalDate from,
      LocalDate until,
      MoneyView opening,
      @NotNull MoneyView movements,
      MoneyView closing,
      @Schema(description = "closing less opening and movements, where both balances are known")
          MoneyView off,
      @NotNull int records,
      @NotNull List<FindingView> before) {}

  record AccountStatements(
      @NotNull Long bankAccountId,
      @NotNull String bankAccount,
      @NotNull String number,
      @NotNull int gaps,
      @NotNull List<StatementView> statements) {}

  @GetMapping("/api/statements")
  @Operation(
      summary =
          "The statements taken in, by account, latest first; with what is missing or told twice between them")
  List<AccountStatements> list(@RequestParam(required = false) Long company) {
    var accounts = bankAccounts.of(companies.idOf(company));
    var byAccount =
        statements
            .findByBankAccountIdInOrderByUntilOnDescIdDesc(
                accounts.stream().map(BankAccountEntity::id).toList())
            .stream()
            .collect(Collectors.groupingBy(StatementEntity::bankAccountId));
    return accounts.stream()
        .filter(a -> byAccount.containsKey(a.id()))
        .map(a -> view(a, byAccount.get(a.id())))
        .toList();
  }

  @GetMapping("/api/bank-accounts/{id}/entries")
  @Operation(
      summary = "The booked entries of an account as a file: camt.053, ofx or csv",
      description = "Without days, the year up to the business date.")
  ResponseEntity<byte[]> save(
      @PathVariable Long id,
      @RequestParam String format,
      @RequestParam(required = false) LocalDate from,
      @RequestParam(required = false) LocalDate until) {
    var account = bankAccounts.account(id);
    var writer =
        StatementWriter.of(format)
            .orElseThrow(() -> new BadRequest("\"" + format + "\" is none of camt.053, ofx, csv."));
    var last = until == null ? LocalDate.now(clock) : until;
    var first = from == null ? last.minusYears(1).plusDays(1) : from;
    if (first.isAfter(last)) {
      throw new BadRequest(first + " is after " + last + ".");
    }
    var statement = saved.of(account, first, last);
    var out = new ByteArrayOutputStream();
    try {
      writer.write(LocalDateTime.now(clock), List.of(statement), out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    var name = account.number() + "-" + first + "-" + last + "." + writer.ending();
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
        .contentType(MediaType.parseMediaType(writer.mediaType()))
        .body(out.toByteArray());
  }

  private AccountStatements view(BankAccountEntity account, List<StatementEntity> all) {
    var spans = all.stream().flatMap(s -> s.span().stream()).toList();
    var findings = StatementChain.of(spans);
    var before = new HashMap<Long, List<FindingView>>();
    for (var finding : findings) {
      before
          .computeIfAbsent(finding.after().key(), k -> new ArrayList<>())
          .add(new FindingView(finding instanceof Gap, ChainWords.of(finding)));
    }
    var shown = all.stream().limit(MOST).toList();
    var files =
        intakes
            .findAllById(new HashSet<>(shown.stream().map(StatementEntity::intakeId).toList()))
            .stream()
            .collect(Collectors.toMap(IntakeEntity::id, IntakeEntity::fileName));
    return new AccountStatements(
        account.id(),
        account.name(),
        account.number(),
        (int) findings.stream().filter(Gap.class::isInstance).count(),
        shown.stream().map(s -> view(s, files, before.getOrDefault(s.id(), List.of()))).toList());
  }

  private static StatementView view(
      StatementEntity statement, Map<Long, String> files, List<FindingView> before) {
    var opening = statement.opening();
    var closing = statement.closing();
    var off =
        opening
            .flatMap(o -> closing.map(c -> c.minus(o).minus(statement.movements())))
            .filter(m -> !m.isZero());
    return new StatementView(
        statement.id(),
        files.getOrDefault(statement.intakeId(), ""),
        statement.format(),
        statement.number(),
        statement.fromOn(),
        statement.untilOn(),
        view(opening.orElse(null)),
        MoneyView.of(statement.movements()),
        view(closing.orElse(null)),
        view(off.orElse(null)),
        statement.records(),
        before);
  }

  private static MoneyView view(Money amount) {
    return amount == null ? null : MoneyView.of(amount);
  }
}
