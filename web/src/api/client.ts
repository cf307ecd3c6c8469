import createClient, { type Middleware } from "openapi-fetch";
import type { components, paths } from "./schema";

export type Schemas = components["schemas"];
export type Money = Schemas["MoneyView"];

/** What the server answers when something is refused: a sentence for the clerk and a code that stays. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    sentence: string,
    readonly problems: { line: number; message: string }[] = [],
    /** What it needs first, by name, where the page can ask for it. */
    readonly about: Record<string, string> = {},
  ) {
    super(sentence);
  }
}

/** The token that proves a call comes from this page; the server keeps it in a cookie. */
export function csrfToken(): string {
  const found = document.cookie.split("; ").find((c) => c.startsWith("XSRF-TOKEN="));
  return found ? decodeURIComponent(found.slice("XSRF-TOKEN=".length)) : "";
}

/** Reads a refusal out of an answer that is none of the good ones. */
export async function refusalOf(response: Response): Promise<Refusal> {
  const body = await response.json().catch(() => ({}));
  return new Refusal(
    response.status,
    body.code ?? "UNEXPECTED",
    body.detail ?? "The server did not answer as expected. Nothing was changed; try again.",
    body.problems ?? [],
    body.about ?? {},
  );
}

const token: Middleware = {
  onRequest({ request }) {
    if (request.method !== "GET") {
      request.headers.set("X-XSRF-TOKEN", csrfToken());
    }
    return request;
  },
  async onResponse({ response }) {
    if (!response.ok) {
      throw await refusalOf(response);
    }
    return response;
  },
  onError() {
    return new Refusal(
      0,
      "UNREACHABLE",
      "The server cannot be reached. What you typed is still here; try again.",
    );
  },
};

export const api = createClient<paths>({
  baseUrl: window.location.origin,
  // looked up at each call: a test answers in the server's place
  fetch: (request) => fetch(request),
});
api.use(token);

/** The answer's data; refusals were thrown before. */
export function data<T>(answer: { data?: T }): T {
  return answer.data as T;
}
