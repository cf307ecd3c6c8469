import { Box, Button, TextField, Typography } from "@mui/material";
import type { RefObject } from "react";
import type { Schemas } from "../api/client";
import { Amount } from "../shared/Amount";
import { count } from "../shared/dates";
import { grouped } from "../shared/money";
import { RollingList } from "../shared/RollingList";
import { STANDING_WORD, StandingGlyph, type Standing } from "../tally/StandingGlyph";
import { EntryLine } from "./EntryLine";
import { Thinking } from "./Thinking";
import type { Hint } from "./useHints";

type EntryRow = Schemas["EntryRow"];
type Group = Schemas["StandingGroup"];
type DraftRow = Schemas["DraftRow"];
type ApplicableRow = Schemas["ApplicableRow"];
type Line =
  | { group: Group }
  | { row: EntryRow }
  | { more: string; act: () => void }
  | { head: string; note: string }
  | { draft: DraftRow }
  | { applicable: ApplicableRow };

interface Props {
  rows: EntryRow[];
  groups: Group[];
  /** How many clear entries are folded away; they are posted together as a rule. */
  folded: number;
  unfold: () => void;
  /** Drafts that are handed over or returned, and who works on which entry. */
  drafts: DraftRow[];
  /** What has notes, by what it is. */
  marks: ReadonlyMap<string, Schemas["Mark"]>;
  /** What entries may pay in other currencies or for other companies, by their id. */
  hints: ReadonlyMap<number, Hint>;
  /** Customers whose money on account could be applied. */
  applicable: ApplicableRow[];
  chosenAccount: number | undefined;
  hasMore: boolean;
  loadMore: () => void;
  chosen: number | undefined;
  choose: (id: number) => void;
  chooseAccount: (customerId: number) => void;
  selected: ReadonlySet<number>;
  toggle: (id: number) => void;
  q: string;
  search: (q: string) => void;
  searchField: RefObject<HTMLInputElement | null>;
}

function linesOf({ rows, groups, folded, unfold, hasMore, loadMore, drafts, applicable, q }: Props): Line[] {
  const lines: Line[] = [];
  const listed = (head: string, some: DraftRow[]) => {
    if (!q && some.length > 0) {
      lines.push({ head, note: some.length.toLocaleString() });
      some.forEach((draft) => lines.push({ draft }));
    }
  };
  listed(
    "Between two people",
    drafts.filter((d) => d.state === "HANDED" || d.state === "RETURNED"),
  );
  listed(
    "Not posted by a run",
    drafts.filter((d) => d.state === "REFUSED"),
  );
  let last: Standing | undefined;
  for (const row of rows) {
    if (row.standing !== last) {
      if (last === "CLEAR" && folded > 0) {
        lines.push({ more: `${folded.toLocaleString()} more`, act: unfold });
      }
      last = row.standing;
      groups.filter((g) => g.standing === last).forEach((group) => lines.push({ group }));
    }
    lines.push({ row });
  }
  if (last === "CLEAR" && folded > 0) {
    lines.push({ more: `${folded.toLocaleString()} more`, act: unfold });
  }
  if (hasMore) {
    lines.push({ more: "More", act: loadMore });
  }
  if (!q && applicable.length > 0) {
    lines.push({ head: "On account, with invoices open", note: applicable.length.toLocaleString() });
    applicable.forEach((row) => lines.push({ applicable: row }));
  }
  return lines;
}

function keyOf(line: Line, at: number): string {
  return "row" in line ? `row ${line.row.id}` : `${Object.keys(line)[0]} ${at}`;
}

function heightOf(line: Line): number {
  return ["row", "draft", "applicable"].some((kind) => kind in line) ? 41 : 34;
}

/** The waiting entries by standing; only the rows in sight are drawn. */
export function Queue(props: Props) {
  const { chosen } = props;
  const lines = linesOf(props);
  const at = lines.findIndex((line) => "row" in line && line.row.id === chosen);

  return (
    <Box
      component="section"
      aria-label="Queue"
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
      <Box sx={{ p: 1.25, pb: 0.5 }}>
        <TextField
          fullWidth
          placeholder="payer, amount, text…"
          value={props.q}
          inputRef={props.searchField}
          onChange={(event) => props.search(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === "Enter" && props.rows[0]) {
              props.choose(props.rows[0].id);
            }
            if (event.key === "Escape" || event.key === "Enter") {
              event.currentTarget.querySelector("input")?.blur();
            }
          }}
          slotProps={{ htmlInput: { "aria-label": "Search the queue" } }}
        />
      </Box>
      <Thinking />
      {lines.length === 0 && props.q && (
        <Typography role="status" variant="body2" color="textSecondary" sx={{ px: 1.75, py: 1 }}>
          Nothing that waits fits “{props.q}”.
        </Typography>
      )}
      <RollingList lines={lines} keyOf={keyOf} heightOf={heightOf} here={at}>
        {(line) => (
          <>
            {"group" in line && <GroupHead group={line.group} />}
            {"head" in line && <Head name={line.head} note={line.note} />}
            {"draft" in line && <Passed draft={line.draft} {...props} />}
            {"applicable" in line && <Applicable row={line.applicable} {...props} />}
            {"row" in line && (
              <EntryLine
                row={line.row}
                here={line.row.id === chosen}
                choose={props.choose}
                mark={props.marks.get(`entry-${line.row.id}`)}
                hint={props.hints.get(line.row.id)}
                heldBy={props.drafts.find((d) => d.entryId === line.row.id)?.by}
                selecting={props.selected.size > 0}
                selected={props.selected.has(line.row.id)}
                toggle={props.toggle}
              />
            )}
            {"more" in line && (
              <Button
                color="inherit"
                onClick={line.act}
                sx={{ ml: 1, fontWeight: 400, color: "text.secondary" }}
              >
                {line.more}
              </Button>
            )}
          </>
        )}
      </RollingList>
    </Box>
  );
}

function Head({ name, note }: { name: string; note: string }) {
  return (
    <Box sx={{ display: "flex", alignItems: "center", px: 1.75, pt: 1.25, pb: 0.25, height: 34 }}>
      <Typography component="h2" sx={{ fontSize: 12.5, fontWeight: 700 }}>
        {name}
      </Typography>
      <Typography sx={{ fontSize: 12, color: "text.secondary", ml: "auto" }} className="figure">
        {note}
      </Typography>
    </Box>
  );
}

/** A line that leads to a draft or an account rather than to an entry of the bank. */
function Lead({
  here,
  go,
  name,
  amount,
  says,
}: {
  here: boolean;
  go: () => void;
  name: string;
  amount: Schemas["MoneyView"] | undefined;
  says: string;
}) {
  return (
    <Box
      role="group"
      aria-label={name}
      sx={{
        bgcolor: here ? "chosenTint" : undefined,
        borderLeft: 3,
        borderColor: here ? "primary.main" : "transparent",
      }}
    >
      <Box
        component="button"
        type="button"
        aria-current={here ? "true" : undefined}
        onClick={go}
        sx={{
          all: "unset",
          boxSizing: "border-box",
          cursor: "pointer",
          width: "100%",
          px: 1.5,
          py: 0.4,
          "&:focus-visible": { outline: 2, outlineColor: "primary.main", outlineOffset: -2 },
        }}
      >
        <Box sx={{ display: "flex", gap: 1, fontSize: 13.5, fontWeight: here ? 700 : 400 }}>
          <Box
            component="span"
            sx={{ overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap", flex: 1 }}
          >
            {name}
          </Box>
          {amount && <Amount of={amount} />}
        </Box>
        <Box
          sx={{
            fontSize: 11.5,
            color: "text.secondary",
            overflow: "hidden",
            textOverflow: "ellipsis",
            whiteSpace: "nowrap",
          }}
        >
          {says}
        </Box>
      </Box>
    </Box>
  );
}

function Passed({ draft, chosen, chosenAccount, choose, chooseAccount }: { draft: DraftRow } & Props) {
  const says =
    draft.state === "HANDED"
      ? `${draft.by} asks for approval${draft.note && `: ${draft.note}`}`
      : draft.state === "REFUSED"
        ? draft.note
        : `returned to ${draft.by}${draft.note && `: ${draft.note}`}`;
  const entry = draft.entryId ?? undefined;
  const account = draft.accountOf ?? undefined;
  return (
    <Lead
      here={entry === undefined ? account === chosenAccount : entry === chosen}
      go={() => (entry === undefined ? chooseAccount(account ?? 0) : choose(entry))}
      name={draft.payer}
      amount={draft.amount ?? undefined}
      says={says}
    />
  );
}

function Applicable({ row, chosenAccount, chooseAccount }: { row: ApplicableRow } & Props) {
  return (
    <Lead
      here={row.customerId === chosenAccount}
      go={() => chooseAccount(row.customerId)}
      name={row.customer}
      amount={row.credit}
      says={`owes ${grouped(row.owed)} in ${count(row.invoices, "item")}`}
    />
  );
}

function GroupHead({ group }: { group: Group }) {
  return (
    <Box sx={{ display: "flex", alignItems: "center", gap: 0.75, px: 1.75, pt: 1.25, pb: 0.25, height: 34 }}>
      <StandingGlyph standing={group.standing} />
      <Typography component="h2" sx={{ fontSize: 12.5, fontWeight: 700 }}>
        {STANDING_WORD[group.standing]}
      </Typography>
      <Typography sx={{ fontSize: 12, color: "text.secondary", ml: "auto" }} className="figure">
        {group.count.toLocaleString()} · <Amount of={group.amount} />
      </Typography>
    </Box>
  );
}
