package org.sumbrel.formats.csv;

import java.text.Normalizer;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;

/** What a column of a statement holds, told by its heading. */
enum Role {
  ENTRY_ID("entry id", "transaction id", "entry reference id", "fitid", "umsatz id", "id"),
  BOOKED(
      "booking date",
      "posting date",
      "post date",
      "posted date",
      "date posted",
      "posted",
      "booked on",
      "entry date",
      "date",
      "transaction date",
      "buchungstag",
      "buchungsdatum",
      "buchung",
      "datum",
      "date comptable",
      "date de comptabilisation",
      "date operation",
      "date de l operation",
      "date d operation",
      "fecha contable",
      "fecha",
      "fecha operacion",
      "fecha de operacion",
      "data contabile",
      "data registrazione",
      "data operazione",
      "data",
      "boekdatum",
      "boekingsdatum",
      "transactiedatum",
      "data lancamento",
      "data mov",
      "data movimento",
      "data ksiegowania",
      "data operacji",
      "bokforingsdatum",
      "bokforingsdag",
      "bogforingsdato"),
  VALUE(
      "value date",
      "value",
      "wert",
      "wertstellung",
      "valuta",
      "valutadatum",
      "wertstellungsdatum",
      "wertstellungstag",
      "date de valeur",
      "date valeur",
      "valeur",
      "fecha valor",
      "data valuta",
      "rentedatum",
      "data valor",
      "data waluty",
      "valutadag"),
  AMOUNT(
      "amount",
      "transaction amount",
      "signed amount",
      "net amount",
      "betrag",
      "umsatz",
      "betrag eur",
      "montant",
      "montant de l operation",
      "importe",
      "importo",
      "bedrag",
      "valor",
      "montante",
      "kwota",
      "belopp",
      "beloeb",
      "belob"),
  DEBIT(
      "debit",
      "debits",
      "debit amount",
      "withdrawal",
      "withdrawals",
      "withdrawal amount",
      "paid out",
      "money out",
      "soll",
      "lastschrift",
      "belastung",
      "ausgang",
      "debet",
      "cargo",
      "cargos",
      "addebiti",
      "addebito",
      "dare",
      "uscite",
      "af",
      "debito",
      "montant debit",
      "debit eur",
      "obciazenia",
      "sortie"),
  CREDIT(
      "credit",
      "credits",
      "credit amount",
      "deposit",
      "deposits",
      "deposit amount",
      "paid in",
      "money in",
      "haben",
      "gutschrift",
      "eingang",
      "abono",
      "abonos",
      "accrediti",
      "accredito",
      "avere",
      "entrate",
      "bij",
      "credito",
      "montant credit",
      "uznania",
      "entree"),
  DIRECTION(
      "dr cr",
      "cr dr",
      "debit credit",
      "credit debit",
      "d c",
      "c d",
      "credit debit indicator",
      "debit credit indicator",
      "type debit credit",
      "soll haben",
      "soll haben kennzeichen",
      "s h",
      "h s",
      "sens",
      "af bij",
      "debe haber",
      "segno",
      "direction",
      "sign",
      "indicator"),
  CURRENCY(
      "currency",
      "ccy",
      "curr",
      "currency code",
      "waehrung",
      "wahrung",
      "devise",
      "monnaie",
      "moneda",
      "divisa",
      "valuta code",
      "munt",
      "muntsoort",
      "moeda",
      "waluta"),
  PAYER(
      "payer name",
      "payer",
      "name",
      "counterparty",
      "counterparty name",
      "payer payee",
      "payee",
      "remitter",
      "sender",
      "received from",
      "from",
      "customer",
      "debtor",
      "debtor name",
      "auftraggeber",
      "auftraggeber beguenstigter",
      "auftraggeber begunstigter",
      "beguenstigter zahlungspflichtiger",
      "begunstigter zahlungspflichtiger",
      "zahlungspflichtiger",
      "zahlungspflichtige r",
      "name zahlungsbeteiligter",
      "zahlungsbeteiligter",
      "empfaenger auftraggeber",
      "auftraggeber empfaenger",
      "auftraggeber empfanger",
      "tiers",
      "donneur d ordre",
      "emetteur",
      "nom",
      "ordenante",
      "nombre",
      "ordinante",
      "controparte",
      "beneficiario ordinante",
      "naam tegenpartij",
      "tegenpartij",
      "naam",
      "ordenador",
      "nadawca",
      "kontrahent"),
  PAYER_ACCOUNT(
      "payer account",
      "counterparty account",
      "counterparty iban",
      "account of payer",
      "payer iban",
      "from account",
      "iban",
      "iban zahlungsbeteiligter",
      "kontonummer iban",
      "konto iban",
      "iban auftraggeber",
      "iban du tiers",
      "compte du tiers",
      "cuenta ordenante",
      "iban controparte",
      "tegenrekening",
      "rekening tegenpartij",
      "iban tegenpartij"),
  TEXT(
      "remittance",
      "remittance information",
      "description",
      "details",
      "transaction details",
      "transaction description",
      "narrative",
      "particulars",
      "memo",
      "text",
      "payment details",
      "purpose",
      "message",
      "information",
      "additional information",
      "reference text",
      "remarks",
      "verwendungszweck",
      "buchungstext",
      "vorgang",
      "libelle",
      "libelle operation",
      "detail",
      "motif",
      "communication",
      "concepto",
      "concepto ampliado",
      "descripcion",
      "observaciones",
      "descrizione",
      "causale",
      "descrizione operazione",
      "omschrijving",
      "mededelingen",
      "mededeling",
      "descricao",
      "descritivo",
      "tytul",
      "opis"),
  REFERENCE(
      "bank reference",
      "reference",
      "ref",
      "reference number",
      "ref no",
      "transaction reference",
      "bank ref",
      "referenz",
      "kundenreferenz",
      "kundenreferenz end to end",
      "bankreferenz",
      "reference banque",
      "referencia",
      "riferimento",
      "kenmerk",
      "referencja"),
  CHECK(
      "check number",
      "cheque number",
      "check no",
      "cheque no",
      "check",
      "cheque",
      "check num",
      "cheque num",
      "chq no",
      "check or slip",
      "schecknummer",
      "scheck",
      "numero de cheque",
      "n cheque",
      "numero cheque",
      "numero assegno",
      "assegno"),
  BALANCE(
      "balance",
      "running balance",
      "account balance",
      "closing balance",
      "balance after",
      "saldo",
      "kontostand",
      "saldo nach buchung",
      "solde",
      "saldo dopo operazione",
      "saldo na transactie"),
  ACCOUNT(
      "account",
      "account number",
      "own account",
      "account no",
      "account iban",
      "our account",
      "konto",
      "auftragskonto",
      "bezeichnung auftragskonto",
      "iban auftragskonto",
      "kontonummer",
      "compte",
      "numero de compte",
      "cuenta",
      "conto",
      "rekening",
      "rekeningnummer",
      "conta",
      "rachunek"),
  STATUS("status", "state", "statut", "estado", "stato");

  private static final Pattern MARKS = Pattern.compile("\\p{M}+");
  private static final Pattern OTHERS = Pattern.compile("[^a-z0-9]+");
  private static final Pattern CURRENCY_AT_END = Pattern.compile("^(.+?) (?:in )?([a-z]{3})$");

  private final List<String> headings;

  Role(String... headings) {
    this.headings = List.of(headings);
  }

  /** The heading in small plain letters and figures, single blanks between. */
  static String plain(String heading) {
    var letters =
        MARKS
            .matcher(Normalizer.normalize(heading.replace("ß", "ss"), Normalizer.Form.NFD))
            .replaceAll("")
            .toLowerCase(Locale.ROOT);
    return OTHERS.matcher(letters).replaceAll(" ").strip();
  }

  /** What a column under this heading holds, where that is known. */
  static Optional<Role> of(String heading) {
    var plain = plain(heading);
    return Arrays.stream(values())
        .filter(role -> role.headings.contains(plain))
        .findFirst()
        .or(() -> withCurrency(plain));
  }

  /** {@code Amount (USD)}, {@code Betrag in EUR}. */
  private static Optional<Role> withCurrency(String plain) {
    var matcher = CURRENCY_AT_END.matcher(plain);
    if (!matcher.matches() || currencyIn(plain).isEmpty()) {
      return Optional.empty();
    }
    var stem = matcher.group(1).strip();
    return List.of(AMOUNT, DEBIT, CREDIT, BALANCE).stream()
        .filter(role -> role.headings.contains(stem))
        .findFirst();
  }

  /** The currency code that a heading ends with, or empty. */
  static String currencyIn(String heading) {
    var matcher = CURRENCY_AT_END.matcher(plain(heading));
    if (!matcher.matches()) {
      return "";
    }
    var code = matcher.group(2).toUpperCase(Locale.ROOT);
    return CurrencyUnit.registeredCurrencies().stream().anyMatch(c -> c.getCode().equals(code))
        ? code
        : "";
  }

  /** How good a heading is for the role, 0 the best; of two, the better one counts. */
  int rank(String heading) {
    var at = headings.indexOf(plain(heading));
    return at < 0 ? headings.size() : at;
  }
}
