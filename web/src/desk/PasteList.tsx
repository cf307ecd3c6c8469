import {
  Box,
  Button,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  TextField,
  Typography,
} from "@mui/material";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Schemas } from "../api/client";
import { Amount } from "../shared/Amount";
import { AskDialog } from "../shared/AskDialog";
import { count } from "../shared/dates";
import { isZero } from "../shared/money";
import { takingAll, type Draft } from "./drafts";

type Row = Schemas["PastedRow"];

/** A list of references and amounts out of a spreadsheet or a mail: read, shown with what was not understood, taken. */
export function PasteList({
  draft,
  customerId,
  change,
  close,
}: {
  draft: Draft;
  customerId: number | undefined;
  change: (draft: Draft, numbers: Map<number, string>) => void;
  close: () => void;
}) {
  const [text, setText] = useState("");
  const read = useMutation({
    mutationFn: async () =>
      data(
        await api.POST("/api/entries/{id}/pasted-list", {
          params: { path: { id: draft.entryId ?? 0 } },
          body: { text, customerId },
        }),
      ),
  });
  const rows = read.data ?? [];
  const usable = rows.filter((row) => row.outcome === "UNDERSTOOD" && row.itemId && row.amount);
  const rest = rows.length - usable.length;
  const take = () => {
    change(
      takingAll(
        draft,
        usable.flatMap((row) =>
          row.itemId && row.amount
            ? [
                {
                  itemId: row.itemId,
                  amount: row.amount,
                  discount: row.discount && !isZero(row.discount) ? row.discount : undefined,
                  itemVersion: row.itemVersion,
                },
              ]
            : [],
        ),
      ),
      new Map(usable.map((row) => [row.itemId ?? 0, row.number ?? ""])),
    );
    close();
  };
  return (
    <AskDialog
      title="Paste a list"
      wide
      error={read.error}
      doing={`Take ${count(usable.length, "line")}`}
      ready={usable.length > 0}
      go={take}
      close={close}
      aside={
        <Button variant="outlined" disabled={!text.trim() || read.isPending} onClick={() => read.mutate()}>
          Read the list
        </Button>
      }
    >
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        One line for each invoice: its number or order, and the amount, as the payer&apos;s mail or
        spreadsheet has them.
      </Typography>
      <TextField
        multiline
        minRows={5}
        maxRows={10}
        fullWidth
        autoFocus
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Enter" && event.ctrlKey) {
            event.stopPropagation();
            if (usable.length > 0 && !read.isPending) {
              take();
            } else {
              read.mutate();
            }
          }
        }}
        slotProps={{ htmlInput: { "aria-label": "The list", className: "figure" } }}
      />
      {read.data && (
        <Box role="status" sx={{ mt: 1.5, fontSize: 13 }}>
          {count(usable.length, "line")} understood
          {rest > 0 && `, ${rest} not: correct them above and read again, or leave them`}.
        </Box>
      )}
      {rows.length > 0 && <Rows rows={rows} />}
    </AskDialog>
  );
}

function Rows({ rows }: { rows: Row[] }) {
  return (
    <Table size="small" aria-label="What was understood">
      <TableHead>
        <TableRow>
          <TableCell>Line</TableCell>
          <TableCell>As pasted</TableCell>
          <TableCell>Item</TableCell>
          <TableCell align="right">Open</TableCell>
          <TableCell align="right">Takes</TableCell>
          <TableCell>To be known</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {rows.map((row) => (
          <TableRow
            key={row.line}
            sx={{ color: row.outcome === "UNDERSTOOD" ? undefined : "text.secondary" }}
          >
            <TableCell>{row.line}</TableCell>
            <TableCell
              className="figure"
              sx={{ maxWidth: 220, overflow: "hidden", textOverflow: "ellipsis" }}
              title={row.text}
            >
              {row.text}
            </TableCell>
            <TableCell className="figure">{row.number ?? "–"}</TableCell>
            <TableCell align="right">{row.open && <Amount of={row.open} />}</TableCell>
            <TableCell align="right">{row.amount && <Amount of={row.amount} />}</TableCell>
            <TableCell sx={{ color: row.outcome === "UNDERSTOOD" ? "text.secondary" : "primary.main" }}>
              {row.message}
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}
