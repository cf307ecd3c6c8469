import { screen, waitFor } from "@testing-library/react";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { serverAnswers, show, usd } from "../testing";
import { Everything, placeOf } from "./Everything";

const THINGS = [
  { kind: "CUSTOMER", id: 6, title: "Café Tamarisk", words: "C006", state: "" },
  {
    kind: "ITEM",
    id: 9,
    title: "LM-0020578",
    words: "Café Tamarisk",
    on: "2026-05-24",
    amount: usd("612.30"),
    state: "open",
  },
];

describe("the search over everything", () => {
  beforeEach(() => {
    const kept = new Map<string, string>();
    vi.stubGlobal("localStorage", {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
    });
  });

  it("opens by one key, goes by the arrows, and keeps what was opened", async () => {
    serverAnswers({ "GET /api/everything": () => ({ body: { things: THINGS, problems: [] } }) });
    const { user } = show(<Everything />);
    await user.keyboard("/");
    await user.type(await screen.findByRole("combobox"), "tamarisk");
    await waitFor(() => expect(screen.getAllByRole("option")).toHaveLength(2));
    expect(screen.getByText("Invoices and other items")).toBeTruthy();
    await user.keyboard("{ArrowDown}");
    expect(screen.getAllByRole("option")[1]?.getAttribute("aria-selected")).toBe("true");
    await user.keyboard("{Enter}");
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());

    await user.keyboard("/");
    expect(await screen.findByText("Opened last")).toBeTruthy();
    expect(screen.getByRole("option").textContent).toContain("LM-0020578");
  });

  it("says what it does not understand, and that nothing fits", async () => {
    serverAnswers({
      "GET /api/everything": () => ({ body: { things: [], problems: ["“x” is no method."] } }),
    });
    const { user } = show(<Everything />);
    await user.click(screen.getByRole("button", { name: /Search/ }));
    await user.type(await screen.findByRole("combobox"), "method:x");
    expect(await screen.findByText("“x” is no method. Nothing fits this.")).toBeTruthy();
  });

  it("leads from an entry that is settled to what settled it", () => {
    const entry = { ...THINGS[1], kind: "ENTRY" as const, id: 5 } as Parameters<typeof placeOf>[0];
    expect(placeOf(entry)).toBe("/waiting/desk/5");
    expect(placeOf({ ...entry, within: 44 })).toBe("/posted/settlements/44");
  });
});
