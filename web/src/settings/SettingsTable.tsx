import { Box, Button, Table, TableBody, TableCell, TableHead, TableRow } from "@mui/material";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { EditDialog, type Field } from "./EditDialog";
import { History } from "./History";

export interface Row {
  key: string;
  cells: string[];
  fields: Field[];
  save: (values: Record<string, string>) => Promise<unknown>;
}

interface Props {
  label: string;
  columns: string[];
  rows: Row[];
  may: boolean;
  /** Adds one more; without it none can be added. */
  add?: { name: string; fields: Field[]; save: (values: Record<string, string>) => Promise<unknown> };
  /** Of what the history is shown. */
  what: string;
}

/** Settings of one kind: what there is, a change in place, one more, and what was changed before. */
export function SettingsTable({ label, columns, rows, may, add, what }: Props) {
  const queries = useQueryClient();
  const [edited, setEdited] = useState<Row | "new" | null>(null);
  const saving = useMutation({
    mutationFn: (values: Record<string, string>) =>
      edited === "new"
        ? (add?.save(values) ?? Promise.resolve())
        : (edited?.save(values) ?? Promise.resolve()),
    onSuccess: async () => {
      await queries.invalidateQueries();
      setEdited(null);
    },
  });
  const open = (row: Row | "new") => {
    saving.reset();
    setEdited(row);
  };
  return (
    <Box sx={{ maxWidth: 900 }}>
      <Table size="small" aria-label={label}>
        <TableHead>
          <TableRow>
            {columns.map((name) => (
              <TableCell key={name}>{name}</TableCell>
            ))}
            {may && <TableCell />}
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map((row) => (
            <TableRow key={row.key} hover>
              {row.cells.map((cell, n) => (
                <TableCell key={n}>{cell}</TableCell>
              ))}
              {may && (
                <TableCell align="right" sx={{ py: 0 }}>
                  {row.fields.length > 0 && (
                    <Button aria-label={`Change ${row.cells[0]}`} onClick={() => open(row)}>
                      Change…
                    </Button>
                  )}
                </TableCell>
              )}
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {may && add && (
        <Button variant="outlined" sx={{ mt: 1.5 }} onClick={() => open("new")}>
          {add.name}
        </Button>
      )}
      {edited !== null && (
        <EditDialog
          title={edited === "new" ? (add?.name ?? "") : `Change ${edited.cells[0]}`}
          fields={edited === "new" ? (add?.fields ?? []) : edited.fields}
          doing={edited === "new" ? "Add" : "Save"}
          error={saving.error}
          busy={saving.isPending}
          save={(values) => saving.mutate(values)}
          close={() => setEdited(null)}
        />
      )}
      <History what={what} may={may} />
    </Box>
  );
}
