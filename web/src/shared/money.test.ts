import { describe, expect, it } from "vitest";
import { grouped, minor, positive, typedAmount } from "./money";

const usd = (amount: string) => ({ amount, currency: "USD" });

describe("amounts", () => {
  it("are grouped for reading without losing a digit", () => {
    expect(grouped(usd("1234567890123.45"))).toBe("1,234,567,890,123.45");
    expect(grouped(usd("-84.00"))).toBe("−84.00");
    expect(grouped({ amount: "1500", currency: "JPY" })).toBe("1,500");
  });

  it("are counted in minor units", () => {
    expect(minor(usd("-0.05"))).toBe(-5);
    expect(minor(usd("1204.50"))).toBe(120450);
  });

  it("are taken as people type them", () => {
    expect(typedAmount(" 1,204.5 ", usd("0.00"))).toEqual(usd("1204.50"));
    expect(typedAmount("84", usd("0.00"))).toEqual(usd("84.00"));
    expect(typedAmount("−84", usd("0.00"))).toEqual(usd("-84.00"));
    expect(typedAmount("12", { amount: "0", currency: "JPY" })).toEqual({ amount: "12", currency: "JPY" });
  });

  it("are refused where they are none, or too fine for the currency", () => {
    for (const text of ["", "abc", "1.005", "--1", "1e5", "12345678901234"]) {
      expect(typedAmount(text, usd("0.00"))).toBeNull();
    }
  });

  it("lose their sign where the words say it", () => {
    expect(positive(usd("-18.00"))).toEqual(usd("18.00"));
  });
});
