import { fireEvent, screen, waitFor } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { accountOf, openItem, serverAnswers, show, usd } from "../testing";
import type { Draft } from "./drafts";
import { NewInvoice } from "./NewInvoice";

const EMPTY: Draft = { entryId: 1, applications: [], adjustments: [] };
const SERVER = {
  "GET /api/ledger-accounts": () => ({ body: [] }),
  "GET /api/tax-codes": () => ({ body: [{ code: "SALES6", name: "Sales tax 6 %", percent: 6 }] }),
  "GET /api/customers/7": () => ({ body: accountOf([openItem(11, "LM-1", "848.00")]) }),
  "GET /api/invoices/like/11": () => ({
    body: {
      customerId: 7,
      total: usd("848.00"),
      issuedOn: "2026-05-28",
      dueOn: "2026-06-27",
      taxCode: "SALES6",
      terms: "2/10 net 30",
      orderReference: "PO 7",
    },
  }),
};

function dialog(change = vi.fn(), close = vi.fn()) {
  return (
    <NewInvoice
      draft={EMPTY}
      customerId={7}
      like={usd("500.00")}
      on="2026-05-28"
      change={change}
      close={close}
    />
  );
}

const field = (label: string) => screen.getByLabelText<HTMLInputElement>(label);
const write = () => screen.getByRole<HTMLButtonElement>("button", { name: "Write it and take it" });

describe("an invoice made from the receipt", () => {
  it("is like an earlier one where that is asked for, and is taken at once", async () => {
    const calls = serverAnswers({
      ...SERVER,
      "POST /api/invoices": () => ({ status: 201, body: { itemId: 77, number: "SB-1", version: 0 } }),
    });
    const change = vi.fn();
    const { user } = show(dialog(change));
    await screen.findByText(/New invoice for Oskar/);
    expect(field("Amount, tax included").value).toBe("500.00");
    fireEvent.change(field("Like an earlier one"), { target: { value: "11" } });
    await waitFor(() => expect(field("Terms").value).toBe("2/10 net 30"));
    expect(field("Due on").value).toBe("2026-06-27");
    expect(field("Amount, tax included").value).toBe("848.00");
    await user.clear(field("Amount, tax included"));
    await user.type(field("Amount, tax included"), "424");
    await user.click(write());
    await waitFor(() => expect(change).toHaveBeenCalled());
    expect(
      calls.at(-1)?.name === "POST /api/invoices" || calls.some((c) => c.name === "POST /api/invoices"),
    ).toBe(true);
    expect(calls.find((c) => c.name === "POST /api/invoices")?.body).toEqual({
      customerId: 7,
      number: "",
      total: usd("424.00"),
      issuedOn: "2026-05-28",
      dueOn: "2026-06-27",
      taxCode: "SALES6",
      terms: "2/10 net 30",
      orderReference: "PO 7",
    });
    expect((change.mock.calls[0]?.[0] as Draft).applications).toEqual([
      { itemId: 77, amount: usd("424.00"), itemVersion: 0 },
    ]);
  });

  it("keeps what was typed where the server refuses it, and refuses what is no amount itself", async () => {
    serverAnswers({
      ...SERVER,
      "POST /api/invoices": () => ({
        status: 409,
        body: { code: "NUMBER_TAKEN", detail: "There is an item LM-1 already." },
      }),
    });
    const close = vi.fn();
    const { user } = show(dialog(vi.fn(), close));
    await user.type(field("Number"), "LM-1");
    await user.click(write());
    expect(await screen.findByText("There is an item LM-1 already.")).toBeTruthy();
    expect(field("Number").value).toBe("LM-1");
    expect(close).not.toHaveBeenCalled();
    await user.clear(field("Amount, tax included"));
    await user.type(field("Amount, tax included"), "0.00");
    expect(write().disabled).toBe(true);
  });
});
