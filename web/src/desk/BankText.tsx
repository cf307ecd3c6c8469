import { Box, Link } from "@mui/material";
import type { ReactNode } from "react";
import { Link as RouterLink } from "react-router";
import { onDay } from "../shared/dates";
import type { Entry } from "./drafts";

type Mark = Entry["marks"][number];

/**
 * What the bank said, word for word, with what was recognised underlined and linked: solid where it stands there, dotted
 * where it was read into it, with what was read; an amount thinly, since it names nothing.
 */
export function BankText({ entry }: { entry: Entry }) {
  const parts: ReactNode[] = [];
  let from = 0;
  for (const place of places(entry.marks)) {
    if (place.start >= from) {
      parts.push(entry.text.slice(from, place.start));
      parts.push(<Recognised key={place.start} place={place} text={entry.text} />);
      from = place.end;
    }
  }
  parts.push(entry.text.slice(from));
  return (
    <Box
      className="figure"
      sx={{
        bgcolor: "sunk",
        border: 1,
        borderColor: "divider",
        borderRadius: 1,
        px: 1.5,
        py: 1,
        fontSize: 13,
        lineHeight: 1.7,
        whiteSpace: "pre-wrap",
        overflowWrap: "anywhere",
      }}
    >
      {entry.payerName &&
        (entry.payerId && named(entry) ? (
          <Link
            component={RouterLink}
            to={`/posted/customers/${entry.payerId}`}
            title={`thought to be ${entry.payer}`}
            color="inherit"
            underline="none"
            sx={{ borderBottom: "2px solid", borderColor: "primary.main" }}
          >
            {entry.payerName}
          </Link>
        ) : (
          entry.payerName
        ))}
      {entry.payerName && " "}
      {parts}
      {entry.payerName === "" && entry.text === "" && (
        <Box component="span" sx={{ color: "text.secondary", fontFamily: "inherit" }}>
          The bank gives neither a name nor a text.
        </Box>
      )}
      {entry.reversal && <Box sx={{ color: "text.secondary" }}>This takes an earlier movement back.</Box>}
      {entry.bankText && entry.bankText !== entry.text && (
        <Box sx={{ color: "text.secondary" }}>the bank calls it {entry.bankText}</Box>
      )}
      {entry.payerAccount && <Box sx={{ color: "text.secondary" }}>from account {entry.payerAccount}</Box>}
    </Box>
  );
}

/** Whether the payer himself was recognised, rather than an amount that fits somebody's item. */
function named(entry: Entry): boolean {
  return entry.proposals.some((p) => p.evidence.some((e) => e.code.startsWith("payer.") && e.weight > 0));
}

interface Place {
  start: number;
  end: number;
  exact: boolean;
  marks: Mark[];
}

/** The same place may mean one of several items. */
function places(marks: Mark[]): Place[] {
  const found: Place[] = [];
  for (const mark of marks) {
    const last = found.at(-1);
    if (last && last.start === mark.start && last.end === mark.end) {
      last.marks.push(mark);
      last.exact &&= mark.exact;
    } else {
      found.push({ start: mark.start, end: mark.end, exact: mark.exact, marks: [mark] });
    }
  }
  return found;
}

/** So many readings of one place are named; of more it is said how many there are. */
const NAMED = 3;

function Recognised({ place, text }: { place: Place; text: string }) {
  const written = text.slice(place.start, place.end);
  const items = place.marks.filter((mark) => mark.itemId);
  const only = items.length === 1 ? items[0] : undefined;
  if (items.length === 0) {
    return (
      <Box
        component="mark"
        title="the amount that arrived"
        sx={{
          bgcolor: "transparent",
          color: "inherit",
          borderBottom: "1px solid",
          borderColor: "primary.main",
        }}
      >
        {written}
      </Box>
    );
  }
  const says = [
    // what stands there as it is needs no reading beside it
    !place.exact && !sameFigures(written, only?.number) && `read as ${readings(items)}`,
    only?.settled && (only.settledOn ? `paid on ${onDay(only.settledOn)}` : "paid already"),
  ].filter(Boolean);
  const underlined = {
    bgcolor: "transparent",
    color: "inherit",
    borderBottom: `2px ${place.exact ? "solid" : "dotted"}`,
    borderColor: "primary.main",
  };
  return (
    <>
      <Box component="mark" sx={underlined}>
        {only ? (
          <Link
            component={RouterLink}
            to={`/posted/items/${only.itemId}`}
            title={`points at ${only.number}`}
            color="inherit"
            underline="none"
          >
            {written}
          </Link>
        ) : (
          written
        )}
      </Box>
      {says.length > 0 && (
        <Box
          component="small"
          sx={{ color: "text.secondary", fontFamily: "body1.fontFamily", fontSize: 11.5, userSelect: "none" }}
        >
          {` (${says.join(", ")})`}
        </Box>
      )}
    </>
  );
}

function readings(items: Mark[]): string {
  const numbers = items.slice(0, NAMED).map((mark) => mark.number);
  return items.length > NAMED ? `one of ${items.length}: ${numbers.join(", ")}…` : numbers.join(" or ");
}

/** Whether only signs between the figures differ, which nobody needs to be told. */
function sameFigures(written: string, number: string | null | undefined): boolean {
  const bare = (s: string) => s.toUpperCase().replace(/[^A-Z0-9]/g, "");
  return number !== null && number !== undefined && bare(written) === bare(number);
}
