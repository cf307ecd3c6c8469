import { screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { show } from "../testing";
import { OurFields } from "./OurFields";

const SUBJECT = { word: "payout", needs: "the type", fields: [{ word: "date", kind: "DATE" }] };

describe("the fields of a payout's profile", () => {
  it("asks what the words of its items mean and where its days count", async () => {
    const say = vi.fn();
    const { user } = show(
      <OurFields
        profile={{ subject: "payout", columns: { date: [2] }, typeWords: { basket: "sale" } }}
        words={[
          { word: "Parcel", meaning: "", rows: 1 },
          { word: "basket", meaning: "sale", rows: 3 },
        ]}
        subject={SUBJECT}
        say={say}
        sayAnew={vi.fn()}
      />,
    );
    const parcel = screen.getByRole("combobox", { name: "What “Parcel” means" });
    expect((parcel as HTMLSelectElement).value).toBe("");
    await user.selectOptions(parcel, "fee that comes back");
    expect(say).toHaveBeenLastCalledWith({ typeWords: { basket: "sale", Parcel: "fee_refund" } });
    await user.selectOptions(
      screen.getByRole("combobox", { name: "Times with an offset count in" }),
      "America/New York",
    );
    expect(say).toHaveBeenLastCalledWith({ zone: "America/New_York" });
  });
});
