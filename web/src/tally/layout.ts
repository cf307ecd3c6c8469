/**
 * Where the pieces of a tally bar stand. All amounts in minor units. The bar is as long as the amount received or as
 * what is applied, whichever is more; what goes beyond the amount received is either covered (discount, fee, credit
 * note, write-off) or too much.
 */
export interface Piece {
  kind: "applied" | "onAccount" | "other" | "open";
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
  /** What stands beyond it and is explained. */
  covered: number;
  /** What stands beyond it and is not. */
  tooMuch: number;
  left: number;
}

export interface Applied {
  label: string;
  itemId?: number;
  amount: number;
  discount: number;
}

export function layOut(
  received: number,
  applied: Applied[],
  adjustments: number,
  onAccount: number,
  others: { label: string; amount: number }[] = [],
): TallyLayout {
  const owed = applied.filter((a) => a.amount > 0);
  const credit = applied.reduce((sum, a) => sum - Math.min(0, a.amount), 0);
  const discount = applied.reduce((sum, a) => sum + a.discount, 0);
  const other = others.reduce((sum, o) => sum + o.amount, 0);
  const gross = owed.reduce((sum, a) => sum + a.amount, 0) + onAccount + other;
  const left = received - (gross - credit - discount - adjustments);
  const open = Math.max(0, left);
  const length = Math.max(received, gross + open, 1);
  const wide = (amount: number) => (100 * amount) / length;
  const pieces: Piece[] = owed.map((a) => ({
    kind: "applied",
    label: a.label,
    itemId: a.itemId,
    amount: a.amount,
    width: wide(a.amount),
  }));
  if (onAccount > 0) {
    pieces.push({ kind: "onAccount", label: "on account", amount: onAccount, width: wide(onAccount) });
  }
  others.forEach((o) =>
    pieces.push({ kind: "other", label: o.label, amount: o.amount, width: wide(o.amount) }),
  );
  if (open > 0) {
    pieces.push({ kind: "open", label: "left", amount: open, width: wide(open) });
  }
  const beyond = Math.max(0, gross + open - received);
  const tooMuch = Math.max(0, -left);
  return { pieces, mark: wide(received), covered: Math.max(0, beyond - tooMuch), tooMuch, left };
}
