import { ThemeProvider } from "@mui/material";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { ReactNode } from "react";
import { MemoryRouter } from "react-router";
import { afterEach, vi } from "vitest";
import { BooksContext } from "./access/session";
import type { Money } from "./api/client";
import { themeFor } from "./theme";

/** What the component tests share: a page around a piece of it, and a server that answers what the test says. */

export function usd(amount: string): Money {
  return { amount, currency: "USD" };
}

export function show(piece: ReactNode, mayPost = true) {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const page = (inside: ReactNode) => (
    <QueryClientProvider client={queries}>
      <ThemeProvider theme={themeFor(false)}>
        <BooksContext
          value={{
            company: 1,
            companyName: "Larkstow",
            currency: "USD",
            mayPost,
            user: "maren",
            supervisor: false,
          }}
        >
          <MemoryRouter>{inside}</MemoryRouter>
        </BooksContext>
      </ThemeProvider>
    </QueryClientProvider>
  );
  const shown = render(page(piece));
  return {
    ...shown,
    user: userEvent.setup(),
    again: (inside: ReactNode) => shown.rerender(page(inside)),
  };
}

type Answer = { status?: number; body: unknown };

/** Answers the page's calls by method and path; an unexpected call fails the test. */
export function serverAnswers(answers: Record<string, (request: Request) => Answer | Promise<Answer>>) {
  const calls: { name: string; body: unknown }[] = [];
  vi.stubGlobal("fetch", async (input: Request | string, init?: RequestInit) => {
    const request =
      input instanceof Request ? input : new Request(new URL(input, window.location.origin), init);
    const name = `${request.method} ${new URL(request.url).pathname}`;
    const text = request.method === "GET" ? "" : await request.clone().text();
    calls.push({ name, body: text === "" ? null : JSON.parse(text) });
    const answer = answers[name];
    if (!answer) {
      throw new Error(`nobody answers ${name}`);
    }
    const { status = 200, body } = await answer(request);
    return new Response(body === null ? null : JSON.stringify(body), {
      status,
      headers: { "Content-Type": "application/json" },
    });
  });
  return calls;
}

afterEach(() => {
  vi.unstubAllGlobals();
});
