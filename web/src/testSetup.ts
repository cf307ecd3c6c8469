import { cleanup, configure } from "@testing-library/react";
import { afterEach, vi } from "vitest";

// the files of a worker share its modules and its page, so each test leaves both as it found them

// a machine that does much else at the same time needs longer until a page shows what came
configure({ asyncUtilTimeout: 30_000 });

afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
  localStorage.clear();
  sessionStorage.clear();
  document.body.innerHTML = "";
});
