import { screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { serverAnswers, show } from "../testing";
import type { Entry } from "./drafts";
import { Elsewhere } from "./Elsewhere";

const ENTRY = { id: 4, version: 2, status: "WAITING" } as Entry;

const DRAFT = {
  entryId: 4,
  applications: [{ itemId: 3, amount: { amount: "1000.00", currency: "USD" } }],
  adjustments: [],
  exchanges: [{ currency: "USD", given: { amount: "921.70", currency: "EUR" } }],
};

describe("what money may pay in other currencies", () => {
  it("is told with its rate and taken as a draft", async () => {
    serverAnswers({
      "GET /api/entries/4/elsewhere": () => ({
        body: [
          {
            draft: DRAFT,
            named: true,
            why: "LX-03401 is in the text: 1,000.00 USD come to 921.70 EUR",
            items: [{ itemId: 3, number: "LX-03401" }],
          },
        ],
      }),
    });
    const change = vi.fn();
    const { user } = show(<Elsewhere entry={ENTRY} change={change} readOnly={false} />);
    await screen.findByText(/1,000.00 USD come to 921.70 EUR/);
    await user.click(screen.getByRole("button", { name: "Take LX-03401 for it" }));
    expect(change.mock.lastCall?.[0]).toMatchObject({ ...DRAFT, entryVersion: 2 });
    expect(change.mock.lastCall?.[1]).toEqual(new Map([[3, "LX-03401"]]));
  });

  it("is not offered once more where the draft begins with it", async () => {
    const one = { draft: DRAFT, items: [{ itemId: 3, number: "LX-03401" }] };
    serverAnswers({
      "GET /api/entries/4/elsewhere": () => ({
        body: [
          { ...one, named: true, why: "in the text" },
          { ...one, named: false, why: "by its amount" },
        ],
      }),
    });
    show(<Elsewhere entry={ENTRY} change={vi.fn()} readOnly={false} taken />);
    await screen.findByText("in the text");
    expect(screen.getAllByRole("button", { name: "Take LX-03401 for it" })).toHaveLength(1);
  });

  it("shows nothing where nothing is", async () => {
    const calls = serverAnswers({ "GET /api/entries/4/elsewhere": () => ({ body: [] }) });
    show(<Elsewhere entry={ENTRY} change={vi.fn()} readOnly={false} />);
    await vi.waitFor(() => expect(calls).toHaveLength(1));
    expect(screen.queryByRole("region", { name: "In other currencies or companies" })).toBeNull();
  });
});
