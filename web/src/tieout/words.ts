import type { Way } from "./queries";

/** Why bank and books differ. */
export const KIND: Record<Way["kind"], string> = {
  IN_TRANSIT: "in transit",
  REFUND_OUTSTANDING: "refund outstanding",
  BANK_ERROR: "error of the bank",
  UNEXPLAINED: "not explained",
  BOOKED_LATER: "booked later",
  BOOK_ERROR: "error of the books",
};

/** Where one goes to look at a way; null where there is nothing to look at. */
export function placeOf(way: Way): string | null {
  const [what, id] = way.id.split("-");
  switch (what) {
    case "entry":
      return way.amount.amount.startsWith("-") ? `/waiting/from-us/${id}` : `/waiting/desk/${id}`;
    case "deposit":
      return `/pouch/deposits/${id}`;
    case "settlement":
      return `/posted/settlements/${id}`;
    default:
      return null;
  }
}
