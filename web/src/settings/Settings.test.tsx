import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { serverAnswers, show } from "../testing";
import { SettingsTable } from "./SettingsTable";

const HISTORY = {
  rows: [
    {
      id: 81,
      act: 12,
      at: "2026-05-29T09:00:00Z",
      actor: "wynne",
      source: "127.0.0.1",
      call: "PUT /api/chart/4",
      what: "ledger_account",
      thing: "4",
      kind: "CHANGED",
      values: [{ name: "name", before: "Sales", after: "Wrong" }],
    },
  ],
};

function table(may: boolean, save = async () => undefined as unknown) {
  return (
    <SettingsTable
      label="Chart"
      what="ledger_account"
      may={may}
      columns={["Account"]}
      rows={[
        { key: "4", cells: ["Wrong"], fields: [{ name: "name", label: "Account", value: "Wrong" }], save },
      ]}
    />
  );
}

describe("settings", () => {
  it("are changed in place, and what is refused is said there", async () => {
    serverAnswers({ "GET /api/audit-records": () => ({ body: HISTORY }) });
    const { user } = show(table(true, () => Promise.reject(new Error("4000 is Sales already."))));
    await user.click(screen.getByRole("button", { name: "Change Wrong" }));
    const field = await screen.findByLabelText("Account");
    await user.clear(field);
    expect(screen.getByRole<HTMLButtonElement>("button", { name: "Save" }).disabled).toBe(true);
    await user.type(field, "Sales");
    await user.click(screen.getByRole("button", { name: "Save" }));
    expect((await screen.findByRole("alert")).textContent).toContain("4000 is Sales already.");
  });

  it("show what was changed, and take a wrong change back", async () => {
    const calls = serverAnswers({
      "GET /api/audit-records": () => ({ body: HISTORY }),
      "POST /api/settings-history/81/reversal": () => ({ body: null }),
    });
    const { user } = show(table(true));
    expect(await screen.findByText("name: Sales → Wrong")).toBeTruthy();
    await user.click(screen.getByRole("button", { name: /^Take back the change/ }));
    await waitFor(() => expect(calls.some((c) => c.name.startsWith("POST"))).toBe(true));
  });

  it("are only looked at by whoever is no administrator", async () => {
    serverAnswers({ "GET /api/audit-records": () => ({ body: HISTORY }) });
    show(table(false));
    expect(await screen.findByText("name: Sales → Wrong")).toBeTruthy();
    expect(screen.queryByRole("button")).toBeNull();
  });
});
