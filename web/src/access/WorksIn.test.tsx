import { screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { GROUP, serverAnswers, show } from "../testing";
import { WorksIn } from "./WorksIn";

const SELA = { user: "sela", fullName: "Sela Throstle", role: "CLERK" as const, maySignIn: true };

describe("where somebody works", () => {
  it("is all companies, or those that are ticked; never none", async () => {
    const sent: unknown[] = [];
    serverAnswers({
      "PUT /api/users/sela/companies": async (request) => {
        sent.push(await request.json());
        return { body: {} };
      },
    });
    const close = vi.fn();
    const { user } = show(<WorksIn user={SELA} close={close} />, false, false, GROUP);
    expect(screen.queryByLabelText("Larkstow Export")).toBeNull();
    await user.click(screen.getByLabelText(/In all companies/));
    const save = screen.getByRole("button", { name: /Save/ });
    expect(save.hasAttribute("disabled")).toBe(true);
    await user.click(screen.getByLabelText("Larkstow Export"));
    await user.click(save);
    await vi.waitFor(() => expect(close).toHaveBeenCalled());
    expect(sent).toEqual([{ companies: [2] }]);
  });

  it("says why it was refused", async () => {
    serverAnswers({
      "PUT /api/users/sela/companies": () => ({ status: 400, body: { detail: "There is no company 2." } }),
    });
    const close = vi.fn();
    const { user } = show(<WorksIn user={{ ...SELA, companies: [2] }} close={close} />, false, false, GROUP);
    await user.click(screen.getByRole("button", { name: /Save/ }));
    expect(await screen.findByText("There is no company 2.")).toBeTruthy();
    expect(close).not.toHaveBeenCalled();
  });
});
