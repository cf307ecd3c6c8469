import { createEvent, fireEvent, screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { show } from "../testing";
import { layOut } from "./layout";
import { ITEM_DRAGGED, TallyBar } from "./TallyBar";

const APPLIED = [
  { label: "LM-1", itemId: 11, amount: 6000, discount: 0 },
  { label: "LM-2", itemId: 12, amount: 3000, discount: 0 },
];

function bar(more: Partial<Parameters<typeof TallyBar>[0]> = {}) {
  return <TallyBar layout={layOut(10000, APPLIED, [], 0)} currency="USD" digits={2} dashed {...more} />;
}

function dropped(on: Element, type: string, value: string) {
  const event = createEvent.drop(on);
  Object.defineProperty(event, "dataTransfer", {
    value: { types: [type], getData: (asked: string) => (asked === type ? value : "") },
  });
  fireEvent(on, event);
}

describe("the tally bar", () => {
  it("says in words what it draws", () => {
    show(bar());
    expect(screen.getByRole("group").getAttribute("aria-label")).toContain("LM-1 60.00, LM-2 30.00");
    expect(screen.getByText("10.00 left")).toBeTruthy();
  });

  it("takes an open item that is dropped on it, and nothing else", () => {
    const drop = vi.fn();
    show(bar({ drop }));
    dropped(screen.getByRole("group"), "text/plain", "12");
    expect(drop).not.toHaveBeenCalled();
    dropped(screen.getByRole("group"), ITEM_DRAGGED, "12");
    expect(drop).toHaveBeenCalledWith(12);
  });

  it("resizes a segment by typing; Escape leaves it as it was", async () => {
    const resize = vi.fn();
    const { user } = show(bar({ resize }));
    await user.click(screen.getByRole("button", { name: "Change 30.00 of LM-2" }));
    await user.keyboard("12{Escape}");
    expect(resize).not.toHaveBeenCalled();
    await user.click(screen.getByRole("button", { name: "Change 30.00 of LM-2" }));
    await user.keyboard("40{Enter}");
    expect(resize).toHaveBeenCalledTimes(1);
    expect(resize).toHaveBeenCalledWith(12, "40");
  });

  it("cannot be changed where it only shows what was posted", () => {
    show(bar({ dashed: false }));
    expect(screen.queryByRole("button")).toBeNull();
  });
});
