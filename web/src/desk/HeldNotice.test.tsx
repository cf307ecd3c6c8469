import { screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { show } from "../testing";
import type { HeldDraft } from "./drafts";
import { HeldNotice } from "./HeldNotice";

function held(by: string, state: HeldDraft["state"], note = ""): HeldDraft {
  return {
    subject: "entry-1",
    by,
    state,
    note,
    since: "2026-05-29T08:00:00Z",
    version: 1,
    draft: { entryId: 1, applications: [], adjustments: [] },
  };
}

function notice(of: HeldDraft, acts: Partial<Parameters<typeof HeldNotice>[0]> = {}) {
  return <HeldNotice held={of} takeOver={() => {}} startOver={() => {}} decide={() => {}} {...acts} />;
}

describe("who works on a draft", () => {
  it("says quietly that one's own is kept", async () => {
    const startOver = vi.fn();
    const { user } = show(notice(held("maren", "OPEN"), { startOver }));
    expect(screen.getByText("Kept as your draft")).toBeTruthy();
    expect(screen.queryByText("Keeping your draft…")).toBeNull();
    await user.click(screen.getByRole("button", { name: "Start over" }));
    expect(startOver).toHaveBeenCalled();
  });

  it("names the colleague and lets one take over, if one may post at all", async () => {
    const takeOver = vi.fn();
    const { user, unmount } = show(notice(held("osric", "OPEN"), { takeOver }));
    expect(screen.getByText(/osric works on this since/)).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Take over" }));
    expect(takeOver).toHaveBeenCalled();
    unmount();
    show(notice(held("osric", "OPEN")), false);
    expect(screen.queryByRole("button")).toBeNull();
  });

  it("asks only a supervisor for approval, and never whom it came from", async () => {
    const decide = vi.fn();
    const asked = held("osric", "HANDED", "agreed by telephone");
    const { unmount } = show(notice(asked, { decide }));
    expect(screen.getByText(/osric asks a supervisor to approve this/).textContent).toContain(
      "agreed by telephone",
    );
    expect(screen.queryByRole("button", { name: "Approve and post" })).toBeNull();
    unmount();
    const own = show(notice(held("maren", "HANDED"), { decide }), true, true);
    expect(screen.getByText("Handed to a supervisor.")).toBeTruthy();
    expect(screen.queryByRole("button", { name: "Approve and post" })).toBeNull();
    own.unmount();
    const { user } = show(notice(asked, { decide }), true, true);
    await user.click(screen.getByRole("button", { name: "Approve and post" }));
    expect(decide).toHaveBeenCalledWith(true, "");
    await user.click(screen.getByRole("button", { name: "Return…" }));
    const send = screen.getByRole<HTMLButtonElement>("button", { name: "Return it" });
    expect(send.disabled).toBe(true);
    await user.type(screen.getByLabelText("Note"), "claim it instead");
    await user.click(send);
    expect(decide).toHaveBeenLastCalledWith(false, "claim it instead");
  });
});
