import { describe, expect, it } from "vitest";
import { grouped, minor, ofMinor, ofValue, positive, typedAmount, zero } from "./money";

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

  /** Digits of ISO 4217. */
  it("have the digits of their currency", () => {
    expect(zero("JPY").amount).toBe("0");
    expect(zero("USD").amount).toBe("0.00");
    expect(zero("KWD").amount).toBe("0.000");
    expect(ofMinor(1500, zero("JPY"))).toEqual({ amount: "1500", currency: "JPY" });
    expect(ofMinor(-1500, zero("KWD"))).toEqual({ amount: "-1.500", currency: "KWD" });
    expect(typedAmount("1.5", zero("JPY"))).toBeNull();
    expect(typedAmount("1.5", zero("KWD"))).toEqual({ amount: "1.500", currency: "KWD" });
    expect(ofValue(12.5, zero("JPY")).amount).toMatch(/^1[23]$/);
    expect(ofValue(12.5, zero("KWD")).amount).toBe("12.500");
  });

  it("lose their sign where the words say it", () => {
    expect(positive(usd("-18.00"))).toEqual(usd("18.00"));
  });
});
