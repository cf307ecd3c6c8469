/**
 * Where the pieces of a tally bar stand. All amounts in minor units. The bar is as long as the amount received or as
 * what is applied, whichever is more; what goes beyond the amount received is either explained (discount, fee, credit
 * note, claim) or too much. Where no money came, the credit that is applied takes its place.
 */
export interface Piece {
  kind: "applied" | "onAccount" | "other" | "open" | "discount" | "difference" | "credit" | "tooMuch";
  label: string;
  /** The item it is a part of, where it is one. */
  itemId?: number;
  amount: number;
  /** Per cent of the bar. */
  width: number;
}

export interface TallyLayout {
  pieces: Piece[];
  /** Where the amount received ends, in per cent. */
  mark: number;
  /** What stands beyond the mark, from there on: what explains it, then what nothing explains. */
  beyond: Piece[];
  left: number;
}

export interface Applied {
  label: string;
  itemId?: number;
  amount: number;
  discount: number;
}

export interface Labelled {
  label: string;
  amount: number;
}

/** @param differences what keeps something from us is positive, what takes up a part of what came negative */
export function layOut(
  received: number,
  applied: Applied[],
  differences: Labelled[],
  onAccount: number,
): TallyLayout {
  const owed = applied.filter((a) => a.amount > 0);
  const credit = applied.reduce((sum, a) => sum - Math.min(0, a.amount), 0);
  const discount = applied.reduce((sum, a) => sum + a.discount, 0);
  const kept = differences.filter((d) => d.amount > 0);
  const others = differences.filter((d) => d.amount < 0).map((d) => ({ ...d, amount: -d.amount }));
  const total = (of: { amount: number }[]) => of.reduce((sum, { amount }) => sum + amount, 0);
  const gross = total(owed) + onAccount + total(others);
  const money = received === 0 ? credit : received;
  const left = received - (gross - credit - discount - total(kept));
  const open = Math.max(0, left);
  const length = Math.max(money, gross + open, 1);
  const piece = (kind: Piece["kind"], label: string, amount: number, itemId?: number): Piece[] =>
    amount > 0 ? [{ kind, label, itemId, amount, width: (100 * amount) / length }] : [];
  return {
    pieces: [
      ...owed.flatMap((a) => piece("applied", a.label, a.amount, a.itemId)),
      ...piece("onAccount", "on account", onAccount),
      ...others.flatMap((o) => piece("other", o.label, o.amount)),
      ...piece("open", "left", open),
    ],
    mark: (100 * money) / length,
    beyond: [
      ...piece("credit", "credit", received === 0 ? 0 : credit),
      ...piece("discount", "discount", discount),
      ...kept.flatMap((d) => piece("difference", d.label, d.amount)),
      ...piece("tooMuch", "too much", -left),
    ],
    left,
  };
}
