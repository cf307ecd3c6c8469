import { Alert, Box, Table, TableBody, TableCell, TableHead, TableRow, Typography } from "@mui/material";
import { count } from "../shared/dates";
import type { Preview } from "./queries";
import { fieldWord } from "./words";

const FIGURES = ["amount", "total", "open", "balance"];

/** What is open, and what the first rows become. */
export function FirstRows({ preview }: { preview: Preview }) {
  const fields = [...new Set(preview.rows.flatMap((row) => Object.keys(row.fields)))];
  return (
    <Box component="section" aria-label="What the first rows become">
      <Typography variant="h3">What the first rows become</Typography>
      <Typography variant="caption" color="textSecondary">
        {count(preview.records, "record")} in the sample
        {preview.passedOver.length > 0 && `, ${count(preview.passedOver.length, "line")} passed over`}.
      </Typography>
      {preview.doubts.map((doubt) => (
        <Alert key={doubt.message} severity="warning" variant="outlined" sx={{ mt: 0.5, py: 0 }}>
          {doubt.line > 0 && `Line ${doubt.line}: `}
          {doubt.message}
        </Alert>
      ))}
      {preview.rows.length > 0 && (
        <Box sx={{ overflowX: "auto" }}>
          <Table size="small" aria-label="First rows">
            <TableHead>
              <TableRow>
                <TableCell>Line</TableCell>
                {fields.map((field) => (
                  <TableCell key={field} align={FIGURES.includes(field) ? "right" : "left"}>
                    {fieldWord(field)}
                  </TableCell>
                ))}
              </TableRow>
            </TableHead>
            <TableBody>
              {preview.rows.map((row) => (
                <TableRow key={row.line}>
                  <TableCell>{row.line}</TableCell>
                  {row.problems.length > 0 ? (
                    <TableCell colSpan={Math.max(1, fields.length)} sx={{ color: "error.main" }}>
                      {row.problems.join("; ")}
                    </TableCell>
                  ) : (
                    fields.map((field) => (
                      <TableCell
                        key={field}
                        align={FIGURES.includes(field) ? "right" : "left"}
                        className={FIGURES.includes(field) || field.endsWith("date") ? "figure" : ""}
                        sx={{ whiteSpace: field === "remittance" ? "normal" : "nowrap" }}
                      >
                        {row.fields[field] ?? ""}
                      </TableCell>
                    ))
                  )}
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </Box>
      )}
      {preview.passedOver.map((line) => (
        <Box key={line.line} sx={{ fontSize: 12, color: "text.secondary", mt: 0.5 }}>
          Line {line.line}: {line.message}
        </Box>
      ))}
    </Box>
  );
}
