/* eslint-disable react-hooks/incompatible-library -- the virtual list measures itself anew; nothing of it is memoised */
import { Box } from "@mui/material";
import { useVirtualizer } from "@tanstack/react-virtual";
import { useEffect, useRef, type ReactNode } from "react";

interface Props<L> {
  lines: L[];
  /** A line that moves keeps its key and so its height; a head that comes to stand there has its own. */
  keyOf: (line: L, at: number) => string;
  heightOf: (line: L) => number;
  /** Which line is kept in sight; -1 for none. */
  here: number;
  /** What to do when the end comes near. */
  nearEnd?: () => void;
  children: (line: L) => ReactNode;
}

/** A side list of lines of several kinds, of which only those in sight are drawn. */
export function RollingList<L>({ lines, keyOf, heightOf, here, nearEnd, children }: Props<L>) {
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: (n) => (n < lines.length ? heightOf(lines[n] as L) : 0),
    overscan: 12,
    getItemKey: (n) => (n < lines.length ? keyOf(lines[n] as L, n) : n),
  });
  useEffect(() => {
    if (here >= 0) {
      virtual.scrollToIndex(here, { align: "auto" });
    }
  }, [here, virtual]);
  const scrolled = () => {
    const box = scroller.current;
    if (nearEnd && box && box.scrollHeight - box.scrollTop - box.clientHeight < 600) {
      nearEnd();
    }
  };
  return (
    <Box ref={scroller} onScroll={scrolled} sx={{ flex: 1, overflow: "auto" }}>
      <Box sx={{ height: virtual.getTotalSize(), position: "relative" }}>
        {virtual.getVirtualItems().map((place) => (
          <Box
            key={place.key}
            sx={{
              position: "absolute",
              top: 0,
              left: 0,
              right: 0,
              transform: `translateY(${place.start}px)`,
            }}
          >
            {place.index < lines.length && children(lines[place.index] as L)}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
