import { screen } from "@testing-library/react";
import { Navigate, Route, Routes } from "react-router";
import { describe, expect, it } from "vitest";
import { serverAnswers, show, usd } from "../testing";
import IntakeSheet from "./IntakeSheet";

const INTAKE = {
  id: 4,
  fileName: "day.csv",
  format: "csv",
  profile: "Halage export",
  takenBy: "maren",
  takenAt: "2026-05-29T06:00:00Z",
  records: 3,
  fresh: 2,
  known: 1,
  passedOver: 0,
  waiting: [],
  settled: [],
  debits: [],
  announced: [],
  problems: ["line 7: this line has no date and was passed over"],
};

const RECORDS = {
  rows: [
    {
      id: 9,
      kind: "ENTRY",
      day: "2026-05-28",
      title: "Finch Café",
      text: "F-1",
      amount: usd("61.20"),
      state: "WAITING",
    },
    {
      id: 10,
      kind: "ENTRY",
      day: "2026-05-28",
      title: "",
      text: "fee",
      amount: usd("-4.00"),
      state: "DEBIT",
    },
  ],
};

function page() {
  return (
    <Routes>
      <Route path="/" element={<Navigate to="/arrived/intake/4" />} />
      <Route path="/arrived/intake/:intakeId" element={<IntakeSheet />} />
    </Routes>
  );
}

function answers(against: string[], takenBackBy?: string) {
  return serverAnswers({
    "GET /api/intakes/4": () => ({
      body: {
        intake: { ...INTAKE, takenBackBy, takenBackAt: takenBackBy && "2026-05-29T07:00:00Z" },
        sizeBytes: 812,
        against,
      },
    }),
    "GET /api/intakes/4/records": () => ({ body: RECORDS }),
    "GET /api/intakes/4/known": () => ({
      body: [
        { record: { ...RECORDS.rows[0], id: 3, title: "Lark Pies" }, broughtBy: 2, fileName: "before.csv" },
      ],
    }),
    "GET /api/intakes/4/left-out": () => ({ body: [] }),
    "POST /api/intakes/4/taking-back": () => ({ body: { intake: INTAKE, sizeBytes: 812, against: [] } }),
  });
}

describe("one intake", () => {
  it("shows its records with what became of them, and asks once before it is taken back", async () => {
    const calls = answers([]);
    const { user } = show(page());
    expect(await screen.findByText("Finch Café")).toBeTruthy();
    expect(screen.getByText("Nobody named")).toBeTruthy();
    expect(screen.getByText("from us")).toBeTruthy();
    expect(screen.getByText(/3 records: 2 new, 1 known already/)).toBeTruthy();
    expect(screen.getByText(/read by “Halage export”/)).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Take it back…" }));
    expect(calls.some((call) => call.name.startsWith("POST"))).toBe(false);
    await user.click(screen.getByRole("button", { name: "Take 2 records out again" }));
    expect(calls.some((call) => call.name === "POST /api/intakes/4/taking-back")).toBe(true);
  });

  it("says why it cannot be taken back", async () => {
    answers(["1 entry of it was settled."]);
    show(page());
    expect(await screen.findByText(/It cannot be taken back: 1 entry of it was settled/)).toBeTruthy();
    expect(screen.queryByRole("button", { name: "Take it back…" })).toBeNull();
  });

  it("offers it to nobody who may not post", async () => {
    answers([]);
    show(page(), false);
    expect(await screen.findByText("Finch Café")).toBeTruthy();
    expect(screen.queryByRole("button", { name: "Take it back…" })).toBeNull();
  });

  it("says who took it back", async () => {
    answers([], "osric");
    show(page());
    expect(await screen.findByText(/Taken back by osric/)).toBeTruthy();
  });

  it("lists what was known already with the file that brought it, when asked", async () => {
    answers([]);
    const { user } = show(page());
    await user.click(await screen.findByRole("button", { name: "Show the one that was known already" }));
    expect(await screen.findByText("Lark Pies")).toBeTruthy();
    expect(screen.getByText("before.csv").getAttribute("href")).toBe("/arrived/intake/2");
  });
});
