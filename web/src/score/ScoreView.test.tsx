import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import type { Schemas } from "../api/client";
import { serverAnswers, show } from "../testing";
import ScoreView from "./ScoreView";

const TALLY: Schemas["Tally"] = { receipts: 2000, right: 1999, clear: 1500, clearRight: 1499 };

function answers(scored: Partial<Schemas["Scored"]>) {
  return serverAnswers({
    "GET /api/score": () => ({
      body: {
        rehearsed: false,
        days: 90,
        all: TALLY,
        weeks: [{ from: "2026-05-25", tally: TALLY }],
        kinds: [{ code: "reference.exact", tally: TALLY }],
        reliability: [{ from: 0.99, to: 1, receipts: 2000, said: 0.997, right: 1999 }],
        ...scored,
      },
    }),
  });
}

describe("how right it was", () => {
  it("never rounds up to all of it, and says what was said against what came", async () => {
    answers({});
    show(<ScoreView />);
    expect(await screen.findByText("1,999 of 2,000")).toBeTruthy();
    expect(screen.getAllByText("99.9 %").length).toBeGreaterThan(1);
    expect(screen.queryByText("100 %")).toBeNull();
    expect(screen.getByText("a number in the text")).toBeTruthy();
    expect(screen.getByRole("img").getAttribute("aria-label")).toContain("2,000 at 99.7 in 100, 1,999 right");
  });

  it("says so where nothing was posted, and rehearses where one asks for it", async () => {
    const calls = answers({ all: { receipts: 0, right: 0, clear: 0, clearRight: 0 } });
    const { user } = show(<ScoreView />);
    expect(await screen.findByText("Nothing was posted in the last 90 days")).toBeTruthy();
    await user.click(screen.getByRole("tab", { name: "Rehearsed" }));
    expect(calls.length).toBeGreaterThan(1);
  });
});
