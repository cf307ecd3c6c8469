import { Box, Table, TableBody, TableCell, TableRow } from "@mui/material";
import type { Money, Schemas } from "../api/client";
import { Amount } from "../shared/Amount";

/** The lines of a journal entry: debits first column, credits indented in the second. In several currencies each says which. */
export function JournalLines({ lines }: { lines: Schemas["JournalLineView"][] }) {
  const units = new Set(lines.map((line) => (line.debit ?? line.credit)?.currency));
  const named = units.size > 1 || lines.some((line) => line.worth);
  return (
    <Table
      size="small"
      aria-label="Journal lines"
      sx={{ "& td": { py: 0.4 }, "& tr:last-child td": { borderBottom: 0 } }}
    >
      <TableBody>
        {lines.map((line, n) => (
          <TableRow key={n}>
            <TableCell className="figure" sx={{ width: 56, color: "text.secondary", pl: 0 }}>
              {line.code}
            </TableCell>
            <TableCell sx={{ pl: line.credit ? 3 : 1 }}>
              {line.account}
              {line.customer && `, ${line.customer}`}
            </TableCell>
            <TableCell align="right" sx={{ width: "1%", pl: 1 }}>
              {line.debit && <Side of={line.debit} named={named} />}
            </TableCell>
            <TableCell align="right" sx={{ width: "1%", minWidth: 96, pl: 1, pr: 0 }}>
              {line.credit && <Side of={line.credit} named={named} />}
            </TableCell>
            {named && (
              <TableCell align="right" sx={{ width: "1%", pl: 1.5, pr: 0, color: "text.secondary" }}>
                {line.worth && <Side of={line.worth} named />}
              </TableCell>
            )}
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

function Side({ of, named }: { of: Money; named: boolean }) {
  return (
    <Box component="span" sx={{ whiteSpace: "nowrap" }}>
      <Amount of={of} />
      {named && ` ${of.currency}`}
    </Box>
  );
}
