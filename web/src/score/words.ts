/** What an explanation rested on most, in words; the codes are the engine's. */
const KINDS: Record<string, string> = {
  "reference.creditor": "a structured reference",
  "reference.exact": "a number in the text",
  "reference.order": "an order in the text",
  "reference.digits": "the figures of a number",
  "reference.list": "a list in the text",
  "reference.advice": "a remittance advice",
  "reference.repaired": "a number with a slip",
  "payer.account": "the payer's account",
  "payer.alias": "an alias of the payer",
  "payer.history": "who the payer paid for before",
  "payer.name": "the payer's name",
  "amount.exact": "the amount to the cent",
  "amount.discount": "the amount less a discount",
  "amount.whole_account": "the whole account",
};

export function kindInWords(code: string): string {
  return (
    KINDS[code] ?? KINDS[code.replace(/_(part|like)$/, "")] ?? (code.split(/[._]/).join(" ") || "nothing")
  );
}
