import { screen } from "@testing-library/react";
import { createRef } from "react";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { accountOf, GROUP, openItem, serverAnswers, show, usd, withRoom } from "../testing";
import { AccountPane } from "./AccountPane";
import type { Draft } from "./drafts";

beforeEach(withRoom);

const EMPTY: Draft = { entryId: 1, applications: [], adjustments: [] };
const TWO = [openItem(11, "LM-0020446", "1420.00"), openItem(12, "LM-0020457", "90.00")];

function pane(draft: Draft, more: Partial<Parameters<typeof AccountPane>[0]> = {}) {
  return (
    <AccountPane
      customerId={7}
      draft={draft}
      change={() => {}}
      choosePayer={() => {}}
      searchField={createRef()}
      readOnly={false}
      received={usd("231.90")}
      {...more}
    />
  );
}

describe("the account beside the receipt", () => {
  it("takes an item whole by its tick and leaves it by the next", async () => {
    serverAnswers({ "GET /api/customers/7": () => ({ body: accountOf(TWO) }) });
    const change = vi.fn();
    const { user, again } = show(pane(EMPTY, { change }));
    await user.click(await screen.findByLabelText("Take LM-0020446"));
    const taken = change.mock.calls[0]?.[0] as Draft;
    expect(taken.applications).toEqual([{ itemId: 11, amount: usd("1420.00"), itemVersion: 1 }]);
    again(pane(taken, { change }));
    await user.click(screen.getByLabelText("Take LM-0020446"));
    expect((change.mock.calls[1]?.[0] as Draft).applications).toEqual([]);
  });

  it("takes a typed amount on Enter and marks what is none without losing it", async () => {
    serverAnswers({ "GET /api/customers/7": () => ({ body: accountOf(TWO) }) });
    const change = vi.fn();
    const draft = {
      ...EMPTY,
      applications: [{ itemId: 11, amount: usd("1420.00"), itemVersion: 1 }],
    };
    const { user } = show(pane(draft, { change }));
    const field = await screen.findByLabelText("Amount taken of LM-0020446");
    await user.clear(field);
    await user.type(field, "1,204.567{Enter}");
    expect(field.getAttribute("aria-invalid")).toBe("true");
    expect((field as HTMLInputElement).value).toBe("1,204.567");
    expect(change).not.toHaveBeenCalled();
    await user.clear(field);
    await user.type(field, "1,204.5{Enter}");
    expect((change.mock.calls[0]?.[0] as Draft).applications[0]?.amount).toEqual(usd("1204.50"));
  });

  it("narrows a long account to what the draft takes, and back", async () => {
    const many = Array.from({ length: 30 }, (_, n) => openItem(100 + n, `LM-${100 + n}`, "10.00"));
    serverAnswers({ "GET /api/customers/7": () => ({ body: accountOf(many) }) });
    const draft = { ...EMPTY, applications: [{ itemId: 125, amount: usd("10.00"), itemVersion: 1 }] };
    const { user } = show(pane(draft));
    await user.click(await screen.findByRole("button", { name: "Show only the 1 taken" }));
    expect(screen.getByLabelText("Take LM-125")).toBeTruthy();
    expect(screen.queryByLabelText("Take LM-100")).toBeNull();
    await user.click(screen.getByRole("button", { name: "Show all 30" }));
    expect(screen.getByLabelText("Take LM-100")).toBeTruthy();
  });

  it("draws only the rows in sight of an account with thousands", async () => {
    const many = Array.from({ length: 3000 }, (_, n) => openItem(n + 1, `LM-${n + 1}`, "10.00"));
    serverAnswers({ "GET /api/customers/7": () => ({ body: accountOf(many) }) });
    show(pane(EMPTY));
    await screen.findByLabelText("Take LM-1");
    expect(screen.getAllByRole("checkbox").length).toBeLessThan(60);
    expect(screen.getByRole("table").getAttribute("aria-rowcount")).toBe("3001");
    expect(screen.getByText(/3000 open/)).toBeTruthy();
  });

  it("names whose item it is where a branch owes it, and what is no invoice", async () => {
    const branch = openItem(13, "LM-7", "5.00", { customerId: 8, customerName: "Oskar North" });
    const credit = openItem(14, "LM-C1", "-40.00", { kind: "CREDIT_NOTE" });
    serverAnswers({ "GET /api/customers/7": () => ({ body: accountOf([branch, credit]) }) });
    show(pane(EMPTY));
    expect(await screen.findByText("Oskar North")).toBeTruthy();
    expect(screen.getByText("credit note")).toBeTruthy();
  });

  it("lets nothing be taken where somebody else holds the draft, and no refund ever", async () => {
    const refund = openItem(15, "R-1", "-3.00", { kind: "REFUND" });
    serverAnswers({ "GET /api/customers/7": () => ({ body: accountOf([...TWO, refund]) }) });
    const { again } = show(pane(EMPTY));
    expect(await screen.findByLabelText("Take R-1")).toHaveProperty("disabled", true);
    expect(screen.getByLabelText("Take LM-0020446")).toHaveProperty("disabled", false);
    again(pane(EMPTY, { readOnly: true }));
    expect(screen.getByLabelText("Take LM-0020446")).toHaveProperty("disabled", true);
  });

  it("finds a payer or an item by what is typed, and says where there is none", async () => {
    let found = true;
    serverAnswers({
      "GET /api/customers/7": () => ({ body: accountOf(TWO) }),
      "GET /api/customers": () => ({
        body: { rows: found ? [{ id: 9, number: "C9", name: "Halloran", openItems: 2, owes: [] }] : [] },
      }),
      "GET /api/open-items": () => ({ body: { rows: found ? [TWO[1]] : [] } }),
      "GET /api/found": () => ({ body: { rows: [], sums: [], problems: [] } }),
      "GET /api/found/open-items": () => ({ body: { items: [], more: false, sum: usd("0.00") } }),
    });
    const choosePayer = vi.fn();
    const { user } = show(pane(EMPTY, { choosePayer }));
    const search = screen.getByLabelText("Look for a payer, an item or an amount");
    await user.type(search, "90");
    await user.click(await screen.findByRole("button", { name: /LM-0020457/ }));
    expect(choosePayer).toHaveBeenCalledWith(7, TWO[1], false);
    await user.type(search, "hall");
    await user.click(await screen.findByRole("button", { name: /Halloran/ }));
    expect(choosePayer).toHaveBeenLastCalledWith(9, undefined, false);
    found = false;
    await user.type(search, "nobody at all");
    expect(await screen.findByText(/nobody by that name/)).toBeTruthy();
  });

  it("looks in the books of another company, whose customer keeps nothing on account here", async () => {
    const asked: string[] = [];
    const theirs = openItem(31, "LX-03401", "700.00", { customerId: 9, customerName: "Saltpan" });
    serverAnswers({
      "GET /api/customers/7": () => ({ body: accountOf(TWO) }),
      "GET /api/customers/9": () => ({
        body: accountOf([theirs], { id: 9, companyId: 2, name: "Saltpan" }),
      }),
      "GET /api/customers": (request) => {
        asked.push(new URL(request.url).searchParams.get("company") ?? "");
        return { body: { rows: [{ id: 9, number: "C9", name: "Saltpan", openItems: 1, owes: [] }] } };
      },
      "GET /api/open-items": () => ({ body: { rows: [theirs] } }),
      "GET /api/found": () => ({ body: { rows: [], sums: [], problems: [] } }),
      "GET /api/found/open-items": () => ({ body: { items: [], more: false, sum: usd("0.00") } }),
    });
    const choosePayer = vi.fn();
    const change = vi.fn();
    const { user, again } = show(pane(EMPTY, { choosePayer, change }), true, false, GROUP);
    await user.selectOptions(screen.getByLabelText("In whose books to look"), "2");
    await user.type(screen.getByLabelText("Look for a payer, an item or an amount"), "salt");
    await user.click(await screen.findByLabelText("Take LX-03401"));
    expect(asked.at(-1)).toBe("2");
    expect((change.mock.calls[0]?.[0] as Draft).applications[0]?.itemId).toBe(31);
    expect(change.mock.calls[0]?.[1]).toEqual(new Map([[31, "LX-03401"]]));
    await user.click(screen.getByRole("button", { name: /Saltpan1 item/ }));
    expect(choosePayer).toHaveBeenLastCalledWith(9, undefined, true);
    again(pane(EMPTY, { customerId: 9, choosePayer, change }));
    expect(await screen.findByText("of Larkstow Export")).toBeTruthy();
  });

  it("says that nobody is known, that nothing is open, and what went wrong", async () => {
    serverAnswers({
      "GET /api/customers/7": () => ({ body: accountOf([]) }),
      "GET /api/customers/8": () => ({ status: 500, body: { detail: "The books are being moved." } }),
    });
    const { again } = show(pane(EMPTY, { customerId: undefined }));
    expect(screen.getByText(/Nobody is known to have sent this/)).toBeTruthy();
    again(pane(EMPTY));
    expect(await screen.findByText("Nothing is open on this account.")).toBeTruthy();
    again(pane(EMPTY, { customerId: 8 }));
    expect(await screen.findByText("The books are being moved.")).toBeTruthy();
  });

  it("ticks all that fits a search at once, with its sum against what arrived", async () => {
    const fitting = [
      { itemId: 11, number: "SLIP-1", customerId: 7, open: usd("208.40"), version: 1 },
      { itemId: 12, number: "SLIP-2", customerId: 7, open: usd("11.75"), version: 3 },
    ];
    serverAnswers({
      "GET /api/customers/7": () => ({ body: accountOf(TWO) }),
      "GET /api/customers": () => ({ body: { rows: [] } }),
      "GET /api/open-items": () => ({ body: { rows: TWO } }),
      "GET /api/found": () => ({
        body: {
          rows: [
            {
              id: 9,
              on: "2026-05-12",
              name: "Chipfold",
              number: "SLIP-0",
              text: "",
              amount: usd("23.50"),
              settled: { settlementId: 5, on: "2026-05-13", payer: "CHIPFOLD" },
            },
          ],
          sums: [],
          problems: ["“before:soon” is no day; write it like 2026-05-10, or a month like may."],
        },
      }),
      "GET /api/found/open-items": () => ({
        body: { items: fitting, more: false, sum: usd("220.15"), gap: usd("11.75") },
      }),
    });
    const change = vi.fn();
    const { user, again } = show(pane(EMPTY, { change }));
    await user.type(screen.getByLabelText("Look for a payer, an item or an amount"), "slip before:soon");
    expect(await screen.findByText(/2 items fit/)).toBeTruthy();
    const told = screen.getByRole("group", { name: "All that fits" }).textContent;
    expect(told).toContain("220.15 of 231.90, 11.75 too little");
    expect(screen.getByText(/is no day/)).toBeTruthy();
    expect(screen.getByText(/settled May 13 by CHIPFOLD/)).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Tick all 2" }));
    const taken = change.mock.calls[0]?.[0] as Draft;
    expect(taken.applications).toEqual([
      { itemId: 11, amount: usd("208.40"), itemVersion: 1 },
      { itemId: 12, amount: usd("11.75"), itemVersion: 3 },
    ]);
    again(pane(taken, { change }));
    await user.click(await screen.findByRole("button", { name: "Leave all" }));
    expect((change.mock.calls[1]?.[0] as Draft).applications).toEqual([]);
  });
});
