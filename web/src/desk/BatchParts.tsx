import { Box, Table, TableBody, TableCell, TableRow, Typography } from "@mui/material";
import { Amount } from "../shared/Amount";
import { count } from "../shared/dates";
import type { Entry } from "./drafts";

/** The transactions of an entry that the bank booked as one sum, and what it kept or converted. */
export function BatchParts({ entry }: { entry: Entry }) {
  if (entry.parts.length === 0) {
    return null;
  }
  return (
    <Box>
      {entry.parts.length > 1 && (
        <Typography variant="body2" color="textSecondary" sx={{ mb: 0.5 }}>
          The bank booked {count(entry.parts.length, "payment")} as this one sum:
        </Typography>
      )}
      <Box sx={{ maxHeight: 220, overflow: "auto" }} tabIndex={entry.parts.length > 6 ? 0 : undefined}>
        <Table size="small" aria-label="Payments in this entry">
          <TableBody>
            {entry.parts.map((part, n) => (
              <TableRow key={n}>
                <TableCell sx={{ pl: 0 }}>
                  {part.payerName || part.payerAccount || "Nobody named"}
                  {part.ultimatePayer && (
                    <Box component="span" sx={{ color: "text.secondary" }}>
                      {" "}
                      for {part.ultimatePayer}
                    </Box>
                  )}
                </TableCell>
                <TableCell className="figure" sx={{ overflowWrap: "anywhere" }}>
                  {part.text || part.endToEnd}
                </TableCell>
                <TableCell align="right" sx={{ pr: 0 }}>
                  {part.amount && <Amount of={part.amount} />}
                  {part.charges && (
                    <Box sx={{ fontSize: 12, color: "text.secondary", whiteSpace: "nowrap" }}>
                      the bank kept <Amount of={part.charges} />
                    </Box>
                  )}
                  {part.instructed && (
                    <Box sx={{ fontSize: 12, color: "text.secondary", whiteSpace: "nowrap" }}>
                      sent as <Amount of={part.instructed} /> {part.instructed.currency}
                      {part.rate && ` at ${part.rate}`}
                    </Box>
                  )}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
    </Box>
  );
}
