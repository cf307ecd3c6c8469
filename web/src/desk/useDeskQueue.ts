import { useMemo, useState } from "react";
import type { Standing } from "../tally/StandingGlyph";
import { useQueue } from "./queries";

const CLEAR: Standing[] = ["CLEAR"];
const NOT_CLEAR: Standing[] = ["TORN", "LEANING", "BLANK"];

/** The rest of the clear entries is folded away; they are posted together as a rule. */
const CLEAR_SHOWN = 3;

/** The waiting entries as the desk lists them: a few clear ones, then all others, as far as they are fetched. */
export function useDeskQueue() {
  const [q, search] = useState("");
  const [unfolded, setUnfolded] = useState(false);
  const [selected, setSelected] = useState<ReadonlySet<number>>(new Set());
  const clear = useQueue(q, CLEAR);
  const others = useQueue(q, NOT_CLEAR);
  const clearRows = useMemo(() => clear.data?.pages.flatMap((page) => page.rows) ?? [], [clear.data]);
  const otherRows = useMemo(() => others.data?.pages.flatMap((page) => page.rows) ?? [], [others.data]);
  const groups = [...(clear.data?.pages[0]?.standings ?? []), ...(others.data?.pages[0]?.standings ?? [])];
  const clearGroup = groups.find((g) => g.standing === "CLEAR");
  const all = unfolded || q !== "";
  const shownClear = all ? clearRows : clearRows.slice(0, CLEAR_SHOWN);
  const rows = [...shownClear, ...otherRows];
  return {
    q,
    search,
    rows,
    groups,
    clearGroup,
    folded: (clearGroup?.count ?? 0) - shownClear.length,
    unfold: () => (all ? void clear.fetchNextPage() : setUnfolded(true)),
    hasMore: others.hasNextPage,
    loadMore: () => void others.fetchNextPage(),
    pending: clear.isPending || others.isPending,
    error: others.error && !others.data ? others.error : null,
    retry: () => void others.refetch(),
    selected,
    toggle: (id: number) =>
      setSelected((before) => {
        const after = new Set(before);
        if (!after.delete(id)) {
          after.add(id);
        }
        return after;
      }),
    /** The entry so many places further on, where there is one. */
    beside: (id: number | undefined, by: number) => rows[rows.findIndex((row) => row.id === id) + by]?.id,
  };
}
