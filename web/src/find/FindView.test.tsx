import { screen } from "@testing-library/react";
import { beforeEach, describe, expect, it } from "vitest";
import { serverAnswers, show, usd, withRoom } from "../testing";
import FindView from "./FindView";

beforeEach(withRoom);

const ENTRY = {
  id: 5,
  on: "2025-03-04",
  name: "OSKAR",
  number: "",
  text: "FLOUR",
  amount: usd("612.30"),
  status: "SETTLED",
  settled: { settlementId: 8, on: "2025-03-05", payer: "" },
};

describe("the search line over everything", () => {
  it("says what became of each, and what of the line it does not understand", async () => {
    serverAnswers({
      "GET /api/searches": () => ({ body: [] }),
      "GET /api/search-suggestions": () => ({ body: [] }),
      "GET /api/found": (request) => ({
        body: request.url.includes("what=ENTRIES")
          ? {
              rows: [ENTRY, { ...ENTRY, id: 6, status: "WAITING", settled: null }],
              sums: [{ count: 2, amount: usd("1224.60") }],
              problems: request.url.includes("soon") ? ["“before:soon” is no day."] : [],
            }
          : { rows: [], sums: [], problems: [] },
      }),
    });
    const { user } = show(<FindView />);
    expect((await screen.findByRole("link", { name: /settled Mar 5, 2025/ })).getAttribute("href")).toBe(
      "/posted/settlements/8",
    );
    expect(screen.getByRole("link", { name: "waits at the desk" }).getAttribute("href")).toBe(
      "/waiting/desk/6",
    );
    expect(screen.getByText(/2 lines/).textContent).toContain("1,224.60");
    await user.type(screen.getByLabelText("words, amounts, days…"), "before:soon");
    expect(await screen.findByText("“before:soon” is no day.")).toBeTruthy();
    await user.click(screen.getByRole("tab", { name: /Open items/ }));
    expect(await screen.findByText("Nothing fits this line")).toBeTruthy();
  });

  it("completes a word, and keeps a line under a name", async () => {
    let saved: unknown[] = [];
    const calls = serverAnswers({
      "GET /api/searches": () => ({ body: saved }),
      "POST /api/searches": async (request) => {
        saved = [{ id: 3, ...((await request.json()) as object) }];
        return { status: 201, body: saved[0] };
      },
      "GET /api/search-suggestions": (request) => ({
        body: request.url.includes("tam")
          ? [{ line: 'payer:"Café Tamarisk"', says: "of this customer" }]
          : [],
      }),
      "GET /api/found": () => ({ body: { rows: [], sums: [], problems: [] } }),
    });
    const { user } = show(<FindView />);
    const line = screen.getByLabelText("words, amounts, days…");
    await user.type(line, "tam");
    await user.click(await screen.findByRole("option", { name: /Café Tamarisk/ }));
    expect((line as HTMLInputElement).value).toBe('payer:"Café Tamarisk" ');
    await user.click(screen.getByRole("button", { name: "Save…" }));
    await user.type(screen.getByLabelText("Name"), "Tamarisk{Enter}");
    expect(await screen.findByText("Tamarisk")).toBeTruthy();
    expect(calls.find((c) => c.name === "POST /api/searches")?.body).toEqual({
      name: "Tamarisk",
      line: 'payer:"Café Tamarisk"',
    });
  });
});
