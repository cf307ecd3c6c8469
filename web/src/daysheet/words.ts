import type { Money, Schemas } from "../api/client";
import { grouped, ofValue } from "../shared/money";

export type DaySheet = Schemas["DaySheetView"];
export type Hand = Schemas["HandSum"]["hand"];
export type Wait = keyof Schemas["WaitedFor"]["counts"] & string;

/** How a settlement came about. */
export const HAND: Record<Hand, string> = {
  UNATTENDED: "by itself, as clear",
  TREATMENT: "by itself, by a house rule",
  CLEAR: "with all that was clear",
  EXPLANATION: "an explanation taken",
  HAND: "put together by hand",
};

/** How long a receipt waited. */
export const WAITS: [Wait, string][] = [
  ["SAME_DAY", "same day"],
  ["NEXT_DAY", "next day"],
  ["DAYS_2_TO_3", "2–3 days"],
  ["DAYS_4_TO_7", "4–7 days"],
  ["LONGER", "longer"],
];

/** A figure of the sheet, by which what is behind it is asked for. */
export interface Figure {
  figure: "ARRIVED" | "SETTLED" | "HAND" | "WAITING" | "WAITED" | "AGEING" | "DIFFERENCE" | "HELD";
  hour?: number;
  key?: string;
  /** Another day than the sheet's. */
  on?: string;
}

/** Opens what a figure is made of. */
export type Open = (of: Figure, title: string) => void;

/** How a bar says its figure, in the currency of another amount. */
export function said(like: Money) {
  return (value: number) => grouped(ofValue(value, like));
}

/** So many days after a day; before it where they are negative. */
export function daysAfter(iso: string, days: number): string {
  const day = new Date(iso);
  day.setUTCDate(day.getUTCDate() + days);
  return day.toISOString().slice(0, 10);
}
