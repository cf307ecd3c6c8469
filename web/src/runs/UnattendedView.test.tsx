import { screen, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { serverAnswers, show, usd } from "../testing";
import UnattendedView from "./UnattendedView";

const SUPERVISOR = {
  user: "osric",
  role: "SUPERVISOR",
  companies: [
    {
      id: 1,
      name: "Larkstow",
      currency: "USD",
      bankAccounts: [
        { id: 4, name: "Operating USD", currency: "USD" },
        { id: 5, name: "Export EUR", currency: "EUR" },
      ],
    },
  ],
};
const RULE = {
  id: 3,
  customer: "Vale Bread Co",
  upTo: usd("500.00"),
  by: "osric",
  at: "2026-05-28T09:00:00Z",
};
const DAY = { on: "2026-05-29", posted: 4, standing: 3, amount: usd("812.40") };

describe("posted without a hand", () => {
  it("says so while nothing is, and takes a rule for a bank account", async () => {
    let rules: unknown[] = [];
    const calls = serverAnswers({
      "GET /api/me": () => ({ body: SUPERVISOR }),
      "GET /api/unattended/rules": () => ({ body: rules }),
      "GET /api/unattended/days": () => ({ body: [] }),
      "POST /api/unattended/rules": () => {
        rules = [{ ...RULE, customer: null, bankAccount: "Operating USD" }];
        return { status: 201, body: rules[0] };
      },
    });
    const { user } = show(<UnattendedView />, true, true);
    expect(await screen.findByText("No rule: everything is posted by people.")).toBeTruthy();
    expect(screen.getByText("Nothing was posted without a hand yet.")).toBeTruthy();
    const form = within(await screen.findByRole("form", { name: "New rule" }));
    await user.selectOptions(form.getByLabelText("Receipts of"), "account");
    // an account in another currency is none to choose
    expect(form.queryByText("Export EUR")).toBeNull();
    const post = form.getByRole("button", { name: "Post these without a hand" });
    expect((post as HTMLButtonElement).disabled).toBe(true);
    await user.type(form.getByLabelText("Up to"), "500");
    await user.click(post);
    expect(await screen.findByText("all on Operating USD")).toBeTruthy();
    expect(calls.find((c) => c.name === "POST /api/unattended/rules")?.body).toEqual({
      bankAccountId: 4,
      upTo: usd("500.00"),
    });
  });

  it("takes a day back with a reason, and says what stays and why", async () => {
    const calls = serverAnswers({
      "GET /api/me": () => ({ body: SUPERVISOR }),
      "GET /api/unattended/rules": () => ({ body: [RULE] }),
      "GET /api/unattended/days": () => ({ body: [DAY] }),
      "POST /api/unattended/days/2026-05-29/reversal": () => ({
        body: { reversed: 2, kept: [{ settlementId: 77, reason: "OA-9 was applied since." }] },
      }),
    });
    const { user } = show(<UnattendedView />, true, true);
    const days = await screen.findByLabelText("Days");
    expect(within(days).getByText("812.40")).toBeTruthy();
    await user.click(within(days).getByRole("button", { name: "Take the day back…" }));
    const go = screen.getByRole("button", { name: "Take 3 settlements back" });
    expect((go as HTMLButtonElement).disabled).toBe(true);
    await user.type(screen.getByLabelText("Why"), "wrong price list");
    await user.click(go);
    expect(await screen.findByText("Settlement 77 stays: OA-9 was applied since.")).toBeTruthy();
    expect(screen.getByText(/2 settlements taken back/)).toBeTruthy();
    expect(calls.find((c) => c.name.startsWith("POST"))?.body).toEqual({ reason: "wrong price list" });
  });

  it("shows a clerk what there is and lets it be", async () => {
    serverAnswers({
      "GET /api/me": () => ({ body: { ...SUPERVISOR, user: "maren", role: "CLERK" } }),
      "GET /api/unattended/rules": () => ({ body: [RULE] }),
      "GET /api/unattended/days": () => ({ body: [DAY] }),
    });
    show(<UnattendedView />);
    expect(await screen.findByText("Vale Bread Co")).toBeTruthy();
    expect(screen.queryByRole("button", { name: /End the rule/ })).toBeNull();
    expect(screen.queryByRole("button", { name: "Take the day back…" })).toBeNull();
    expect(screen.queryByRole("form", { name: "New rule" })).toBeNull();
  });
});
