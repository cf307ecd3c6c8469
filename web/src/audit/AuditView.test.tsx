import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { serverAnswers, show, withRoom } from "../testing";
import AuditView from "./AuditView";
import { placeOf } from "./words";

const RECORD = {
  id: 7,
  act: 3,
  at: "2026-05-29T09:00:00Z",
  actor: "maren",
  source: "127.0.0.1",
  call: "POST /api/settlements",
  what: "open_item",
  thing: "44",
  kind: "CHANGED" as const,
  values: [{ name: "open", before: "80.00", after: "50.00" }],
};

describe("the audit trail", () => {
  it("says who did what to which thing, from where, with before and after", async () => {
    withRoom();
    serverAnswers({ "GET /api/audit-records": () => ({ body: { rows: [RECORD] } }) });
    show(<AuditView />);
    const line = await screen.findByRole("listitem");
    expect(line.textContent).toContain("maren");
    expect(line.textContent).toContain("from 127.0.0.1");
    expect(line.textContent).toMatch(/open\s*80.00\s*→\s*50.00/);
    expect(screen.getByRole("link", { name: "44" }).getAttribute("href")).toBe("/posted/items/44");
  });

  it("leads nowhere where the thing is gone or has no address", () => {
    expect(placeOf({ ...RECORD, kind: "REMOVED" })).toBeNull();
    expect(placeOf({ ...RECORD, what: "tax_code" })).toBeNull();
  });

  it("says so where nothing fits", async () => {
    serverAnswers({ "GET /api/audit-records": () => ({ body: { rows: [] } }) });
    show(<AuditView />);
    expect(await screen.findByText("No change fits this")).toBeTruthy();
  });
});
