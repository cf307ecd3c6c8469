import createCache from "@emotion/cache";
import { CacheProvider } from "@emotion/react";
import { ThemeProvider } from "@mui/material";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { ReactNode } from "react";
import { MemoryRouter } from "react-router";
import { vi } from "vitest";
import { BooksContext } from "./access/session";
import type { Money, Schemas } from "./api/client";
import { themeFor } from "./theme";

type Item = Schemas["OpenItemView"];
type Account = Schemas["CustomerAccount"];

/** What the component tests share: a page around a piece of it, and a server that answers what the test says. */

export function usd(amount: string): Money {
  return { amount, currency: "USD" };
}

/** An invoice of customer 7 as the account lists it. */
export function openItem(id: number, number: string, open: string, more: Partial<Item> = {}): Item {
  return {
    id,
    number,
    kind: "INVOICE",
    customerId: 7,
    customerName: "Oskar & Daughters",
    issuedOn: "2026-04-20",
    dueOn: "2026-05-20",
    daysOverdue: 9,
    total: usd(open),
    open: usd(open),
    version: 1,
    orderReference: "",
    terms: "",
    ...more,
  } as Item;
}

/** The account of customer 7 with these open items. */
export function accountOf(openItems: Item[], more: Partial<Account> = {}): Account {
  return {
    id: 7,
    companyId: 1,
    number: "C7",
    name: "Oskar & Daughters",
    oldestFirst: false,
    owes: [],
    branches: [],
    openItems,
    settledItems: [],
    ...more,
  } as Account;
}

/** The page has no size in tests; long lists draw only what fits into one, in rows of 31. */
export function withRoom() {
  vi.spyOn(Element.prototype, "clientHeight", "get").mockReturnValue(600);
  vi.spyOn(HTMLElement.prototype, "offsetHeight", "get").mockReturnValue(31);
  vi.spyOn(Element.prototype, "clientWidth", "get").mockReturnValue(370);
}

/** The company of the tests, and one beside it. */
export const GROUP = [
  { id: 1, name: "Larkstow" },
  { id: 2, name: "Larkstow Export" },
];

/**
 * An element outside the page for the styles: jsdom checks every style rule in the page for each query by role, which
 * took more than half of the test time. A test that reads a style uses showStyled.
 */
const aside = createCache({ key: "css", container: document.createElement("div") });

/** A piece of the page with its styles. */
export function showStyled(piece: ReactNode) {
  return shown(piece, (inside) => inside, true, false, GROUP.slice(0, 1));
}

export function show(
  piece: ReactNode,
  mayPost = true,
  supervisor = false,
  group: typeof GROUP = GROUP.slice(0, 1),
) {
  return shown(
    piece,
    (inside) => <CacheProvider value={aside}>{inside}</CacheProvider>,
    mayPost,
    supervisor,
    group,
  );
}

function shown(
  piece: ReactNode,
  styled: (inside: ReactNode) => ReactNode,
  mayPost: boolean,
  supervisor: boolean,
  group: typeof GROUP,
) {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const page = (inside: ReactNode) =>
    styled(
      <QueryClientProvider client={queries}>
        <ThemeProvider theme={themeFor(false)}>
          <BooksContext
            value={{
              company: 1,
              companyName: "Larkstow",
              currency: "USD",
              mayPost,
              user: "maren",
              supervisor,
              group,
            }}
          >
            <MemoryRouter>{inside}</MemoryRouter>
          </BooksContext>
        </ThemeProvider>
      </QueryClientProvider>,
    );
  const rendered = render(page(piece));
  return {
    ...rendered,
    user: userEvent.setup(),
    queries,
    again: (inside: ReactNode) => rendered.rerender(page(inside)),
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
