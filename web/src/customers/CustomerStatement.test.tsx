import { fireEvent, screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { accountOf, serverAnswers, show, usd } from "../testing";
import { CustomerStatement } from "./CustomerStatement";

function eur(amount: string) {
  return { amount, currency: "EUR" };
}

function statement(inBooks: object | null) {
  return {
    from: "2026-02-01",
    until: "2026-05-29",
    opening: eur("0.00"),
    lines: [{ on: "2026-05-20", text: "Invoice Q-1", amount: eur("100.00"), balance: eur("100.00") }],
    charged: eur("100.00"),
    credited: eur("0.00"),
    closing: eur("100.00"),
    inBooks,
  };
}

const AT_A_RATE = {
  currency: "USD",
  ratesOn: "2026-05-29",
  words: "1 EUR = 1.0854 USD of 28 May 2026",
  closing: usd("108.54"),
};

function href(ending: string) {
  return screen.getByRole("link", { name: ending }).getAttribute("href") ?? "";
}

describe("a statement in another currency than that of the books", () => {
  it("has its closing balance in that too where one asks for it, and so have its files", async () => {
    const asked: string[] = [];
    serverAnswers({
      "GET /api/customers/7/statement": (request) => {
        asked.push(new URL(request.url).searchParams.get("ratesOn") ?? "");
        return { body: statement(AT_A_RATE) };
      },
    });
    const { user } = show(<CustomerStatement account={accountOf([], { owes: [eur("100.00")] })} />);
    const box = await screen.findByRole("checkbox", { name: "closing balance in USD too" });
    expect(screen.queryByText("108.54")).toBeNull();
    expect(href("PDF")).not.toContain("inBooks");

    await user.click(box);
    expect((await screen.findByText("108.54")).closest("tr")?.textContent).toContain(AT_A_RATE.words);
    expect(href("PDF")).toContain("inBooks=true");
    fireEvent.change(screen.getByLabelText("Rate of"), { target: { value: "2026-04-30" } });
    await waitFor(() => expect(asked).toContain("2026-04-30"));
    expect(href("CSV")).toContain("ratesOn=2026-04-30");
  });

  it("asks for a rate where none counts, and its files have none", async () => {
    serverAnswers({
      "GET /api/customers/7/statement": () => ({
        body: statement({ ...AT_A_RATE, words: "", closing: null }),
      }),
    });
    const { user } = show(<CustomerStatement account={accountOf([], { owes: [eur("100.00")] })} />);
    await user.click(await screen.findByRole("checkbox", { name: "closing balance in USD too" }));
    expect(screen.getByRole("link", { name: /no rate counts on .*; type one/ })).toBeTruthy();
    expect(href("PDF")).not.toContain("inBooks");
  });

  it("says nothing of it in the currency of the books", async () => {
    serverAnswers({ "GET /api/customers/7/statement": () => ({ body: statement(null) }) });
    show(<CustomerStatement account={accountOf([])} />);
    expect(await screen.findByText("Invoice Q-1")).toBeTruthy();
    expect(screen.queryByRole("checkbox")).toBeNull();
  });
});
