import { describe, expect, it } from "vitest";
import { layOut } from "./layout";

const item = (amount: number, discount = 0) => ({ label: "LM-1", amount, discount });

describe("a tally bar", () => {
  it("is filled by what is applied", () => {
    const bar = layOut(307200, [item(142000), item(165200)], 0, 0);
    expect(bar.pieces.map((p) => p.kind)).toEqual(["applied", "applied"]);
    expect(bar.pieces.reduce((sum, p) => sum + p.width, 0)).toBeCloseTo(100);
    expect(bar).toMatchObject({ mark: 100, covered: 0, tooMuch: 0, left: 0 });
  });

  it("shows what is left as an opening", () => {
    const bar = layOut(10000, [item(6000)], 0, 0);
    expect(bar.pieces.at(-1)).toMatchObject({ kind: "open", amount: 4000, width: 40 });
  });

  it("sticks out where more is applied than received", () => {
    const bar = layOut(102008, [item(103808)], 0, 0);
    expect(bar).toMatchObject({ tooMuch: 1800, covered: 0, left: -1800 });
    expect(bar.mark).toBeLessThan(100);
  });

  it("covers what a fee, a discount or a credit note explains", () => {
    expect(layOut(102008, [item(103808)], 1800, 0)).toMatchObject({ tooMuch: 0, covered: 1800, left: 0 });
    expect(layOut(98000, [item(100000, 2000)], 0, 0)).toMatchObject({ tooMuch: 0, covered: 2000, left: 0 });
    expect(layOut(91600, [item(100000), item(-8400)], 0, 0)).toMatchObject({
      tooMuch: 0,
      covered: 8400,
      left: 0,
    });
  });

  it("keeps money on account as a piece of its own", () => {
    const bar = layOut(110000, [item(104000)], 0, 6000);
    expect(bar.pieces.at(-1)).toMatchObject({ kind: "onAccount", amount: 6000 });
    expect(bar.left).toBe(0);
  });
});
