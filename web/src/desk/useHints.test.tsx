import { screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import type { Schemas } from "../api/client";
import { serverAnswers, show } from "../testing";
import { EntryLine } from "./EntryLine";
import { useHints } from "./useHints";

function row(id: number, standing: Schemas["EntryRow"]["standing"]): Schemas["EntryRow"] {
  return {
    id,
    standing,
    bookedOn: "2026-05-29",
    payer: `Payer ${id}`,
    amount: { amount: "10.00", currency: "EUR" },
    status: "WAITING",
    segments: [],
    adjustments: [],
    evidence: "",
  };
}

function List({ rows }: { rows: Schemas["EntryRow"][] }) {
  const hints = useHints(rows);
  return rows.map((one) => (
    <EntryLine key={one.id} row={one} here={false} choose={() => undefined} hint={hints.get(one.id)} />
  ));
}

const asked = (request: Request) => new URL(request.url).searchParams.getAll("entryIds").map(Number);

describe("what entries may pay elsewhere", () => {
  it("stands in their lines, asked for a few at a time and never of a clear one", async () => {
    const rows = [row(1, "CLEAR"), ...Array.from({ length: 45 }, (_, n) => row(n + 2, "BLANK"))];
    const calls: number[][] = [];
    serverAnswers({
      "GET /api/entries/elsewhere": (request) => {
        calls.push(asked(request));
        return {
          body: asked(request)
            .filter((id) => id === 20 || id === 44)
            .map((entryId) => ({
              entryId,
              currencies: entryId === 20 ? ["USD"] : [],
              companies: entryId === 20 ? [] : ["Larkstow Grain Export Ltd"],
              why: `the reason of ${entryId}`,
            })),
        };
      },
    });
    const { again } = show(<List rows={rows} />);
    expect((await screen.findByText("USD items")).title).toBe("the reason of 20");
    expect((await screen.findByText("other company")).title).toBe("the reason of 44");
    // a line that goes and one that comes: only the new one is asked for
    again(<List rows={[...rows.slice(3), row(99, "TORN")]} />);
    await vi.waitFor(() => expect(calls).toHaveLength(4));
    const ids = rows.slice(1).map((one) => one.id);
    expect(calls).toEqual([ids.slice(0, 20), ids.slice(20, 40), ids.slice(40), [99]]);
    expect(screen.getByText("USD items")).toBeDefined();
  });
});
