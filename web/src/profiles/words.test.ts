import { describe, expect, it } from "vitest";
import { carriedOver } from "./words";

describe("a profile carried over to a layout that has changed", () => {
  const known = {
    name: "Halage export",
    subject: "statement",
    headings: ["Jour", "Objet", "Qui", "Somme"],
    columns: { booking_date: [1], remittance: [2, 3], payer_name: [3], amount: [4] },
    dates: { booking_date: "day-month-year" },
    decimalMark: ",",
    constants: { currency: "EUR" },
  };

  it("finds columns again by their headings, wherever they stand now", () => {
    const here = carriedOver(known, ["Somme", "Jour", "Objet", "Tiers"]);
    expect(here.columns).toEqual({ booking_date: [2], remittance: [3], amount: [1] });
    expect(here.dates).toEqual({ booking_date: "day-month-year" });
    expect(here.constants).toEqual({ currency: "EUR" });
    expect(here.decimalMark).toBe(",");
  });

  it("leaves out how a date is written that has no column any more", () => {
    const here = carriedOver(known, ["Somme", "Objet"]);
    expect(here.columns).toEqual({ remittance: [2], amount: [1] });
    expect(here.dates).toEqual({});
  });
});
