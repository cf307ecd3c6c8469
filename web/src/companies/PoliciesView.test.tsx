import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import type { Schemas } from "../api/client";
import { serverAnswers, show, usd } from "../testing";
import PoliciesView from "./PoliciesView";

function limits(under: string): Schemas["LimitsView"] {
  const limit = { under: usd(under), over: usd(under), percent: 1.5 };
  return { writeOff: limit, fee: limit, unearnedDiscount: limit, refund: limit, exchange: limit };
}

const POLICY: Schemas["PolicyView"] = {
  currency: "USD",
  clerk: limits("5.00"),
  supervisor: limits("100.00"),
  discountGraceDays: 3,
  feeTaxPercent: 0,
  roundingStep: usd("0.00"),
  usualFees: ["18.00", "2.9 % + 0.30"],
  clearAt: 0.98,
  tornWithin: 0.1,
  version: 4,
};

const EFFECT: Schemas["Effect"] = {
  waiting: [
    { standing: "CLEAR", now: 8, then: 5 },
    { standing: "LEANING", now: 1, then: 4 },
  ],
  changing: 3,
  days: 90,
  now: { clearRight: 70, clearWrong: 1, byHand: 6 },
  then: { clearRight: 60, clearWrong: 0, byHand: 17 },
};

function answers(role: string, put?: () => { status?: number; body: unknown }) {
  return serverAnswers({
    "GET /api/me": () => ({ body: { user: "osric", role } }),
    "GET /api/policies/USD": () => ({ body: POLICY }),
    "POST /api/policies/USD/effect": () => ({ body: EFFECT }),
    "PUT /api/policies/USD": () => put?.() ?? { body: { ...POLICY, version: 5 } },
  });
}

const field = (label: string) => screen.getByLabelText<HTMLInputElement>(label);

describe("policies", () => {
  it("are decided by a supervisor: the limits, the grace and the usual fees as typed", async () => {
    const calls = answers("SUPERVISOR");
    const { user } = show(<PoliciesView />);
    await screen.findByText("Policies, USD");
    await screen.findByRole("button", { name: "Decide" });
    await user.clear(field("Small write-off, a clerk alone: too little"));
    await user.type(field("Small write-off, a clerk alone: too little"), "7.5");
    await user.clear(field("Days of grace for a discount"));
    await user.type(field("Days of grace for a discount"), "2");
    await user.type(field("Usual fees"), "; 25.00");
    await user.click(screen.getByRole("button", { name: "Decide" }));
    expect(await screen.findByText(/holds from the next draft on/)).toBeTruthy();
    const sent = calls.find((c) => c.name === "PUT /api/policies/USD")?.body as typeof POLICY;
    expect(sent.clerk.writeOff).toEqual({ under: usd("7.50"), over: usd("5.00"), percent: 1.5 });
    expect(sent.supervisor).toEqual(POLICY.supervisor);
    expect(sent.discountGraceDays).toBe(2);
    expect(sent.usualFees).toEqual(["18.00", "2.9 % + 0.30", "25.00"]);
    expect(sent.version).toBe(4);
  });

  it("show before they are decided what waits otherwise and what was right and wrong in the last days", async () => {
    const calls = answers("SUPERVISOR");
    const { user } = show(<PoliciesView />);
    expect(await screen.findByText("3 entries that wait would stand otherwise.")).toBeTruthy();
    expect(
      screen.getByRole("row", { name: "would have been clear, and was posted otherwise 1 0" }),
    ).toBeTruthy();
    await user.clear(field("Clear from, in 1,000"));
    await user.type(field("Clear from, in 1,000"), "999");
    await waitFor(() =>
      expect(
        calls.filter((c) => c.name.endsWith("/effect")).map((c) => (c.body as typeof POLICY).clearAt),
      ).toContain(0.999),
    );
  });

  it("mark what is no figure and keep the last one that was", async () => {
    const calls = answers("SUPERVISOR");
    const { user } = show(<PoliciesView />);
    await screen.findByRole("button", { name: "Decide" });
    const grace = await screen.findByLabelText("Days of grace for a discount");
    await user.clear(grace);
    await user.type(grace, "few");
    expect(grace.getAttribute("aria-invalid")).toBe("true");
    await user.click(screen.getByRole("button", { name: "Decide" }));
    await screen.findByText(/holds from the next draft on/);
    const sent = calls.find((c) => c.name === "PUT /api/policies/USD")?.body as typeof POLICY;
    expect(sent.discountGraceDays).toBe(3);
  });

  it("keep what was typed where somebody else has decided meanwhile", async () => {
    answers("SUPERVISOR", () => ({
      status: 409,
      body: { code: "CHANGED", detail: "maren changed the policy a moment ago." },
    }));
    const { user } = show(<PoliciesView />);
    await screen.findByRole("button", { name: "Decide" });
    await user.type(field("Usual fees"), "; 3.00");
    await user.click(screen.getByRole("button", { name: "Decide" }));
    expect(await screen.findByText("maren changed the policy a moment ago.")).toBeTruthy();
    expect(field("Usual fees").value).toBe("18.00; 2.9 % + 0.30; 3.00");
  });

  it("can only be read by a clerk", async () => {
    answers("CLERK");
    show(<PoliciesView />);
    expect(await screen.findByText(/A supervisor or the administrator decides these/)).toBeTruthy();
    expect(field("Tax in a fee, %").disabled).toBe(true);
    expect(screen.queryByRole("button", { name: "Decide" })).toBeNull();
  });
});
