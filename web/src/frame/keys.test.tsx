import { fireEvent, render } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { useKeys } from "./keys";

function Page({ j, post, field }: { j: () => void; post?: () => void; field?: boolean }) {
  useKeys({ j, "Ctrl+Enter": () => post?.() });
  return field ? (
    <>
      <input aria-label="field" />
      <select aria-label="list" />
    </>
  ) : (
    <p>page</p>
  );
}

describe("the keys of a view", () => {
  it("call the handler that the last drawing of the page gave", () => {
    const first = vi.fn();
    const second = vi.fn();
    const { rerender } = render(<Page j={first} />);
    rerender(<Page j={second} />);
    fireEvent.keyDown(document.body, { key: "j" });
    expect(first).not.toHaveBeenCalled();
    expect(second).toHaveBeenCalledTimes(1);
  });

  it("take capitals alike and leave other keys alone", () => {
    const j = vi.fn();
    render(<Page j={j} />);
    fireEvent.keyDown(document.body, { key: "J" });
    expect(fireEvent.keyDown(document.body, { key: "q" })).toBe(true);
    fireEvent.keyDown(document.body, { key: "j", altKey: true });
    fireEvent.keyDown(document.body, { key: "j", metaKey: true });
    expect(j).toHaveBeenCalledTimes(1);
  });

  it("rest while somebody types, but for those with Ctrl", () => {
    const j = vi.fn();
    const post = vi.fn();
    const { getByLabelText } = render(<Page j={j} post={post} field />);
    fireEvent.keyDown(getByLabelText("field"), { key: "j" });
    fireEvent.keyDown(getByLabelText("list"), { key: "j" });
    fireEvent.keyDown(getByLabelText("field"), { key: "Enter", ctrlKey: true });
    expect(j).not.toHaveBeenCalled();
    expect(post).toHaveBeenCalledTimes(1);
  });

  it("do not post again and again while the key is held down", () => {
    const post = vi.fn();
    render(<Page j={() => {}} post={post} />);
    fireEvent.keyDown(document.body, { key: "Enter", ctrlKey: true });
    fireEvent.keyDown(document.body, { key: "Enter", ctrlKey: true, repeat: true });
    expect(post).toHaveBeenCalledTimes(1);
  });

  it("rest under an open dialog, and work again once it is gone", () => {
    const j = vi.fn();
    render(<Page j={j} />);
    const dialog = document.body.appendChild(document.createElement("div"));
    dialog.setAttribute("role", "dialog");
    fireEvent.keyDown(document.body, { key: "j" });
    expect(j).not.toHaveBeenCalled();
    dialog.remove();
    fireEvent.keyDown(document.body, { key: "j" });
    expect(j).toHaveBeenCalledTimes(1);
  });

  it("are taken off with the view", () => {
    const j = vi.fn();
    render(<Page j={j} />).unmount();
    fireEvent.keyDown(document.body, { key: "j" });
    expect(j).not.toHaveBeenCalled();
  });
});
