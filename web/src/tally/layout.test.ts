import { describe, expect, it } from "vitest";
import { layOut } from "./layout";

const item = (amount: number, discount = 0) => ({ label: "LM-1", amount, discount });

describe("a tally bar", () => {
  it("is filled by what is applied", () => {
    const bar = layOut(307200, [item(142000), item(165200)], [], 0);
    expect(bar.pieces.map((p) => p.kind)).toEqual(["applied", "applied"]);
    expect(bar.pieces.reduce((sum, p) => sum + p.width, 0)).toBeCloseTo(100);
    expect(bar).toMatchObject({ mark: 100, beyond: [], left: 0 });
  });

  it("shows what is left as an opening", () => {
    const bar = layOut(10000, [item(6000)], [], 0);
    expect(bar.pieces.at(-1)).toMatchObject({ kind: "open", amount: 4000, width: 40 });
  });

  it("sticks out where more is applied than received", () => {
    const bar = layOut(102008, [item(103808)], [], 0);
    expect(bar).toMatchObject({ beyond: [{ kind: "tooMuch", amount: 1800 }], left: -1800 });
    expect(bar.mark).toBeLessThan(100);
  });

  it("covers what a fee, a discount or a credit note explains", () => {
    expect(layOut(102008, [item(103808)], [{ label: "bank fee", amount: 1800 }], 0)).toMatchObject({
      beyond: [{ kind: "difference", label: "bank fee", amount: 1800 }],
      left: 0,
    });
    expect(layOut(98000, [item(100000, 2000)], [], 0)).toMatchObject({
      beyond: [{ kind: "discount", amount: 2000 }],
      left: 0,
    });
    expect(layOut(91600, [item(100000), item(-8400)], [], 0)).toMatchObject({
      beyond: [{ kind: "credit", amount: 8400 }],
      left: 0,
    });
  });

  it("tells what explains a shortage from what does not", () => {
    const bar = layOut(122058, [item(150000), item(-5000)], [{ label: "claim", amount: 19000 }], 0);
    expect(bar.beyond.map((p) => [p.kind, p.amount])).toEqual([
      ["credit", 5000],
      ["difference", 19000],
      ["tooMuch", 3942],
    ]);
    expect(bar.mark + bar.beyond.reduce((sum, p) => sum + p.width, 0)).toBeCloseTo(100);
  });

  it("has room for what takes up a part of the money", () => {
    const bar = layOut(10000, [item(9960)], [{ label: "written off", amount: -40 }], 0);
    expect(bar.pieces.at(-1)).toMatchObject({ kind: "other", label: "written off", amount: 40 });
    expect(bar).toMatchObject({ left: 0, beyond: [] });
  });

  it("lets credit stand for the money where none came", () => {
    const bar = layOut(0, [item(27500), item(-27500)], [], 0);
    expect(bar).toMatchObject({ mark: 100, beyond: [], left: 0 });
  });

  it("is empty where nothing came and nothing is applied", () => {
    expect(layOut(0, [], [], 0)).toMatchObject({ pieces: [], beyond: [], left: 0 });
  });

  it("keeps money on account as a piece of its own", () => {
    const bar = layOut(110000, [item(104000)], [], 6000);
    expect(bar.pieces.at(-1)).toMatchObject({ kind: "onAccount", amount: 6000 });
    expect(bar.left).toBe(0);
  });
});
