import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { serverAnswers, show } from "../testing";
import { LeftOutRows } from "./LeftOutRows";

const ROW = {
  id: 8,
  line: 3,
  headings: ["date", "amount"],
  cells: ["31.02.2026", "17,00"],
  message: "date “31.02.2026” is no day",
  status: "OPEN",
};

describe("lines to put right", () => {
  it("are corrected cell by cell; what still cannot be read is told and stays", async () => {
    const calls = serverAnswers({
      "GET /api/intakes/4/left-out": () => ({ body: [ROW] }),
      "POST /api/left-out/8/putting-right": () => ({
        status: 422,
        body: { code: "BROKEN_FILE", detail: "Line 2: still wrong." },
      }),
    });
    const { user } = show(<LeftOutRows intakeId={4} />);
    const date = await screen.findByLabelText("date");
    await user.clear(date);
    await user.type(date, "30.02.2026");
    await user.click(screen.getByRole("button", { name: "Take the line in" }));
    expect(await screen.findByText("Line 2: still wrong.")).toBeTruthy();
    expect(calls.find((c) => c.name.startsWith("POST"))?.body).toEqual({ cells: ["30.02.2026", "17,00"] });
    expect(screen.getByDisplayValue("30.02.2026")).toBeTruthy();
  });

  it("are shelved with a word why", async () => {
    const calls = serverAnswers({
      "GET /api/intakes/4/left-out": () => ({ body: [ROW] }),
      "POST /api/left-out/8/shelving": () => ({ body: null }),
    });
    const { user } = show(<LeftOutRows intakeId={4} />);
    await user.click(await screen.findByRole("button", { name: "Shelve it…" }));
    expect(screen.getByRole("button", { name: "Shelve it" }).hasAttribute("disabled")).toBe(true);
    await user.type(screen.getByLabelText("Why"), "a test row");
    await user.click(screen.getByRole("button", { name: "Shelve it" }));
    expect(calls.find((c) => c.name.startsWith("POST"))?.body).toEqual({ why: "a test row" });
  });

  it("say who decided and when, and who only reads decides nothing", async () => {
    const decided = { decidedBy: "osric", decidedAt: "2026-05-29T06:00:00Z" };
    serverAnswers({
      "GET /api/intakes/4/left-out": () => ({
        body: [
          { ...ROW, ...decided, status: "PUT_RIGHT", becameIntakeId: 12 },
          { ...ROW, ...decided, id: 9, line: 4, status: "SHELVED", note: "a test row" },
          { ...ROW, id: 10, line: 5 },
        ],
      }),
    });
    show(<LeftOutRows intakeId={4} />, false);
    expect((await screen.findByText("What it became")).getAttribute("href")).toBe("/arrived/intake/12");
    expect(screen.getByText(/Shelved by osric, .*a test row/)).toBeTruthy();
    expect(screen.queryByRole("button")).toBeNull();
  });
});
