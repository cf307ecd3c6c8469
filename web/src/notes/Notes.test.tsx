import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { serverAnswers, show } from "../testing";
import { Notes } from "./Notes";

const NOTE = {
  id: 4,
  about: "entry-12",
  text: "One of yours?",
  by: "osric",
  at: "2026-05-29T09:00:00Z",
  to: "maren",
  attachments: [{ id: 9, name: "letter.pdf", mediaType: "application/pdf", sizeBytes: 90 }],
};

describe("notes where the work is", () => {
  it("show what was asked, with its files, until it is done", async () => {
    let note: object = NOTE;
    serverAnswers({
      "GET /api/notes": () => ({ body: [note] }),
      "POST /api/notes/4/done": () => {
        note = { ...NOTE, doneBy: "maren", doneAt: "2026-05-29T10:00:00Z" };
        return { body: note };
      },
    });
    const { user } = show(<Notes about="entry-12" />);
    expect(await screen.findByText("One of yours?")).toBeTruthy();
    expect(screen.getByRole("link", { name: "letter.pdf" }).getAttribute("href")).toBe("/api/attachments/9");
    await user.click(screen.getByRole("button", { name: "Done" }));
    expect(await screen.findByText(/done, maren/)).toBeTruthy();
    expect(screen.queryByRole("button", { name: "Done" })).toBeNull();
  });

  it("are asked of a colleague, and keep what was typed where the server refuses it", async () => {
    let refuse = true;
    const calls = serverAnswers({
      "GET /api/notes": () => ({ body: [] }),
      "GET /api/colleagues": () => ({
        body: [
          { name: "maren", fullName: "Maren" },
          { name: "osric", fullName: "Osric Pellham" },
        ],
      }),
      "POST /api/notes": () =>
        refuse
          ? { status: 400, body: { detail: "Nobody is called so here." } }
          : { status: 201, body: { ...NOTE, by: "maren", to: "osric" } },
    });
    const { user } = show(<Notes about="entry-12" />);
    await user.click(await screen.findByRole("button", { name: "Note or question…" }));
    const field = screen.getByLabelText("Note");
    await user.type(field, "Who is this?");
    await screen.findByRole("option", { name: "Osric Pellham" });
    await user.selectOptions(screen.getByLabelText("Ask"), "osric");
    await user.click(screen.getByRole("button", { name: "Ask" }));
    expect(await screen.findByText("Nobody is called so here.")).toBeTruthy();
    expect((field as HTMLTextAreaElement).value).toBe("Who is this?");
    refuse = false;
    await user.click(screen.getByRole("button", { name: "Ask" }));
    expect(await screen.findByRole("button", { name: "Note or question…" })).toBeTruthy();
    expect(calls.filter((c) => c.name === "POST /api/notes").at(-1)?.body).toEqual({
      about: "entry-12",
      text: "Who is this?",
      to: "osric",
    });
  });

  it("are only read by whoever may change nothing", async () => {
    serverAnswers({ "GET /api/notes": () => ({ body: [{ ...NOTE, to: "osric" }] }) });
    show(<Notes about="entry-12" />, false);
    expect(await screen.findByText("One of yours?")).toBeTruthy();
    expect(screen.queryByRole("button")).toBeNull();
  });
});
