import type { Money } from "../api/client";

/**
 * Amounts on the page. They travel and stay as decimal strings; only widths of bars and sums of what is typed are
 * counted here, in minor units.
 */

const formats = new Map<string, Intl.NumberFormat>();

function digitsOf(amount: string): number {
  const point = amount.indexOf(".");
  return point < 0 ? 0 : amount.length - point - 1;
}

const digitsOfCurrency = new Map<string, number>();

/** Nothing in a currency, written with the digits of ISO 4217: 0 for JPY, 2 for USD, 3 for KWD. */
export function zero(currency: string): Money {
  let digits = digitsOfCurrency.get(currency);
  if (digits === undefined) {
    const format = new Intl.NumberFormat("en", { style: "currency", currency });
    digits = format.resolvedOptions().maximumFractionDigits ?? 2;
    digitsOfCurrency.set(currency, digits);
  }
  return { amount: digits === 0 ? "0" : `0.${"0".repeat(digits)}`, currency };
}

/** The amount grouped for reading, without its currency. */
export function grouped(money: Money): string {
  const digits = digitsOf(money.amount);
  const key = String(digits);
  let format = formats.get(key);
  if (!format) {
    format = new Intl.NumberFormat(undefined, {
      minimumFractionDigits: digits,
      maximumFractionDigits: digits,
    });
    formats.set(key, format);
  }
  return format.format(money.amount as Intl.StringNumericLiteral).replace("-", "−");
}

/** The amount in minor units. */
export function minor(money: Money): number {
  return Number(money.amount.replace(".", ""));
}

export function isZero(money: Money): boolean {
  return minor(money) === 0;
}

export function isNegative(money: Money): boolean {
  return minor(money) < 0;
}

/** The amount without its sign, for sentences that say the sign in words. */
export function positive(money: Money): Money {
  return { ...money, amount: money.amount.replace("-", "") };
}

/** A typed amount as the decimal string the server takes, with the digits of its currency; null where it is none. */
export function typedAmount(text: string, like: Money): Money | null {
  const plain = text
    .trim()
    .replace(/[\s,’']/g, "")
    .replace("−", "-");
  const digits = digitsOf(like.amount);
  if (!/^-?\d{1,13}(\.\d*)?$/.test(plain)) {
    return null;
  }
  const [whole = "0", fraction = ""] = plain.split(".");
  if (fraction.length > digits) {
    return null;
  }
  const amount = digits === 0 ? whole : `${whole}.${fraction.padEnd(digits, "0")}`;
  return { amount, currency: like.currency };
}

/** The amount with the other sign. */
export function negated(money: Money): Money {
  return {
    ...money,
    amount: money.amount.startsWith("-") ? money.amount.slice(1) : `-${money.amount}`,
  };
}

/** So many minor units, with the currency and the digits of another amount. */
export function ofMinor(units: number, like: Money): Money {
  const digits = digitsOf(like.amount);
  const text = Math.abs(units)
    .toString()
    .padStart(digits + 1, "0");
  const amount = digits === 0 ? text : `${text.slice(0, -digits)}.${text.slice(-digits)}`;
  return { amount: units < 0 ? `-${amount}` : amount, currency: like.currency };
}

/** A value of a chart's axis as an amount, with the currency and the digits of another amount. */
export function ofValue(value: number, like: Money): Money {
  return { amount: value.toFixed(digitsOf(like.amount)), currency: like.currency };
}
