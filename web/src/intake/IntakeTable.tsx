import { Box, Link, Table, TableBody, TableCell, TableHead, TableRow } from "@mui/material";
import { Link as RouterLink } from "react-router";
import type { Schemas } from "../api/client";
import { Amount } from "../shared/Amount";
import { atMoment } from "../shared/dates";

type Intake = Schemas["IntakeView"];

function Parts({ parts }: { parts: Intake["waiting"] }) {
  return parts.map((part) => (
    <Box key={part.currency} sx={{ whiteSpace: "nowrap" }}>
      <Box component="span" sx={{ color: "text.secondary", mr: 1 }}>
        {part.entries.toLocaleString()}
      </Box>
      <Amount of={part.amount} />
    </Box>
  ));
}

/** The files taken in, latest first. */
export function IntakeTable({ rows }: { rows: Intake[] }) {
  return (
    <Table size="small" aria-label="Intakes">
      <TableHead>
        <TableRow>
          <TableCell>File</TableCell>
          <TableCell>Format</TableCell>
          <TableCell>Taken in</TableCell>
          <TableCell align="right">Records</TableCell>
          <TableCell align="right">New</TableCell>
          <TableCell align="right">Known</TableCell>
          <TableCell align="right">Waiting</TableCell>
          <TableCell align="right">Settled</TableCell>
          <TableCell align="right">From us</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {rows.map((intake) => (
          <TableRow key={intake.id}>
            <TableCell sx={{ opacity: intake.takenBackBy ? 0.65 : 1 }}>
              <Link component={RouterLink} to={`/arrived/intake/${intake.id}`}>
                {intake.fileName}
              </Link>
              {intake.takenBackBy && (
                <Box sx={{ fontSize: 12 }}>
                  taken back by {intake.takenBackBy}, {atMoment(intake.takenBackAt ?? intake.takenAt)}
                </Box>
              )}
              {intake.sameAs && (
                <Box sx={{ fontSize: 12, color: "text.secondary" }}>the same file as {intake.sameAs}</Box>
              )}
              {intake.problems.map((problem) => (
                <Box key={problem} sx={{ fontSize: 12, color: "text.secondary" }}>
                  {problem}
                </Box>
              ))}
            </TableCell>
            <TableCell>
              {intake.format}
              {intake.profile && (
                <Box sx={{ fontSize: 12, color: "text.secondary" }}>by “{intake.profile}”</Box>
              )}
            </TableCell>
            <TableCell sx={{ whiteSpace: "nowrap" }}>
              {atMoment(intake.takenAt)}, {intake.takenBy}
            </TableCell>
            <TableCell align="right" className="figure">
              {intake.records.toLocaleString()}
            </TableCell>
            <TableCell align="right" className="figure">
              {intake.fresh.toLocaleString()}
            </TableCell>
            <TableCell align="right" className="figure">
              {intake.known.toLocaleString()}
            </TableCell>
            <TableCell align="right">
              <Parts parts={intake.waiting} />
              {intake.announced.length > 0 && (
                <Box sx={{ fontSize: 12, color: "text.secondary", whiteSpace: "nowrap" }}>
                  announced
                  <Parts parts={intake.announced} />
                </Box>
              )}
            </TableCell>
            <TableCell align="right">
              <Parts parts={intake.settled} />
            </TableCell>
            <TableCell align="right">
              <Parts parts={intake.debits} />
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}
