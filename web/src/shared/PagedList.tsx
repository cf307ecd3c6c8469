/* eslint-disable react-hooks/incompatible-library -- the virtual list measures itself anew; nothing of it is memoised */
import { Box, Button, TextField } from "@mui/material";
import { useVirtualizer } from "@tanstack/react-virtual";
import { useEffect, useRef, type ReactNode } from "react";
import { Empty, Failed, Loading } from "./States";

interface Props<T> {
  label: string;
  head: ReactNode;
  rows: T[] | undefined;
  rowKey: (row: T) => number;
  row: (row: T) => ReactNode;
  estimate: number;
  error: Error | null;
  retry: () => void;
  hasMore: boolean;
  loading: boolean;
  loadMore: () => void;
  empty: string;
  /** The search line; without these the list has none. */
  q?: string;
  search?: (q: string) => void;
  searchHint?: string;
  aside?: ReactNode;
  /** What stands under the rows, always in sight. */
  foot?: ReactNode;
}

/** A long list with a search line: only the rows in sight are drawn, further pages come as one scrolls. */
export function PagedList<T>(props: Props<T>) {
  const { rows, error, hasMore, loading, loadMore } = props;
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows?.length ?? 0,
    getScrollElement: () => scroller.current,
    estimateSize: () => props.estimate,
    overscan: 8,
    getItemKey: (n) => (rows?.[n] ? props.rowKey(rows[n]) : n),
  });
  const nearEnd = () => {
    const box = scroller.current;
    if (box && hasMore && !loading && box.scrollHeight - box.scrollTop - box.clientHeight < 600) {
      loadMore();
    }
  };
  const count = rows?.length ?? 0;
  useEffect(() => {
    // whoever stands at the end already moves no more by himself
    nearEnd();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once for each page that came
  }, [count]);
  return (
    <Box sx={{ height: "100%", display: "flex", flexDirection: "column", px: 3, pt: 2 }}>
      {(props.search || props.aside) && (
        <Box sx={{ display: "flex", alignItems: "center", gap: 2, mb: 1.5 }}>
          {props.search && (
            <TextField
              placeholder={props.searchHint}
              value={props.q}
              onChange={(event) => props.search?.(event.target.value)}
              slotProps={{ htmlInput: { "aria-label": props.searchHint } }}
              sx={{ width: 320 }}
            />
          )}
          {props.aside}
        </Box>
      )}
      {props.head}
      {error && !rows && <Failed error={error} retry={props.retry} />}
      {!error && !rows && <Loading rows={10} />}
      {rows?.length === 0 && <Empty title={props.empty} />}
      <Box
        ref={scroller}
        onScroll={nearEnd}
        sx={{ flex: 1, overflow: "auto" }}
        tabIndex={0}
        role="group"
        aria-label={`${props.label}, scrolls`}
      >
        <Box
          role={rows && rows.length > 0 ? "list" : undefined}
          aria-label={rows && rows.length > 0 ? props.label : undefined}
          sx={{ height: virtual.getTotalSize(), position: "relative" }}
        >
          {virtual.getVirtualItems().map((place) => (
            <Box
              key={place.key}
              ref={virtual.measureElement}
              data-index={place.index}
              role="listitem"
              sx={{
                position: "absolute",
                top: 0,
                left: 0,
                right: 0,
                transform: `translateY(${place.start}px)`,
              }}
            >
              {rows?.[place.index] !== undefined && props.row(rows[place.index] as T)}
            </Box>
          ))}
        </Box>
        {hasMore && (
          <Button onClick={loadMore} disabled={loading}>
            More
          </Button>
        )}
      </Box>
      {props.foot && <Box sx={{ flexShrink: 0, pb: 1 }}>{props.foot}</Box>}
    </Box>
  );
}
