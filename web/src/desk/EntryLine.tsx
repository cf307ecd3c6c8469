import { Box, Checkbox } from "@mui/material";
import type { ReactNode } from "react";
import type { Schemas } from "../api/client";
import { KEPT } from "../settle/words";
import { Amount } from "../shared/Amount";
import { count } from "../shared/dates";
import { minor } from "../shared/money";
import { layOut } from "../tally/layout";
import { ThinTally } from "../tally/TallyBar";
import { hintWords, type Hint } from "./useHints";

interface Props {
  row: Schemas["EntryRow"];
  here: boolean;
  choose: (id: number) => void;
  /** What has notes of it. */
  mark?: Schemas["Mark"];
  /** Who works on it. */
  heldBy?: string;
  /** What it may pay in other currencies or for other companies; told while nobody works on it. */
  hint?: Hint;
  /** Whether boxes to tick stand before the lines. */
  selecting?: boolean;
  selected?: boolean;
  toggle?: (id: number) => void;
  /** What else is to be said of it, under its bar. */
  says?: ReactNode;
}

/** A small sheet of paper where colleagues left notes; filled where somebody is asked. */
function NoteSign({ mark }: { mark: Schemas["Mark"] | undefined }) {
  if (!mark) {
    return null;
  }
  const says =
    count(mark.notes, "note") + (mark.questions > 0 ? `, ${count(mark.questions, "question")} open` : "");
  return (
    <Box
      component="svg"
      role="img"
      aria-label={says}
      viewBox="0 0 12 14"
      sx={{ width: 10, color: "primary.main" }}
    >
      <title>{says}</title>
      <path
        d="M1.5 1h6L11 4.5V13H1.5z"
        fill={mark.questions > 0 ? "currentColor" : "none"}
        stroke="currentColor"
        strokeWidth="1.3"
      />
    </Box>
  );
}

/** An entry in a list: payer and amount, and how its first explanation divides it. */
export function EntryLine({
  row,
  here,
  choose,
  mark,
  heldBy,
  hint,
  selecting,
  selected,
  toggle,
  says,
}: Props) {
  const layout = layOut(
    minor(row.amount),
    row.segments.map((s) => ({ label: s.number, amount: minor(s.amount), discount: minor(s.discount) })),
    row.adjustments.map((a) => ({ label: KEPT[a.kind], amount: minor(a.amount) })),
    0,
  );
  return (
    <Box
      role="group"
      aria-label={row.payer}
      sx={{
        display: "flex",
        alignItems: "stretch",
        bgcolor: here ? "chosenTint" : undefined,
        borderLeft: 3,
        borderColor: here ? "primary.main" : "transparent",
      }}
    >
      {selecting && toggle && (
        <Checkbox
          size="small"
          checked={selected ?? false}
          onChange={() => toggle(row.id)}
          slotProps={{ input: { "aria-label": `Select ${row.payer}` } }}
          sx={{ p: 0.25 }}
        />
      )}
      <Box
        component="button"
        type="button"
        aria-current={here ? "true" : undefined}
        onClick={() => choose(row.id)}
        sx={{
          all: "unset",
          boxSizing: "border-box",
          cursor: "pointer",
          flex: 1,
          minWidth: 0,
          px: 1.5,
          py: 0.6,
          "&:focus-visible": { outline: 2, outlineColor: "primary.main", outlineOffset: -2 },
        }}
      >
        <Box sx={{ display: "flex", gap: 1, fontSize: 13.5, fontWeight: here ? 700 : 400, mb: 0.5 }}>
          <Box
            component="span"
            sx={{ overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap", flex: 1 }}
          >
            {row.payer}
          </Box>
          {heldBy && (
            <Box
              component="span"
              title={`${heldBy} works on this`}
              sx={{ fontSize: 11.5, color: "text.secondary", fontWeight: 400, alignSelf: "center" }}
            >
              {heldBy}
            </Box>
          )}
          {hint && !heldBy && (
            <Box
              component="span"
              title={hint.why}
              sx={{
                fontSize: 11.5,
                color: "text.secondary",
                fontWeight: 400,
                alignSelf: "center",
                flexShrink: 0,
              }}
            >
              {hintWords(hint)}
            </Box>
          )}
          <NoteSign mark={mark} />
          <Amount of={row.amount} />
        </Box>
        <ThinTally layout={layout} strong={here} />
        {says && <Box sx={{ fontSize: 11.5, color: "text.secondary", mt: 0.4 }}>{says}</Box>}
      </Box>
    </Box>
  );
}
