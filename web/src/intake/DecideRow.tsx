import { Box, Button } from "@mui/material";
import type { ReactNode } from "react";
import { onDay } from "../shared/dates";

/** One thing that a later file tells otherwise: ours, the file's, and which is to count. */
export function DecideRow({
  title,
  from,
  before,
  after,
  against,
  accept,
  mayDecide,
  busy,
  decide,
}: {
  title: ReactNode;
  from: ReactNode;
  before: ReactNode;
  after: ReactNode;
  /** Why the file's cannot count now. */
  against?: ReactNode;
  /** What accepting does. */
  accept: string;
  mayDecide: boolean;
  busy: boolean;
  decide: (accept: boolean) => void;
}) {
  return (
    <Box sx={{ display: "flex", alignItems: "center", gap: 2, borderTop: 1, borderColor: "divider", py: 1 }}>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Box sx={{ overflowWrap: "anywhere" }}>{title}</Box>
        <Box sx={{ fontSize: 12, color: "text.secondary", overflowWrap: "anywhere" }}>{from}</Box>
      </Box>
      {before}
      {after}
      <Box sx={{ width: 250, fontSize: 13, color: "text.secondary", textAlign: against ? "left" : "right" }}>
        {against ||
          (mayDecide && (
            <Button variant="contained" disabled={busy} onClick={() => decide(true)}>
              {accept}
            </Button>
          ))}
      </Box>
      {mayDecide && (
        <Button disabled={busy} onClick={() => decide(false)}>
          Keep ours
        </Button>
      )}
    </Box>
  );
}

/** One side of it. */
export function Side({ what, day, children }: { what: string; day?: string; children: ReactNode }) {
  return (
    <Box sx={{ width: 175, textAlign: "right" }}>
      <Box sx={{ fontSize: 12, color: "text.secondary" }}>
        {what}
        {day && `, ${onDay(day)}`}
      </Box>
      <Box>{children}</Box>
    </Box>
  );
}
