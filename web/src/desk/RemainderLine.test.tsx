import { screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { show, usd } from "../testing";
import type { Preview } from "./drafts";
import { RemainderLine } from "./RemainderLine";

const SHORT: Preview = {
  draft: { entryId: 1, entryVersion: 0, applications: [], adjustments: [] },
  tally: {
    received: usd("2839.60"),
    applied: usd("2840.00"),
    discount: usd("0.00"),
    adjustments: usd("0.00"),
    onAccount: usd("0.00"),
    refund: usd("0.00"),
    exchanged: usd("0.00"),
    forOthers: usd("0.00"),
    toAccounts: usd("0.00"),
    left: usd("-0.40"),
  },
  refusal: "0.40 more is applied than was received.",
  options: [
    { kind: "WRITE_OFF", amount: usd("0.40"), allowed: true, refusal: "", approval: "", note: "" },
    {
      kind: "BANK_FEE",
      amount: usd("0.40"),
      allowed: false,
      refusal: "the limit is 0.20 of what is applied here",
      approval: "",
      note: "",
    },
  ],
  lines: [],
  customers: [],
  changes: [],
  needsApproval: false,
  items: [],
  exchanges: [],
  elsewhere: [],
  gapReasons: [],
};

function line(preview: Preview | undefined, more: Partial<Parameters<typeof RemainderLine>[0]> = {}) {
  return (
    <RemainderLine
      preview={preview}
      error={null}
      treat={() => {}}
      post={() => {}}
      posting={false}
      mayPost
      {...more}
    />
  );
}

describe("the remainder line", () => {
  it("says by how much it is short and offers the ways with the amount in them", async () => {
    const treat = vi.fn();
    const { user } = show(line(SHORT, { treat }));
    expect(screen.getByText("Short by").parentElement?.textContent).toContain("0.40");
    await user.click(screen.getByRole("button", { name: "Write off 0.40" }));
    expect(treat).toHaveBeenCalledWith("WRITE_OFF");
  });

  it("keeps a way that is not allowed in sight, disabled, with its reason", () => {
    show(line(SHORT));
    const button = screen.getByRole<HTMLButtonElement>("button", { name: /Bank fee 0.40/ });
    expect(button.disabled).toBe(true);
    expect(button.textContent).toContain("(limit 0.20)");
  });

  it("posts only when nothing stands against it", async () => {
    const post = vi.fn();
    const { user, again } = show(line(SHORT, { post }));
    expect(screen.getByRole<HTMLButtonElement>("button", { name: /^Post/ }).disabled).toBe(true);
    again(
      line(
        { ...SHORT, refusal: undefined, options: [], tally: { ...SHORT.tally, left: usd("0.00") } },
        { post },
      ),
    );
    await user.click(screen.getByRole("button", { name: /^Post 2,839.60/ }));
    expect(post).toHaveBeenCalledTimes(1);
  });

  it("marks a way that somebody else must approve, and hands over instead of posting", async () => {
    const handOver = vi.fn();
    const treat = vi.fn();
    const beyond = { kind: "WRITE_OFF", amount: usd("9.00"), allowed: true, refusal: "", note: "" } as const;
    const { user, again } = show(
      line({ ...SHORT, options: [{ ...beyond, approval: "the limit is 2.00" }] }, { treat }),
    );
    await user.click(screen.getByRole("button", { name: "Write off 9.00 (needs approval)" }));
    expect(treat).toHaveBeenCalledWith("WRITE_OFF");
    again(
      line(
        { ...SHORT, options: [], needsApproval: true, refusal: "9.00 without a supervisor" },
        { handOver },
      ),
    );
    await user.click(screen.getByRole("button", { name: /^Hand over/ }));
    expect(handOver).toHaveBeenCalledTimes(1);
  });

  it("asks for the reason of a claim", async () => {
    const treat = vi.fn();
    const { user } = show(
      line(
        {
          ...SHORT,
          options: [
            { kind: "CLAIM", amount: usd("0.40"), allowed: true, refusal: "", approval: "", note: "" },
          ],
        },
        { treat },
      ),
    );
    await user.click(screen.getByRole("button", { name: "Claim 0.40…" }));
    await user.click(screen.getByRole("menuitem", { name: "damaged goods" }));
    expect(treat).toHaveBeenCalledWith("CLAIM", "DAMAGED");
  });

  it("posts nothing for somebody who only reads", () => {
    show(line({ ...SHORT, refusal: undefined }, { mayPost: false }));
    for (const button of screen.getAllByRole<HTMLButtonElement>("button")) {
      expect(button.disabled).toBe(true);
    }
  });

  it("shows the sentence of a refusal in place of the ways", () => {
    show(line(SHORT, { error: new Error("LM-0020418 has only 12.00 open, 50.00 were to be applied.") }));
    expect(screen.getByRole("alert").textContent).toContain("only 12.00 open");
    expect(screen.queryByRole("button", { name: "Write off 0.40" })).toBeNull();
  });
});
