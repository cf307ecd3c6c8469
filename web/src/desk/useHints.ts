import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Schemas } from "../api/client";
import { useBooks } from "../access/session";

export type Hint = Schemas["ElsewhereHint"];

type EntryRow = Schemas["EntryRow"];

/** So many are asked for in one call; the server looks at each anew. */
const AT_ONCE = 20;

/** How long an answer holds, in milliseconds; of an entry that is opened it is asked anew. */
const HOLDS = 10 * 60_000;

/** What was answered of the entries of one company and currency. */
interface Known {
  of: string;
  hints: ReadonlyMap<number, Hint>;
  asked: ReadonlySet<number>;
}

/**
 * What the entries in a list may pay in other currencies or for other companies, by the entry's id. The clear
 * ones have their explanation; of the others those are asked for, a few at a time, that were not yet.
 */
export function useHints(rows: EntryRow[]): ReadonlyMap<number, Hint> {
  const books = useBooks();
  const of = `${books.company} ${books.currency}`;
  const [kept, keep] = useState<Known>({ of, hints: new Map(), asked: new Set() });
  const known = kept.of === of ? kept : { of, hints: new Map<number, Hint>(), asked: new Set<number>() };
  const wanted = rows
    .filter((row) => row.standing !== "CLEAR" && !known.asked.has(row.id))
    .map((row) => row.id)
    .slice(0, AT_ONCE);
  const answer = useQuery({
    queryKey: ["hints", wanted],
    enabled: wanted.length > 0,
    retry: false,
    staleTime: HOLDS,
    queryFn: async () =>
      data(await api.GET("/api/entries/elsewhere", { params: { query: { entryIds: wanted } } })),
  });
  if (answer.data && wanted.length > 0) {
    // what was answered is kept, and what is wanted next is asked with the next drawing
    keep({
      of,
      hints: new Map([...known.hints, ...answer.data.map((hint): [number, Hint] => [hint.entryId, hint])]),
      asked: new Set([...known.asked, ...wanted]),
    });
  }
  return known.hints;
}

/**
 * Where it is in few words: what the items are in, and whether they are another company's. They stand
 * beside the amount, which a bare currency would be taken for that of.
 */
export function hintWords(hint: Hint): string {
  return [
    ...(hint.currencies.length > 0 ? [`${hint.currencies.join(", ")} items`] : []),
    ...(hint.companies.length > 0 ? ["other company"] : []),
  ].join(", ");
}
