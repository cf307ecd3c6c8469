import { cleanup, screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { show, showStyled } from "../testing";
import { BankText } from "./BankText";
import type { Entry } from "./drafts";

function entry(more: Partial<Entry>): Entry {
  return { payerName: "", payerAccount: "", text: "", marks: [], proposals: [], ...more } as Entry;
}

function text(of: string, marks: Entry["marks"]) {
  return showStyled(<BankText entry={entry({ text: of, marks })} />).container;
}

describe("what the bank said", () => {
  it("stands there word for word, with what was recognised underlined and linked to it", () => {
    const container = text("INV LM-20418 and LM-7", [
      { start: 4, end: 12, itemId: 9, number: "LM-20418", settled: false, exact: true },
      { start: 17, end: 21, itemId: 8, number: "LM-17", settled: false, exact: false },
    ]);
    expect(container.textContent).toBe("INV LM-20418 and LM-7 (read as LM-17)");
    const marks = [...container.querySelectorAll("mark")];
    expect(marks.map((mark) => mark.textContent)).toEqual(["LM-20418", "LM-7"]);
    expect(marks.map((mark) => getComputedStyle(mark).borderBottomStyle)).toEqual(["solid", "dotted"]);
    expect(marks.map((mark) => mark.querySelector("a")?.getAttribute("href"))).toEqual([
      "/posted/items/9",
      "/posted/items/8",
    ]);
  });

  it("says what was paid already, and when", () => {
    const container = text("LM-9", [
      { start: 0, end: 4, itemId: 9, number: "LM-9", settled: true, settledOn: "2026-05-04", exact: true },
    ]);
    expect(container.textContent).toContain("paid on May 4");
  });

  it("names the readings of one place, and counts many", () => {
    const reading = (itemId: number) => ({
      start: 0,
      end: 3,
      itemId,
      number: `LM-00${itemId}`,
      settled: false,
      exact: false,
    });
    expect(text("518", [reading(518), reading(1518)]).textContent).toBe(
      "518 (read as LM-00518 or LM-001518)",
    );
    cleanup();
    expect(text("518", [1, 2, 3, 4, 5].map(reading)).textContent).toBe(
      "518 (read as one of 5: LM-001, LM-002, LM-003…)",
    );
  });

  it("underlines the amount that arrived without a link", () => {
    const container = text("PAID 120.00", [{ start: 5, end: 11, exact: true }]);
    expect(container.querySelector("mark")?.textContent).toBe("120.00");
    expect(container.querySelector("a")).toBeNull();
  });

  it("links the payer's name to whom it names, and only where it does", () => {
    const by = (code: string) =>
      entry({
        payerName: "PIAZZA FORNO",
        payer: "Piazza Forno",
        payerId: 4,
        proposals: [{ evidence: [{ code, text: "", weight: 2 }] }] as Entry["proposals"],
      });
    show(<BankText entry={by("payer.name")} />);
    expect(screen.getByRole("link", { name: "PIAZZA FORNO" }).getAttribute("href")).toBe(
      "/posted/customers/4",
    );
    cleanup();
    show(<BankText entry={by("amount.exact")} />);
    expect(screen.queryByRole("link")).toBeNull();
  });

  it("says so where there is neither a name nor a text", () => {
    show(<BankText entry={entry({})} />);
    expect(screen.getByText("The bank gives neither a name nor a text.")).toBeTruthy();
  });
});
