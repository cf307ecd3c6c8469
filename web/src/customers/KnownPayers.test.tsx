import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { serverAnswers, show } from "../testing";
import { KnownPayers } from "./KnownPayers";

const KNOWN = {
  aliases: [
    {
      id: 5,
      payerText: "VEXMOOR TRUST",
      payerAccount: "",
      settlementId: 9,
      by: "maren",
      at: "2026-05-28T10:00:00Z",
    },
  ],
  past: [{ payerName: "OSKAR BAKEHSE", payerAccount: "", times: 3, last: "2026-05-18" }],
  chosen: [{ payerName: "OSKAR BAKEHSE", payerAccount: "", manner: "SEVERAL", times: 2 }],
};

describe("known payers", () => {
  it("show what was learned and from what, and forget each", async () => {
    const calls = serverAnswers({
      "GET /api/customers/7/payers": () => ({ body: KNOWN }),
      "DELETE /api/payer-aliases/5": () => ({ status: 204, body: undefined }),
      "POST /api/customers/7/payers/forgetting": () => ({ status: 204, body: undefined }),
    });
    const { user } = show(<KnownPayers id={7} />);
    expect(await screen.findByText("VEXMOOR TRUST")).toBeTruthy();
    expect(
      screen.getByText(
        /what pays several items together was taken where another explanation stood first, 2 times/,
      ),
    ).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Forget" }));
    await user.click(screen.getByRole("button", { name: "Forget OSKAR BAKEHSE" }));
    const sent = calls.find((c) => c.name === "POST /api/customers/7/payers/forgetting");
    expect(sent?.body).toEqual({ payerName: "OSKAR BAKEHSE", payerAccount: "" });
    expect(calls.some((c) => c.name === "DELETE /api/payer-aliases/5")).toBe(true);
  });

  it("say where nothing is known", async () => {
    serverAnswers({
      "GET /api/customers/7/payers": () => ({ body: { aliases: [], past: [], chosen: [] } }),
    });
    show(<KnownPayers id={7} />);
    expect(await screen.findByText("Nothing is known of who pays")).toBeTruthy();
  });
});
