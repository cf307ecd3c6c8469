import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { show, usd } from "../testing";
import { BatchParts } from "./BatchParts";
import type { Entry } from "./drafts";

type Part = Entry["parts"][number];

function part(more: Partial<Part>): Part {
  return {
    payerName: "",
    payerAccount: "",
    ultimatePayer: "",
    text: "",
    endToEnd: "",
    rate: "",
    ...more,
  } as Part;
}

function shown(parts: Part[]) {
  return show(<BatchParts entry={{ parts } as Entry} />);
}

describe("the payments in an entry", () => {
  it("stand one below the other, each with what the bank kept or converted", () => {
    shown([
      part({ payerName: "Wrenhouse Bagels", text: "LM-7", amount: usd("980.20"), charges: usd("1.50") }),
      part({
        payerName: "Moulin Importers",
        ultimatePayer: "Piazza Forno",
        endToEnd: "E-9",
        amount: usd("1029.99"),
        instructed: { amount: "950.00", currency: "EUR" },
        rate: "1.0842",
      }),
    ]);
    expect(screen.getByText("The bank booked 2 payments as this one sum:")).toBeTruthy();
    const rows = screen.getAllByRole("row").map((row) => row.textContent);
    expect(rows[0]).toContain("Wrenhouse BagelsLM-7980.20the bank kept 1.50");
    expect(rows[1]).toContain("Moulin Importers for Piazza FornoE-91,029.99sent as 950.00 EUR at 1.0842");
  });

  it("are left out where the entry says all itself", () => {
    expect(shown([]).container.textContent).toBe("");
  });

  it("name nobody where the bank names nobody", () => {
    shown([part({ amount: usd("1.00") })]);
    expect(screen.getByText("Nobody named")).toBeTruthy();
  });
});
