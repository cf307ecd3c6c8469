import { fireEvent, screen, waitFor } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { serverAnswers, show } from "../testing";
import ExportsView from "./ExportsView";

const EXPORT = {
  id: 3,
  firstOn: "2026-05-01",
  lastOn: "2026-05-29",
  entries: 41,
  madeBy: "maren",
  madeAt: "2026-05-29T16:00:00Z",
  taken: [{ format: "CSV", takenBy: "maren", takenAt: "2026-05-29T16:01:00Z", why: "" }],
};

describe("exports", () => {
  it("names what waits, and exports just that", async () => {
    const calls = serverAnswers({
      "GET /api/journal-exports": () => ({ body: [] }),
      "GET /api/journal-exports/waiting": () => ({
        body: { until: "2026-05-29", entries: 41, firstOn: "2026-05-01", lastOn: "2026-05-29" },
      }),
      "POST /api/journal-exports": () => ({ status: 201, body: EXPORT }),
    });
    const { user } = show(<ExportsView />);
    expect(await screen.findByText("Nothing was exported yet")).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Export 41 entries" }));
    await waitFor(() =>
      expect(calls.find((c) => c.name.startsWith("POST"))?.body).toEqual({ until: "2026-05-29" }),
    );
  });

  it("asks why a file that was taken is wanted again", async () => {
    vi.stubGlobal(
      "URL",
      Object.assign(URL, { createObjectURL: () => "blob:x", revokeObjectURL: () => undefined }),
    );
    const calls = serverAnswers({
      "GET /api/journal-exports": () => ({ body: [EXPORT] }),
      "GET /api/journal-exports/waiting": () => ({ body: { until: "2026-05-29", entries: 0 } }),
      "POST /api/journal-exports/3/files": () => ({ body: {} }),
    });
    const { user } = show(<ExportsView />);
    await user.click(await screen.findByRole("button", { name: "CSV again…" }));
    const again = screen.getByRole<HTMLButtonElement>("button", { name: "Take it again" });
    expect(again.disabled).toBe(true);
    await user.type(screen.getByLabelText("Why"), "lost");
    await user.click(again);
    await waitFor(() =>
      expect(calls.find((c) => c.name.startsWith("POST"))?.body).toEqual({ format: "CSV", again: "lost" }),
    );
  });

  it("has what was applied in the currency of the books only where a rate counts", async () => {
    let rate: object | null = null;
    serverAnswers({
      "GET /api/me": () => ({
        body: { businessDate: "2026-05-29", companies: [{ id: 1, currency: "GBP" }] },
      }),
      "GET /api/journal-exports": () => ({ body: [] }),
      "GET /api/journal-exports/waiting": () => ({ body: { until: "2026-05-29", entries: 0 } }),
      "GET /api/rates/counting": (request) => ({
        body: { rate: request.url.includes("on=2026-05-28") ? rate : null },
      }),
    });
    const { user } = show(<ExportsView />);
    const csv = () => screen.getByRole("link", { name: "Applications as CSV" }).getAttribute("href") ?? "";
    await user.click(await screen.findByRole("checkbox", { name: /^tables in GBP too/ }));
    expect(await screen.findByRole("link", { name: /^no rate counts on/ })).toBeTruthy();
    expect(csv()).not.toContain("inBooks");
    rate = { from: "USD", to: "GBP", rate: "0.79", how: "QUOTED", on: "2026-05-28", by: "", quotes: [] };
    const last = screen.getAllByLabelText("Until").at(-1) as HTMLInputElement;
    fireEvent.change(last, { target: { value: "2026-05-28" } });
    await waitFor(() => expect(csv()).toContain("inBooks=true"));
    expect(screen.queryByRole("link", { name: /^no rate counts on/ })).toBeNull();
  });
});
