import type { Money, Schemas } from "../api/client";
import { grouped, isNegative, isZero, ofMinor, positive } from "../shared/money";
import type { Cheque, Show } from "./queries";

export type ChequeState = Schemas["ChequeRow"]["state"];

/** What is left to do about a cheque. */
export const STATE: Record<ChequeState, string> = {
  UNEXPLAINED: "To explain",
  UNDECIDED: "To decide",
  SHORT: "Leaves something owing",
  BY_HAND: "Ready by hand",
  CLEAR: "Clear",
  ASIDE: "Set aside",
  POSTED: "Posted",
};

export const SHOW: Record<Show, string> = {
  ALL: "All",
  BALANCE_LEFT: "Balance left",
  UNEXPLAINED: "Unexplained",
  BY_HAND: "Changed by hand",
};

/** How a batch is spoken of. */
export function batchName(of: { number: string; lockbox: string }): string {
  return `batch ${of.number}${of.lockbox ? ` of lockbox ${of.lockbox}` : ""}`;
}

/** How a cheque divides: by its first explanation, or by what became of it since. */
export function divided({ entry, state, byHand, explained, settlementId }: Cheque): Cheque["entry"] {
  const whole = (label: string, amount: Money) => ({
    ...entry,
    segments: [{ number: label, amount, discount: ofMinor(0, amount) }],
    adjustments: [],
  });
  if (state === "POSTED") {
    return whole(`settlement ${settlementId}`, entry.amount);
  }
  return byHand ? whole("draft", explained) : entry;
}

/** What is to be said of a cheque beside who paid and what it is thought to pay. */
export function chequeSays(cheque: Cheque): string {
  const says = [`${cheque.item}${cheque.chequeNumber ? ` · no. ${cheque.chequeNumber}` : ""}`];
  if (cheque.items > 1) {
    says.push(`${cheque.items} items`);
  }
  if (!isZero(cheque.beyondItems)) {
    const more = isNegative(cheque.beyondItems) ? "less" : "more";
    says.push(`${grouped(positive(cheque.beyondItems))} ${more} than its slip`);
  }
  if (cheque.byHand && cheque.state === "UNEXPLAINED") {
    says.push(
      isNegative(cheque.left) ? `${grouped(positive(cheque.left))} too much` : `${grouped(cheque.left)} left`,
    );
  }
  return says.join(" · ");
}
