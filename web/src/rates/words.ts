import type { Schemas } from "../api/client";
import { onDayOfYear } from "../shared/dates";
import type { Counting } from "./queries";

export const ORIGIN: Record<Schemas["RateView"]["origin"], string> = {
  FILE: "file",
  SERVICE: "rate service",
  HAND: "by hand",
};

/** How a rate came about, as a sentence. */
export function howItCameAbout(counting: Counting): string {
  const quotes = counting.quotes.map((q) => `1 ${q.from} = ${q.rate} ${q.to} of ${onDayOfYear(q.on)}`);
  switch (counting.how) {
    case "QUOTED":
      return `quoted so on ${onDayOfYear(counting.on)}`;
    case "INVERSE":
      return `the other way round: ${quotes.join("")}`;
    case "ACROSS":
      return `across ${counting.by}: ${quotes.join(" and ")}`;
  }
}
