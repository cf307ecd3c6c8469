import { screen } from "@testing-library/react";
import { beforeEach, describe, expect, it } from "vitest";
import { serverAnswers, show, usd } from "../testing";
import { UndoSteps, useUndo, type Step } from "./undo";
import { UndoKey } from "./UndoKey";

beforeEach(() => sessionStorage.clear());

const POSTED: Step = { kind: "settlement", id: 7, words: "1,204.50 from Wrenhouse Bagels" };
const SHELVED: Step = { kind: "shelving", id: 3, words: "20.00 from Nobody, shelved" };

function Doer({ step }: { step: Step }) {
  const { did, steps } = useUndo();
  return (
    <button onClick={() => did(step)}>
      did {step.id}, {steps.length} before
    </button>
  );
}

function page() {
  return (
    <UndoSteps user="maren">
      <Doer step={POSTED} />
      <Doer step={SHELVED} />
      <UndoKey />
    </UndoSteps>
  );
}

describe("the steps of a window", () => {
  it("are taken back one after the other, in words", async () => {
    const calls = serverAnswers({
      "DELETE /api/entries/3/shelving": () => ({ status: 204, body: null }),
      "POST /api/settlements/7/reversal": () => ({
        body: { received: usd("1204.50"), payer: "Wrenhouse Bagels", entryId: 12 },
      }),
    });
    const { user } = show(page());
    await user.click(screen.getByText(/^did 7/));
    await user.click(screen.getByText(/^did 3/));
    await user.keyboard("u");
    expect((await screen.findByRole("status")).textContent).toContain(
      "Taken back from the shelf: 20.00 from Nobody, shelved. U again: 1,204.50 from Wrenhouse Bagels.",
    );
    await user.keyboard("u");
    expect(await screen.findByText("Reversed: 1,204.50 from Wrenhouse Bagels.")).toBeTruthy();
    await user.keyboard("u");
    expect(await screen.findByText("Nothing to undo in this window.")).toBeTruthy();
    expect(calls.map((c) => c.name)).toEqual([
      "DELETE /api/entries/3/shelving",
      "POST /api/settlements/7/reversal",
    ]);
  });

  it("outlive a reload, and one that cannot be taken back does not stand before the others", async () => {
    serverAnswers({
      "POST /api/settlements/7/reversal": () => ({
        status: 409,
        body: { code: "ALREADY_REVERSED", detail: "Settlement 7 was reversed by osric already." },
      }),
    });
    const { user, unmount } = show(page());
    await user.click(screen.getByText(/^did 7/));
    unmount();
    const again = show(page());
    expect(screen.getByText("did 7, 1 before")).toBeTruthy();
    await again.user.keyboard("u");
    expect(await screen.findByText("Settlement 7 was reversed by osric already.")).toBeTruthy();
    expect(screen.getByText("did 7, 0 before")).toBeTruthy();
  });
});
