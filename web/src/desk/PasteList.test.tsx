import { screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { serverAnswers, show, usd } from "../testing";
import type { Draft } from "./drafts";
import { PasteList } from "./PasteList";

const DRAFT: Draft = {
  entryId: 1,
  applications: [{ itemId: 11, amount: usd("1.00"), itemVersion: 0 }],
  adjustments: [],
};
const ROWS = [
  {
    line: 1,
    text: "LM-1 100.00",
    outcome: "UNDERSTOOD",
    itemId: 11,
    number: "LM-1",
    open: usd("102.00"),
    amount: usd("100.00"),
    discount: usd("2.00"),
    itemVersion: 4,
    message: "less 2.00 discount",
  },
  { line: 2, text: "LM-9 5.00", outcome: "UNKNOWN", message: "Nothing that is known has this reference." },
];

describe("a pasted list", () => {
  it("is read, shows what was not understood, and takes the rest with its discount", async () => {
    serverAnswers({ "POST /api/entries/1/pasted-list": () => ({ body: ROWS }) });
    const change = vi.fn();
    const close = vi.fn();
    const { user } = show(<PasteList draft={DRAFT} customerId={7} change={change} close={close} />);
    await user.type(screen.getByLabelText("The list"), "LM-1 100.00");
    await user.keyboard("{Control>}{Enter}{/Control}");
    expect(await screen.findByText(/1 line understood, 1 not/)).toBeTruthy();
    expect(screen.getByText("Nothing that is known has this reference.")).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Take 1 line" }));
    expect((change.mock.calls[0]?.[0] as Draft).applications).toEqual([
      { itemId: 11, amount: usd("100.00"), discount: usd("2.00"), itemVersion: 4 },
    ]);
    expect(close).toHaveBeenCalled();
  });

  it("stays as typed where it cannot be read", async () => {
    serverAnswers({
      "POST /api/entries/1/pasted-list": () => ({
        status: 400,
        body: { code: "BAD_REQUEST", detail: "A list of 200,000 characters at most." },
      }),
    });
    const { user } = show(<PasteList draft={DRAFT} customerId={7} change={() => {}} close={() => {}} />);
    expect(screen.getByRole("button", { name: "Read the list" })).toHaveProperty("disabled", true);
    await user.type(screen.getByLabelText("The list"), "everything");
    await user.click(screen.getByRole("button", { name: "Read the list" }));
    expect(await screen.findByText("A list of 200,000 characters at most.")).toBeTruthy();
    expect(screen.getByLabelText<HTMLTextAreaElement>("The list").value).toBe("everything");
    expect(screen.getByRole("button", { name: "Take 0 lines" })).toHaveProperty("disabled", true);
  });
});
