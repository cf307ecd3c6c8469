import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { serverAnswers, show } from "../testing";
import OutsideView from "./OutsideView";

const GOOD = { late: false, twice: false, offLine: false, wrongBalance: false, wrongCurrency: false };
const ME = {
  user: "maren",
  role: "CLERK",
  businessDate: "2026-05-29",
  demo: true,
  companies: [
    {
      id: 1,
      name: "Larkstow",
      currency: "USD",
      bankAccounts: [{ id: 3, name: "Operating USD", bank: "Copperbeck", number: "44", currency: "USD" }],
    },
  ],
};

function bank(more: object) {
  return { bankAccountId: 3, day: "2026-06-01", behaviour: GOOD, deliveries: [], ...more };
}

describe("the simulated bank", () => {
  it("is marked as simulated and connected to an account", async () => {
    const calls = serverAnswers({
      "GET /api/me": () => ({ body: ME }),
      "GET /api/outside/bank": () => ({ body: { deliveries: [] } }),
      "POST /api/outside/bank/connection": () => ({ body: bank({}) }),
    });
    const { user } = show(<OutsideView />);
    expect(screen.getByText("Simulated.")).toBeTruthy();
    await screen.findByText(/It is not connected/);
    const account = await screen.findByRole("combobox", { name: "Account" });
    await user.click(account);
    await user.click(await screen.findByRole("option", { name: /Operating USD/ }));
    await user.click(screen.getByRole("button", { name: "Connect" }));
    expect(calls.find((c) => c.name.endsWith("/connection"))?.body).toEqual({ bankAccountId: 3 });
  });

  it("tells what lies ready, is late, was taken in or refused, and is told to misbehave", async () => {
    const delivery = { fileName: "a.xml", madeOn: "2026-06-01", readyOn: "2026-06-01" };
    const calls = serverAnswers({
      "GET /api/me": () => ({ body: ME }),
      "GET /api/outside/bank": () => ({
        body: bank({
          deliveries: [
            { ...delivery, id: 1, readyOn: "2026-06-02" },
            { ...delivery, id: 2 },
            { ...delivery, id: 3, fetchedAt: "2026-05-29T06:00:00Z", intakeId: 9 },
            { ...delivery, id: 4, fetchedAt: "2026-05-29T06:00:00Z", refused: "it is in EUR" },
          ],
        }),
      }),
      "PUT /api/outside/bank/behaviour": () => ({ body: bank({}) }),
      "POST /api/outside/bank/fetch": () => ({
        status: 409,
        body: { code: "OFF_LINE", detail: "It cannot be reached." },
      }),
    });
    const { user } = show(<OutsideView />);
    expect(await screen.findByText("is late")).toBeTruthy();
    expect(screen.getByText("lies ready")).toBeTruthy();
    expect(screen.getByText("taken in").getAttribute("href")).toBe("/arrived/intake/9");
    expect(screen.getByText("not taken in: it is in EUR")).toBeTruthy();
    await user.click(screen.getByRole("checkbox", { name: /^Twice/ }));
    expect(calls.find((c) => c.name.endsWith("/behaviour"))?.body).toEqual({ ...GOOD, twice: true });
    await user.click(screen.getByRole("button", { name: "Fetch 1 file" }));
    expect(await screen.findByText("It cannot be reached.")).toBeTruthy();
  });
});
