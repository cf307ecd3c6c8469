import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Table,
  TableBody,
  TableCell,
  TableRow,
} from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Schemas } from "../api/client";
import { useBooks } from "../access/session";
import { Amount } from "../shared/Amount";
import { count } from "../shared/dates";
import { KEPT } from "../settle/words";
import { grouped, isZero, positive } from "../shared/money";
import { Failed, Loading } from "../shared/States";
import { useRefresh } from "./queries";

interface Props {
  group: Schemas["StandingGroup"] | undefined;
  selected: ReadonlySet<number>;
  open: boolean;
  setOpen: (open: boolean) => void;
  posted: (result: Schemas["ClearResults"]) => void;
}

/** Posts every entry that stands clear, or those of them that are selected: asks once, with the list and the total. */
export function PostAllClear({ group, selected, open, setOpen, posted }: Props) {
  const refresh = useRefresh();
  const books = useBooks();
  const [state, setState] = useState<{ busy: boolean; error: string }>({ busy: false, error: "" });
  const clear = useQuery({
    queryKey: ["entries", books.company, "clear list"],
    enabled: open,
    queryFn: async () =>
      data(
        await api.GET("/api/entries", {
          params: { query: { company: books.company, standing: ["CLEAR"], limit: 500 } },
        }),
      ),
  });
  const rows = (clear.data?.rows ?? []).filter((row) => selected.size === 0 || selected.has(row.id));
  const group500 = clear.data?.standings[0];

  const post = async () => {
    setState({ busy: true, error: "" });
    try {
      const result = data(
        await api.POST("/api/clear-postings", {
          params: { header: { "Idempotency-Key": crypto.randomUUID() } },
          body: { entryIds: rows.map((row) => row.id) },
        }),
      );
      await refresh();
      posted(result);
      setOpen(false);
      setState({ busy: false, error: "" });
    } catch (error) {
      setState({ busy: false, error: (error as Error).message });
    }
  };

  return (
    <>
      <Button
        color="inherit"
        disabled={!group || !books.mayPost}
        onClick={() => setOpen(true)}
        sx={{ color: "primary.main" }}
      >
        {selected.size > 0
          ? `Post the clear of ${selected.size} selected…`
          : `Post all clear (${group ? `${group.count.toLocaleString()} · ${grouped(group.amount)}` : "none"})…`}
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)} maxWidth="md" fullWidth>
        <DialogTitle>
          {rows.length === 0
            ? "Nothing stands clear"
            : `Post ${count(rows.length, "clear entry", "clear entries")}`}
          {rows.length > 0 && selected.size === 0 && group500 && rows.length === group500.count && (
            <>
              , <Amount of={group500.amount} /> {group500.amount.currency}
            </>
          )}
        </DialogTitle>
        <DialogContent>
          {clear.isPending && <Loading rows={4} />}
          {clear.error && <Failed error={clear.error} />}
          {group500 && group500.count > rows.length && selected.size === 0 && (
            <Alert severity="info" variant="outlined">
              These are the first {rows.length} of {group500.count.toLocaleString()}; post again for the next.
            </Alert>
          )}
          <Table size="small" aria-label="Clear entries">
            <TableBody>
              {rows.map((row) => (
                <TableRow key={row.id}>
                  <TableCell>{row.payer}</TableCell>
                  <TableCell align="right">
                    <Amount of={row.amount} />
                  </TableCell>
                  <TableCell className="figure" sx={{ color: "text.secondary", whiteSpace: "normal" }}>
                    {row.segments.map((s) => s.number).join(", ") || "on account"}
                    {row.segments
                      .filter((s) => !isZero(s.discount))
                      .map((s) => `, discount ${grouped(s.discount)}`)
                      .join("")}
                    {row.adjustments.map((a) => `, ${KEPT[a.kind]} ${grouped(positive(a.amount))}`).join("")}
                  </TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
          {state.error && (
            <Alert severity="error" variant="outlined" sx={{ mt: 1 }}>
              {state.error}
            </Alert>
          )}
        </DialogContent>
        <DialogActions>
          <Box sx={{ flex: 1, pl: 2, color: "text.secondary", fontSize: 13 }}>
            Each is posted on its own and can be reversed on its own.
          </Box>
          <Button color="inherit" onClick={() => setOpen(false)}>
            Not now
          </Button>
          <Button
            key={rows.length > 0 ? "ready" : "empty"}
            variant="contained"
            autoFocus
            disabled={rows.length === 0 || state.busy}
            onClick={() => void post()}
          >
            Post {rows.length}
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
