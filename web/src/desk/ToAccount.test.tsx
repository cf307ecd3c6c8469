import { fireEvent, screen, waitFor } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { serverAnswers, show, usd } from "../testing";
import type { Draft } from "./drafts";
import { ToAccount } from "./ToAccount";

const EMPTY: Draft = { entryId: 1, applications: [], adjustments: [] };
const CHART = {
  "GET /api/ledger-accounts": () => ({
    body: [
      { id: 41, code: "4800", name: "Other income" },
      { id: 42, code: "7100", name: "Interest income" },
    ],
  }),
  "GET /api/tax-codes": () => ({
    body: [
      { code: "NONE", name: "No tax", percent: 0 },
      { code: "SALES6", name: "Sales tax 6 %", percent: 6 },
    ],
  }),
};
const WHOLE = { "POST /api/splits": () => ({ body: [{ amount: usd("212.17"), refusal: "" }] }) };

function dialog(change = vi.fn(), close = vi.fn()) {
  return <ToAccount draft={EMPTY} left={usd("212.17")} change={change} close={close} />;
}

function select(label: string, value: string, at = 0) {
  fireEvent.change(screen.getAllByLabelText(label)[at] as HTMLElement, { target: { value } });
}

const put = () => screen.getByRole<HTMLButtonElement>("button", { name: "Put into the draft" });

describe("money that is no customer's", () => {
  it("goes whole to one account, with its tax and text", async () => {
    serverAnswers({ ...CHART, ...WHOLE, "GET /api/entries/1/double-counting": () => ({ body: [] }) });
    const change = vi.fn();
    const { user } = show(dialog(change));
    await screen.findByText("212.17");
    expect(put().disabled).toBe(true);
    select("Account", "42");
    select("Tax in it", "SALES6");
    await user.type(screen.getByLabelText("What it is"), "interest of May");
    await user.click(put());
    expect(change).toHaveBeenCalledWith({
      ...EMPTY,
      despite: undefined,
      explanation: undefined,
      adjustments: [
        {
          kind: "TO_ACCOUNT",
          amount: usd("-212.17"),
          accountId: 42,
          taxCode: "SALES6",
          text: "interest of May",
        },
      ],
    });
  });

  it("goes to several by what the server makes of the typed shares; what is no share stays and stops", async () => {
    const calls = serverAnswers({
      ...CHART,
      "GET /api/entries/1/double-counting": () => ({ body: [] }),
      "POST /api/splits": async (request) => {
        const { parts } = (await request.json()) as { parts: string[] };
        return {
          body: parts.map((part, n) =>
            part === "half"
              ? { amount: null, refusal: '"half" is neither an amount nor a share such as 40 %' }
              : { amount: n === 0 ? usd("106.09") : usd("106.08"), refusal: "" },
          ),
        };
      },
    });
    const change = vi.fn();
    const { user } = show(dialog(change));
    await screen.findByLabelText("Account");
    await user.click(screen.getByRole("button", { name: "Another account" }));
    select("Account", "41", 0);
    select("Account", "42", 1);
    const first = screen.getAllByLabelText("Amount or share")[0] as HTMLElement;
    await user.type(first, "half");
    expect(await screen.findByText(/neither an amount nor a share/)).toBeTruthy();
    expect(put().disabled).toBe(true);
    await user.clear(first);
    await user.type(first, "50 %");
    await waitFor(() => expect(put().disabled).toBe(false));
    await user.click(put());
    expect((change.mock.calls[0]?.[0] as Draft).adjustments.map((a) => a.amount.amount)).toEqual([
      "-106.09",
      "-106.08",
    ]);
    expect(calls.find((c) => c.name === "POST /api/splits")?.body).toEqual({
      whole: usd("212.17"),
      parts: [""],
    });
  });

  it("is stopped by what would be counted twice, until that is taken or explained", async () => {
    serverAnswers({
      ...CHART,
      ...WHOLE,
      "GET /api/entries/1/double-counting": () => ({
        body: [
          {
            sentence: "LM-8001 is open with exactly this amount.",
            amount: usd("212.17"),
            items: [{ itemId: 5, number: "LM-8001", customer: "Ovens", open: usd("212.17"), itemVersion: 3 }],
          },
        ],
      }),
    });
    const change = vi.fn();
    const { user } = show(dialog(change));
    expect(await screen.findByText("This may count income twice")).toBeTruthy();
    await screen.findByLabelText("Account");
    select("Account", "41");
    expect(put().disabled).toBe(true);
    await user.type(screen.getByLabelText("Why it is something else"), "rent");
    await waitFor(() => expect(put().disabled).toBe(false));
    await user.click(screen.getByRole("button", { name: /Take it instead/ }));
    expect((change.mock.calls[0]?.[0] as Draft).applications).toEqual([
      { itemId: 5, amount: usd("212.17"), itemVersion: 3 },
    ]);
    expect(change.mock.calls[0]?.[1]).toEqual(new Map([[5, "LM-8001"]]));
  });
});
