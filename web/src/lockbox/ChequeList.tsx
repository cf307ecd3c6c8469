import { Box, Button, Typography } from "@mui/material";
import type { Schemas } from "../api/client";
import { EntryLine } from "../desk/EntryLine";
import { Thinking } from "../desk/Thinking";
import { Amount } from "../shared/Amount";
import { RollingList } from "../shared/RollingList";
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

function keyOf(line: Line, at: number): string {
  if ("cheque" in line) {
    return `cheque ${line.cheque.entry.id}`;
  }
  const state = "group" in line ? line.group.state : "state" in line ? line.state : undefined;
  return state ?? `line ${at}`;
}

function heightOf(line: Line): number {
  return "cheque" in line ? 58 : 34;
}

/** The cheques of a batch by what is left to do; only the rows in sight are drawn. */
export function ChequeList(props: Props) {
  const { chosen, hasMore, loadMore } = props;
  const lines = linesOf(props);
  const at = lines.findIndex((line) => "cheque" in line && line.cheque.entry.id === chosen);

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
      <RollingList
        lines={lines}
        keyOf={keyOf}
        heightOf={heightOf}
        here={at}
        nearEnd={() => hasMore && loadMore()}
      >
        {(line) => (
          <>
            {"group" in line && <Head state={line.group.state} group={line.group} />}
            {"state" in line && <Head state={line.state} />}
            {"more" in line && (
              <Button color="inherit" onClick={line.more} sx={{ ml: 1, fontWeight: 400 }}>
                More
              </Button>
            )}
            {"cheque" in line && (
              <EntryLine
                row={divided(line.cheque)}
                here={line.cheque.entry.id === chosen}
                choose={props.choose}
                mark={props.marks.get(`entry-${line.cheque.entry.id}`)}
                heldBy={line.cheque.state === "POSTED" ? undefined : line.cheque.by || undefined}
                says={chequeSays(line.cheque)}
              />
            )}
          </>
        )}
      </RollingList>
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
