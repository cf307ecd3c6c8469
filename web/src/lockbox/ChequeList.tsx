/* eslint-disable react-hooks/incompatible-library -- the virtual list measures itself anew; nothing of it is memoised */
import { Box, Button, Typography } from "@mui/material";
import { useVirtualizer } from "@tanstack/react-virtual";
import { useEffect, useRef } from "react";
import type { Schemas } from "../api/client";
import { EntryLine } from "../desk/EntryLine";
import { Thinking } from "../desk/Thinking";
import { Amount } from "../shared/Amount";
import type { Cheque, Show } from "./queries";
import { chequeSays, divided, SHOW, STATE, type ChequeState } from "./words";

type Group = Schemas["ChequeGroup"];
type Line = { group: Group } | { state: ChequeState } | { cheque: Cheque } | { more: () => void };

interface Props {
  cheques: Cheque[];
  groups: Group[];
  hasMore: boolean;
  loadMore: () => void;
  chosen: number | undefined;
  choose: (entryId: number) => void;
  marks: ReadonlyMap<string, Schemas["Mark"]>;
  show: Show;
  showOnly: (show: Show) => void;
}

function linesOf({ cheques, groups, hasMore, loadMore, show }: Props): Line[] {
  const lines: Line[] = [];
  let last: ChequeState | undefined;
  for (const cheque of cheques) {
    if (cheque.state !== last) {
      last = cheque.state;
      const group = groups.find((g) => g.state === last);
      // what a group comes to is known of all its cheques, not of those that fit a filter
      lines.push(group && show === "ALL" ? { group } : { state: last });
    }
    lines.push({ cheque });
  }
  if (hasMore) {
    lines.push({ more: loadMore });
  }
  return lines;
}

function keyOf(line: Line | undefined, at: number): string {
  if (line && "cheque" in line) {
    return `cheque ${line.cheque.entry.id}`;
  }
  const state = line && ("group" in line ? line.group.state : "state" in line ? line.state : undefined);
  return state ?? `line ${at}`;
}

/** The cheques of a batch by what is left to do; only the rows in sight are drawn. */
export function ChequeList(props: Props) {
  const { chosen, hasMore, loadMore } = props;
  const lines = linesOf(props);
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: (n) => ("cheque" in (lines[n] ?? {}) ? 58 : 34),
    overscan: 12,
    // a line that moves keeps its height, a head that stands there now has its own
    getItemKey: (n) => keyOf(lines[n], n),
  });
  const at = lines.findIndex((line) => "cheque" in line && line.cheque.entry.id === chosen);
  useEffect(() => {
    if (at >= 0) {
      virtual.scrollToIndex(at, { align: "auto" });
    }
  }, [at, virtual]);
  const nearEnd = () => {
    const box = scroller.current;
    if (box && hasMore && box.scrollHeight - box.scrollTop - box.clientHeight < 600) {
      loadMore();
    }
  };

  return (
    <Box
      component="section"
      aria-label="Cheques"
      sx={{
        width: { xs: 236, lg: 296 },
        flexShrink: 0,
        borderRight: 1,
        borderColor: "divider",
        display: "flex",
        flexDirection: "column",
        minHeight: 0,
      }}
    >
      <Box
        role="group"
        aria-label="Which cheques"
        sx={{ display: "flex", flexWrap: "wrap", px: 0.75, py: 0.5, borderBottom: 1, borderColor: "divider" }}
      >
        {(Object.keys(SHOW) as Show[]).map((show) => (
          <Button
            key={show}
            color={show === props.show ? "primary" : "inherit"}
            aria-pressed={show === props.show}
            onClick={() => props.showOnly(show)}
            sx={{ minWidth: 0, px: 0.75, py: 0.25, fontWeight: show === props.show ? 700 : 400 }}
          >
            {SHOW[show]}
          </Button>
        ))}
      </Box>
      <Thinking />
      {lines.length === 0 && (
        <Typography role="status" variant="body2" color="textSecondary" sx={{ px: 1.75, py: 1 }}>
          No cheque of this batch is so.
        </Typography>
      )}
      <Box ref={scroller} onScroll={nearEnd} sx={{ flex: 1, overflow: "auto" }}>
        <Box sx={{ height: virtual.getTotalSize(), position: "relative" }}>
          {virtual.getVirtualItems().map((place) => {
            const line = lines[place.index];
            return (
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
                {line && "group" in line && <Head state={line.group.state} group={line.group} />}
                {line && "state" in line && <Head state={line.state} />}
                {line && "more" in line && (
                  <Button color="inherit" onClick={line.more} sx={{ ml: 1, fontWeight: 400 }}>
                    More
                  </Button>
                )}
                {line && "cheque" in line && (
                  <EntryLine
                    row={divided(line.cheque)}
                    here={line.cheque.entry.id === chosen}
                    choose={props.choose}
                    mark={props.marks.get(`entry-${line.cheque.entry.id}`)}
                    heldBy={line.cheque.state === "POSTED" ? undefined : line.cheque.by || undefined}
                    says={chequeSays(line.cheque)}
                  />
                )}
              </Box>
            );
          })}
        </Box>
      </Box>
    </Box>
  );
}

function Head({ state, group }: { state: ChequeState; group?: Group }) {
  return (
    <Box sx={{ display: "flex", alignItems: "center", px: 1.75, pt: 1.25, pb: 0.25, height: 34 }}>
      <Typography component="h2" sx={{ fontSize: 12.5, fontWeight: 700 }}>
        {STATE[state]}
      </Typography>
      {group && (
        <Typography sx={{ fontSize: 12, color: "text.secondary", ml: "auto" }} className="figure">
          {group.cheques.toLocaleString()} · <Amount of={group.amount} />
        </Typography>
      )}
    </Box>
  );
}
