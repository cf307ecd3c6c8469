import { Box } from "@mui/material";
import type { ReactNode } from "react";
import type { Entry } from "./drafts";

/** What the bank said, word for word, with what was recognised underlined: solid where it stands there, dotted where it was read into it. */
export function BankText({ entry }: { entry: Entry }) {
  const numbers = new Map(
    entry.proposals.flatMap((p) => p.applications.map((a) => [a.itemId, a.number] as const)),
  );
  const parts: ReactNode[] = [];
  let from = 0;
  for (const mark of entry.marks) {
    if (mark.start < from) {
      continue;
    }
    parts.push(entry.text.slice(from, mark.start));
    parts.push(
      <Box
        key={mark.start}
        component="mark"
        title={
          numbers.has(mark.itemId)
            ? `points at ${numbers.get(mark.itemId)}`
            : "points at an item that is settled"
        }
        sx={{
          bgcolor: "transparent",
          color: "inherit",
          borderBottom: `2px ${mark.exact ? "solid" : "dotted"}`,
          borderColor: "primary.main",
        }}
      >
        {entry.text.slice(mark.start, mark.end)}
      </Box>,
    );
    from = mark.end;
  }
  parts.push(entry.text.slice(from));
  const known = entry.payerId !== null && entry.payerId !== undefined;
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
      {entry.payerName && (
        <Box component="span" sx={{ borderBottom: known ? "2px solid" : 0, borderColor: "primary.main" }}>
          {entry.payerName}
        </Box>
      )}
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
