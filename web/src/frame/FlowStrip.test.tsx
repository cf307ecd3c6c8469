import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { serverAnswers, show, showStyled } from "../testing";
import { FlowStrip } from "./FlowStrip";

function flow(currency: string, amount: string, gap: string) {
  const tile = { entries: 3, amount: { amount, currency } };
  serverAnswers({
    "GET /api/flow": () => ({
      body: {
        arrived: tile,
        waiting: tile,
        pouch: tile,
        posted: tile,
        shelved: { ...tile, entries: 0 },
        gap: { amount: gap, currency },
      },
    }),
  });
}

describe("the flow of the day", () => {
  it("explains a tile without standing in the way of what is below", async () => {
    flow("USD", "1204.50", "0.00");
    const { user } = showStyled(<FlowStrip tile="arrived" />);
    await user.hover(await screen.findByRole("link", { name: /^Waiting/ }));
    const tip = await screen.findByRole("tooltip");
    expect(getComputedStyle(tip).pointerEvents).toBe("none");
  });

  it.each([
    ["JPY", "1500", "0", "1,500"],
    ["USD", "1500.00", "0.00", "1,500.00"],
    ["KWD", "1500.000", "0.000", "1,500.000"],
  ])("shows %s with its digits", async (currency, amount, gap, shown) => {
    flow(currency, amount, gap);
    show(<FlowStrip tile="arrived" />);
    expect((await screen.findByRole("link", { name: /^Arrived/ })).textContent).toContain(shown);
    expect(screen.getByRole("link", { name: /^Tied out/ }).textContent).toContain(`${gap} open`);
  });
});
