import { screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { serverAnswers, show } from "../testing";
import { PasteAdvice } from "./PasteAdvice";

const TEXT = "A document and what is paid of it on each line";

describe("pasting a remittance advice", () => {
  it("sends what was typed and tells which intake it became", async () => {
    const calls = serverAnswers({
      "POST /api/remittances/pasted": () => ({ status: 201, body: { id: 31 } }),
    });
    const done = vi.fn();
    const { user } = show(<PasteAdvice done={done} close={() => {}} />);
    expect(screen.getByRole("button", { name: "Take it in" }).hasAttribute("disabled")).toBe(true);
    await user.type(screen.getByLabelText("Trace number"), "P-1");
    await user.type(screen.getByLabelText(TEXT), "LM-1 5.00");
    await user.click(screen.getByRole("button", { name: "Take it in" }));
    expect(calls.find((c) => c.name.startsWith("POST"))?.body).toMatchObject({
      text: "LM-1 5.00",
      trace: "P-1",
      currency: "USD",
    });
    expect(done).toHaveBeenCalledWith(31);
  });

  it("keeps what was typed and names each line that cannot be read", async () => {
    serverAnswers({
      "POST /api/remittances/pasted": () => ({
        status: 422,
        body: {
          code: "BROKEN_FILE",
          detail: "Nothing of this file was kept.",
          problems: [
            { line: 1, message: "no amount" },
            { line: 2, message: "no document" },
          ],
        },
      }),
    });
    const { user } = show(<PasteAdvice done={() => {}} close={() => {}} />);
    await user.type(screen.getByLabelText(TEXT), "LM-2");
    await user.click(screen.getByRole("button", { name: "Take it in" }));
    expect(await screen.findByText("Line 2: no document")).toBeTruthy();
    expect(screen.getByDisplayValue("LM-2")).toBeTruthy();
  });
});
