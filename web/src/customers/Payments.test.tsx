import { screen, waitFor } from "@testing-library/react";
import { beforeEach, describe, expect, it } from "vitest";
import { accountOf, serverAnswers, show, usd } from "../testing";
import { Payments } from "./Payments";

beforeEach(() => sessionStorage.clear());

const CREDIT = {
  key: "item-5",
  itemId: 5,
  on: "2026-05-28",
  name: "OA-9",
  amount: usd("150.00"),
  left: usd("150.00"),
  itemVersion: 2,
};
const PAID = {
  itemId: 11,
  kind: "INVOICE",
  number: "LM-1",
  customerName: "Oskar",
  on: "2026-04-20",
  dueOn: "2026-05-20",
  total: usd("120.00"),
  open: usd("120.00"),
  itemVersion: 3,
};

describe("what paid what", () => {
  it("applies money on account by the keyboard, as much as fits or as is typed", async () => {
    let refuse = true;
    const calls = serverAnswers({
      "GET /api/customers/7/payments": () => ({
        body: { paying: [CREDIT], paid: [PAID], links: [], more: false },
      }),
      "POST /api/settlements": () =>
        refuse
          ? { status: 409, body: { detail: "LM-1 has changed since you looked at it." } }
          : { status: 201, body: { id: 40, received: usd("0.00"), payer: "Oskar" } },
    });
    const { user } = show(<Payments account={accountOf([])} />);
    await user.click(await screen.findByRole("button", { name: "Apply OA-9" }));
    await user.click(screen.getByRole("button", { name: "To LM-1" }));
    const amount = screen.getByLabelText("Amount to apply");
    expect((amount as HTMLInputElement).value).toBe("120.00");
    await user.clear(amount);
    await user.type(amount, "130");
    expect(screen.getByText("Type an amount up to 120.00.")).toBeTruthy();
    await user.clear(amount);
    await user.type(amount, "100{Enter}");
    expect(await screen.findByText("LM-1 has changed since you looked at it.")).toBeTruthy();
    expect((amount as HTMLInputElement).value).toBe("100");
    refuse = false;
    await user.click(screen.getByRole("button", { name: "Apply 100.00" }));
    expect(await screen.findByRole("button", { name: "Apply OA-9" })).toBeTruthy();
    expect(calls.filter((c) => c.name === "POST /api/settlements").at(-1)?.body).toEqual({
      accountOf: 7,
      applications: [
        { itemId: 5, amount: usd("-100.00"), itemVersion: 2 },
        { itemId: 11, amount: usd("100.00"), itemVersion: 3 },
      ],
      adjustments: [],
    });
  });

  it("offers what is left by now, not what was left when it was looked at", async () => {
    let posted = false;
    serverAnswers({
      "GET /api/customers/7/payments": () => ({
        body: {
          paying: [posted ? { ...CREDIT, left: usd("50.00") } : CREDIT],
          paid: [PAID],
          links: [],
          more: false,
        },
      }),
    });
    const { user, queries } = show(<Payments account={accountOf([])} />);
    await user.click(await screen.findByRole("button", { name: "Apply OA-9" }));
    await user.click(screen.getByRole("button", { name: "To LM-1" }));
    const amount = screen.getByLabelText("Amount to apply");
    expect((amount as HTMLInputElement).value).toBe("120.00");
    posted = true;
    await queries.invalidateQueries({ queryKey: ["customer"] });
    await waitFor(() => expect((amount as HTMLInputElement).value).toBe("50.00"));
  });

  it("names what each receipt paid, for whoever does not see the lines", async () => {
    serverAnswers({
      "GET /api/customers/7/payments": () => ({
        body: {
          paying: [
            { key: "settlement-8", settlementId: 8, on: "2026-05-12", name: "OSKAR", amount: usd("120.00") },
          ],
          paid: [{ ...PAID, open: usd("0.00") }],
          links: [{ from: "settlement-8", itemId: 11, amount: usd("120.00") }],
          more: false,
        },
      }),
    });
    show(<Payments account={accountOf([])} />, false);
    expect(await screen.findByRole("listitem", { name: "OSKAR: LM-1 120.00" })).toBeTruthy();
    expect(screen.queryByRole("button", { name: /^Apply/ })).toBeNull();
  });
});
