import { renderHook } from "@testing-library/react";
import { expect, test, vi } from "vitest";
import { useSoon } from "./useSoon";

function early() {
  const act = vi.fn();
  const hook = renderHook(({ about, ready }) => useSoon(about, ready, act), {
    initialProps: { about: 7, ready: false },
  });
  return { act, ...hook };
}

test("what is ready is done at once", () => {
  const { act, rerender, result } = early();
  rerender({ about: 7, ready: true });
  result.current();
  expect(act).toHaveBeenCalledTimes(1);
});

test("what was asked for too early is done when it can be, once for each time, one after the other", () => {
  const { act, rerender, result } = early();
  result.current();
  result.current();
  expect(act).not.toHaveBeenCalled();
  rerender({ about: 7, ready: true });
  expect(act).toHaveBeenCalledTimes(1);
  rerender({ about: 7, ready: true });
  rerender({ about: 7, ready: true });
  expect(act).toHaveBeenCalledTimes(2);
});

test("what was asked for is forgotten when one goes on to something else", () => {
  const { act, rerender, result } = early();
  result.current();
  rerender({ about: 8, ready: true });
  expect(act).not.toHaveBeenCalled();
});
