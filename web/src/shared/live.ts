interface Paged {
  state: { data?: { pages: unknown[] } };
}

/** How often what colleagues may have changed is asked for, in milliseconds. */
const OTHERS_WORK = 5_000;

/** So many pages are fetched anew at a time; a longer list is looked through, not watched. */
const PAGES_WATCHED = 5;

/** The interval in which a list is fetched anew: what a colleague posts appears without a reload. */
export function watched(query: Paged): number | false {
  return (query.state.data?.pages.length ?? 0) <= PAGES_WATCHED ? OTHERS_WORK : false;
}

/** How often what was found is asked for again: a search over everything is no small thing. */
const FOUND_ANEW = 10_000;

/** The same for what was found by a search: while one looks at its first page. */
export function lookedAt(query: Paged): number | false {
  return (query.state.data?.pages.length ?? 0) <= 1 ? FOUND_ANEW : false;
}
