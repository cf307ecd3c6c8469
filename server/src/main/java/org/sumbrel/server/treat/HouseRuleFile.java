package org.sumbrel.server.treat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.propose.Alias;
import org.sumbrel.core.treat.Condition;
import org.sumbrel.core.treat.Condition.Direction;
import org.sumbrel.core.treat.Share;
import org.sumbrel.core.treat.Treatment;
import org.sumbrel.core.treat.Treatment.Way;
import org.sumbrel.formats.rules.HouseRulesDocument;
import org.sumbrel.formats.rules.HouseRulesDocument.AliasRule;
import org.sumbrel.formats.rules.HouseRulesDocument.ShareRule;
import org.sumbrel.formats.rules.HouseRulesDocument.TreatmentRule;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.companies.BankAccountEntity;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Charts;
import org.sumbrel.server.companies.LedgerAccountEntity;
import org.sumbrel.server.customers.CustomerEntity;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.payers.PayerAliases;

/** The house rules of a company as a file, and what a file makes of them: all of it, or nothing. */
@Service
@Transactional
class HouseRuleFile {

  private final TreatmentRules rules;
  private final PayerAliases aliases;
  private final Customers customers;
  private final BankAccounts bankAccounts;
  private final Charts charts;
  private final Proposals proposals;

  HouseRuleFile(
      TreatmentRules rules,
      PayerAliases aliases,
      Customers customers,
      BankAccounts bankAccounts,
      Charts charts,
      Proposals proposals) {
    this.proposals = proposals;
    this.rules = rules;
    this.aliases = aliases;
    this.customers = customers;
    this.bankAccounts = bankAccounts;
    this.charts = charts;
  }

  /** What a file changed. */
  record Taken(int added, int changed, int aliases) {}

  @Transactional(readOnly = true)
  public String written(Long company) {
    var chart = charts.of(company);
    var held = aliases.all(company).values();
    return new HouseRulesDocument(
            rules.of(company).stream().map(row -> document(row.toTreatment(), chart)).toList(),
            held.stream()
                .map(
                    a ->
                        new AliasRule(
                            a.payerText(),
                            a.payerAccount(),
                            customers.customer(company, Long.valueOf(a.customerId())).number()))
                .toList())
        .write();
  }

  private TreatmentRule document(Treatment treatment, Map<Long, LedgerAccountEntity> chart) {
    var condition = treatment.condition();
    return new TreatmentRule(
        treatment.name(),
        treatment.on() ? "yes" : "no",
        condition.words(),
        condition.counterparty(),
        condition.counterpartyAccount(),
        condition
            .bankAccountId()
            .map(id -> bankAccounts.account(Long.valueOf(id)).number())
            .orElse(""),
        written(condition.direction()),
        condition.least().map(MoneyText::plain).orElse(""),
        condition.most().map(MoneyText::plain).orElse(""),
        treatment.cap().getCurrencyUnit().getCode(),
        MoneyText.plain(treatment.cap()),
        written(treatment.way()),
        treatment.shares().stream()
            .map(
                s ->
                    new ShareRule(
                        chart.get(Long.valueOf(s.accountId())).code(),
                        s.percent().stripTrailingZeros().toPlainString(),
                        s.taxPercent().signum() == 0
                            ? ""
                            : s.taxPercent().stripTrailingZeros().toPlainString(),
                        s.words()))
            .toList());
  }

  private static String written(Enum<?> word) {
    return word.name().toLowerCase(Locale.ROOT);
  }

  /**
   * Takes house rules in: those of a name that is there already are changed, others come behind;
   * aliases that are held to already stay as they are.
   *
   * @throws BadRequest with the rule's name, where one of them makes no sense here
   */
  public Taken take(Long company, HouseRulesDocument document, Actor actor) {
    var known =
        rules.of(company).stream()
            .collect(
                Collectors.toMap(
                    r -> r.name().toLowerCase(Locale.ROOT), Function.identity(), (a, b) -> a));
    var added = 0;
    var changed = 0;
    for (var rule : document.treatments()) {
      var there = known.get(or(rule.name(), "").toLowerCase(Locale.ROOT));
      var treatment =
          treatment(company, rule, there == null ? rules.nextPlace(company) : there.place());
      if (there == null) {
        rules.add(company, treatment, actor);
        added++;
      } else {
        rules.change(there.id(), null, treatment, actor);
        changed++;
      }
    }
    var learned = new ArrayList<Alias>();
    for (var rule : document.aliases()) {
      var alias = alias(company, rule);
      if (!aliases.knows(company, alias)) {
        aliases.learn(company, alias, null, actor.name());
        learned.add(alias);
      }
    }
    if (!learned.isEmpty()) {
      proposals.mark(company);
    }
    return new Taken(added, changed, learned.size());
  }

  private Treatment treatment(Long company, TreatmentRule rule, int place) {
    var name = or(rule.name(), "").strip();
    try {
      var currency = CurrencyUnit.of(or(rule.currency(), "?"));
      return new Treatment(
          "",
          name,
          place,
          !"no".equals(or(rule.inUse(), "yes")),
          new Condition(
              rule.words() == null ? List.of() : rule.words(),
              or(rule.counterparty(), ""),
              or(rule.counterpartyAccount(), ""),
              account(company, rule),
              word(Direction.class, or(rule.money(), "either")),
              amount(rule.least(), currency),
              amount(rule.most(), currency)),
          shares(company, rule),
          amount(rule.cap(), currency)
              .orElseThrow(() -> new IllegalArgumentException("It has no cap.")),
          word(Way.class, or(rule.way(), "suggests")));
    } catch (IllegalArgumentException | BadRequest e) {
      throw new BadRequest(
          "House rule \"" + name + "\": " + e.getMessage() + " Nothing was taken in.");
    }
  }

  private static String or(String said, String otherwise) {
    return said == null || said.isBlank() ? otherwise : said;
  }

  private static Optional<Money> amount(String text, CurrencyUnit currency) {
    return text == null || text.isBlank()
        ? Optional.empty()
        : Optional.of(MoneyText.exact(decimal(text), currency));
  }

  private static BigDecimal decimal(String text) {
    try {
      return new BigDecimal(text.strip());
    } catch (NumberFormatException e) {
      throw new BadRequest("\"" + text + "\" is no figure.");
    }
  }

  private static <E extends Enum<E>> E word(Class<E> words, String said) {
    return Arrays.stream(words.getEnumConstants())
        .filter(w -> written(w).equals(said.strip()))
        .findFirst()
        .orElseThrow(() -> new BadRequest("It does not know the word \"" + said + "\"."));
  }

  private Optional<String> account(Long company, TreatmentRule rule) {
    var number = or(rule.bankAccount(), "");
    if (number.isEmpty()) {
      return Optional.empty();
    }
    return Optional.of(
        bankAccounts
            .numbered(company, number)
            .map(BankAccountEntity::id)
            .map(Object::toString)
            .orElseThrow(() -> new BadRequest("There is no bank account " + number + " here.")));
  }

  private List<Share> shares(Long company, TreatmentRule rule) {
    var byCode =
        charts.of(company).values().stream()
            .collect(Collectors.toMap(LedgerAccountEntity::code, Function.identity()));
    return (rule.shares() == null ? List.<ShareRule>of() : rule.shares())
        .stream()
            .map(
                s -> {
                  var account = byCode.get(or(s.account(), ""));
                  if (account == null) {
                    throw new BadRequest("There is no account " + s.account() + " here.");
                  }
                  return new Share(
                      account.id().toString(),
                      decimal(or(s.percent(), "100")),
                      decimal(or(s.taxPercent(), "0")),
                      or(s.words(), ""));
                })
            .toList();
  }

  private Alias alias(Long company, AliasRule rule) {
    var owner =
        customers
            .numbered(company, or(rule.customer(), ""))
            .map(CustomerEntity::id)
            .orElseThrow(
                () ->
                    new BadRequest(
                        "There is no customer "
                            + rule.customer()
                            + " here, of whom an alias is. Nothing was taken in."));
    var text = or(rule.payerText(), "");
    var account = or(rule.payerAccount(), "");
    if (text.isEmpty() == account.isEmpty()) {
      throw new BadRequest(
          "An alias is a payer's text or account, one of the two. Nothing was taken in.");
    }
    return text.isEmpty()
        ? Alias.ofAccount(account, owner.toString())
        : Alias.ofText(text, owner.toString());
  }
}
