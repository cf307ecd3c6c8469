package org.sumbrel.formats.rules;

import java.util.List;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.yaml.YamlText;

/**
 * The house rules of a company as they stand in a file. Accounts are named by their code, bank
 * accounts and customers by their number, amounts are plain decimals in the currency given.
 *
 * @param treatments in their order
 */
public record HouseRulesDocument(List<TreatmentRule> treatments, List<AliasRule> aliases) {

  public HouseRulesDocument {
    treatments = treatments == null ? List.of() : treatments;
    aliases = aliases == null ? List.of() : aliases;
  }

  /**
   * A treatment.
   *
   * @param inUse {@code yes} or {@code no}
   * @param words each stands in the counterparty or the text
   * @param money {@code to_us}, {@code from_us} or {@code either}
   * @param way {@code suggests}, {@code waits} or {@code posts}
   */
  public record TreatmentRule(
      String name,
      String inUse,
      List<String> words,
      String counterparty,
      String counterpartyAccount,
      String bankAccount,
      String money,
      String least,
      String most,
      String currency,
      String cap,
      String way,
      List<ShareRule> shares) {}

  /** What goes to one account: percent of the amount, and of the tax that is contained in it. */
  public record ShareRule(String account, String percent, String taxPercent, String words) {}

  /** A payer's text or account that stands for a customer; exactly one of the two. */
  public record AliasRule(String payerText, String payerAccount, String customer) {}

  /**
   * @throws BrokenFile where it is no file of house rules, with the line where that can be told
   */
  public static HouseRulesDocument read(String yaml) throws BrokenFile {
    return YamlText.read(yaml, HouseRulesDocument.class, "file of house rules");
  }

  public String write() {
    return YamlText.write(this);
  }
}
