import { Table, TableBody, TableCell, TableRow } from "@mui/material";
import type { Schemas } from "../api/client";
import { Amount } from "../shared/Amount";

/** The lines of a journal entry: debits first column, credits indented in the second. */
export function JournalLines({ lines }: { lines: Schemas["JournalLineView"][] }) {
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
              {line.debit && <Amount of={line.debit} />}
            </TableCell>
            <TableCell align="right" sx={{ width: "1%", minWidth: 96, pl: 1, pr: 0 }}>
              {line.credit && <Amount of={line.credit} />}
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}
