import { screen } from "@testing-library/react";
import { Navigate, Route, Routes } from "react-router";
import { beforeEach, describe, expect, it } from "vitest";
import { serverAnswers, show, usd, withRoom } from "../testing";
import RunView from "./RunView";

beforeEach(withRoom);

const RUN = {
  id: 3,
  by: "maren",
  startedAt: "2026-05-29T09:00:00Z",
  state: "RUNNING",
  stopping: false,
  total: 500,
  posted: 120,
  refused: 1,
  amount: usd("9000.00"),
  postedAmount: usd("2100.00"),
};

const LINES = [
  { position: 1, entryId: 11, payer: "Bramble", amount: usd("100.00"), state: "POSTED", settlementId: 40 },
  {
    position: 2,
    entryId: 12,
    payer: "Quarry",
    amount: usd("40.00"),
    state: "REFUSED",
    refusal: "LM-2 of 40.00 is settled already; nothing of it is open.",
  },
  { position: 3, entryId: 13, payer: "Quill", amount: usd("5.00"), state: "PENDING" },
];

function page() {
  return (
    <Routes>
      <Route path="/posted/runs/:runId" element={<RunView />} />
      <Route path="*" element={<Navigate to="/posted/runs/3" />} />
    </Routes>
  );
}

function answers(run: () => object) {
  return {
    "GET /api/runs/3": () => ({ body: run() }),
    "GET /api/runs/3/lines": (request: Request) => ({
      body: { rows: request.url.includes("state=REFUSED") ? LINES.slice(1, 2) : LINES },
    }),
  };
}

describe("a run", () => {
  it("says line by line what became of it, is stopped and continued", async () => {
    let run: object = RUN;
    const calls = serverAnswers({
      ...answers(() => run),
      "POST /api/runs/3/stopping": () => {
        run = { ...RUN, state: "STOPPED", posted: 130 };
        return { body: run };
      },
      "POST /api/runs/3/continuing": () => {
        run = { ...RUN, state: "DONE", posted: 499, endedAt: "2026-05-29T09:01:00Z" };
        return { body: run };
      },
    });
    const { user } = show(page());
    expect(await screen.findByText("120 of 500 posted, 1 refusal")).toBeTruthy();
    expect(screen.getByRole("progressbar").getAttribute("aria-valuenow")).toBe("24.2");
    expect((await screen.findByRole("link", { name: "settlement 40" })).getAttribute("href")).toBe(
      "/posted/settlements/40",
    );
    expect(screen.getByText(/settled already; nothing of it is open/)).toBeTruthy();
    expect(screen.getByText("not yet")).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Stop" }));
    expect(await screen.findByText("Stopped: 130 of 500 posted, 1 refusal, 369 left")).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Continue with 369" }));
    expect(await screen.findByText("499 of 500 posted, 1 refusal")).toBeTruthy();
    expect(screen.getByRole("link", { name: "To the desk" })).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Refused 1" }));
    expect(await screen.findByRole("link", { name: "Look at it" })).toBeTruthy();
    expect(screen.queryByText("not yet")).toBeNull();
    expect(calls.filter((c) => c.name.startsWith("POST")).length).toBe(2);
  });

  it("tells why it cannot be stopped, and leaves another's run to whoever started it", async () => {
    serverAnswers({
      ...answers(() => RUN),
      "POST /api/runs/3/stopping": () => ({ status: 409, body: { detail: "Run 3 has ended already." } }),
    });
    const { user, unmount } = show(page());
    await user.click(await screen.findByRole("button", { name: "Stop" }));
    expect(await screen.findByText("Run 3 has ended already.")).toBeTruthy();
    unmount();
    serverAnswers(answers(() => ({ ...RUN, by: "osric" })));
    show(page());
    expect(await screen.findByText("120 of 500 posted, 1 refusal")).toBeTruthy();
    expect(screen.queryByRole("button", { name: "Stop" })).toBeNull();
  });
});
