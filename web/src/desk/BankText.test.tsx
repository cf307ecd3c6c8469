import { cleanup, screen } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";
import { show } from "../testing";
import { BankText } from "./BankText";
import type { Entry } from "./drafts";

afterEach(cleanup);

function entry(more: Partial<Entry>): Entry {
  return { payerName: "", payerAccount: "", text: "", marks: [], proposals: [], ...more } as Entry;
}

describe("what the bank said", () => {
  it("stands there word for word, with what was recognised underlined", () => {
    const { container } = show(
      <BankText
        entry={entry({
          payerName: "PIAZZA FORNO",
          text: "INV LM-20418 and LM-7",
          marks: [
            { start: 4, end: 12, itemId: 9, exact: true },
            { start: 17, end: 21, itemId: 8, exact: false },
          ],
        })}
      />,
    );
    expect(container.textContent).toBe("PIAZZA FORNO INV LM-20418 and LM-7");
    const marks = [...container.querySelectorAll("mark")];
    expect(marks.map((mark) => mark.textContent)).toEqual(["LM-20418", "LM-7"]);
    expect(marks.map((mark) => getComputedStyle(mark).borderBottomStyle)).toEqual(["solid", "dotted"]);
  });

  it("says so where there is neither a name nor a text", () => {
    show(<BankText entry={entry({})} />);
    expect(screen.getByText("The bank gives neither a name nor a text.")).toBeTruthy();
  });
});
