import { Alert, Box, Button, Link, TextField, Typography } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link as RouterLink } from "react-router";
import { useBooks } from "../access/session";
import { api, data, type Schemas } from "../api/client";
import { useRefresh } from "../desk/queries";
import { atMoment, count } from "../shared/dates";
import { Failed } from "../shared/States";

type Row = Schemas["LeftOutView"];

/** The lines of a file that could not be read: put right here, or shelved with a word why. */
export function LeftOutRows({ intakeId }: { intakeId: number }) {
  const rows = useQuery({
    queryKey: ["left-out", intakeId],
    queryFn: async () =>
      data(await api.GET("/api/intakes/{id}/left-out", { params: { path: { id: intakeId } } })),
  });
  if (rows.error) {
    return <Failed error={rows.error} retry={() => void rows.refetch()} />;
  }
  if (!rows.data || rows.data.length === 0) {
    return null;
  }
  const open = rows.data.filter((row) => row.status === "OPEN").length;
  return (
    <Box component="section" aria-label="Lines to put right" sx={{ my: 2 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        Lines to put right
      </Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        {open === 0
          ? "Nothing is left to decide."
          : `${count(open, "line")} of the file could not be read. Correct a cell and take the line in; the file itself stays as it came.`}
      </Typography>
      {rows.data.map((row) => (
        <OneRow key={row.id} row={row} />
      ))}
    </Box>
  );
}

function OneRow({ row }: { row: Row }) {
  return (
    <Box
      sx={{
        borderTop: 1,
        borderColor: "divider",
        py: 1,
        // shelved is hatched, wherever it is
        backgroundImage:
          row.status === "SHELVED"
            ? "repeating-linear-gradient(135deg, transparent 0 6px, rgba(128,128,128,0.12) 6px 7px)"
            : "none",
      }}
    >
      <Box sx={{ fontSize: 13, mb: row.status === "OPEN" ? 1 : 0 }}>
        <strong>Line {row.line}</strong>: {row.message}
      </Box>
      {row.status === "OPEN" ? <Mend row={row} /> : <Decided row={row} />}
    </Box>
  );
}

function Decided({ row }: { row: Row }) {
  const books = useBooks();
  const refresh = useRefresh();
  const back = useMutation({
    mutationFn: async () =>
      data(await api.DELETE("/api/left-out/{id}/shelving", { params: { path: { id: row.id } } })),
    onSettled: refresh,
  });
  const when = row.decidedAt ? atMoment(row.decidedAt) : "";
  return (
    <Box sx={{ fontSize: 13, color: "text.secondary", display: "flex", alignItems: "baseline", gap: 1.5 }}>
      {row.status === "PUT_RIGHT" ? (
        <>
          Put right by {row.decidedBy}, {when}.
          <Link component={RouterLink} to={`/arrived/intake/${row.becameIntakeId}`}>
            What it became
          </Link>
        </>
      ) : (
        <>
          Shelved by {row.decidedBy}, {when}: {row.note}
          {books.mayPost && (
            <Button disabled={back.isPending} onClick={() => back.mutate()} sx={{ py: 0 }}>
              Take it off the shelf
            </Button>
          )}
        </>
      )}
    </Box>
  );
}

function Mend({ row }: { row: Row }) {
  const books = useBooks();
  const refresh = useRefresh();
  const [cells, setCells] = useState(row.cells);
  const [why, setWhy] = useState<string>();
  const take = useMutation({
    mutationFn: async () =>
      data(
        await api.POST("/api/left-out/{id}/putting-right", {
          params: { path: { id: row.id } },
          body: { cells },
        }),
      ),
    onSuccess: refresh,
  });
  const shelve = useMutation({
    mutationFn: async () =>
      data(
        await api.POST("/api/left-out/{id}/shelving", {
          params: { path: { id: row.id } },
          body: { why: why ?? "" },
        }),
      ),
    onSuccess: refresh,
  });
  const columns = Math.max(row.headings.length, cells.length);
  const refused = take.error ?? shelve.error;
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
        {Array.from({ length: columns }, (_, n) => (
          <TextField
            key={n}
            label={row.headings[n] || `Column ${n + 1}`}
            value={cells[n] ?? ""}
            disabled={!books.mayPost}
            onChange={(event) => {
              const next = Array.from({ length: columns }, (_, k) => cells[k] ?? "");
              next[n] = event.target.value;
              setCells(next);
            }}
            slotProps={{ inputLabel: { shrink: true }, htmlInput: { className: "figure" } }}
            sx={{ width: Math.min(340, Math.max(110, (cells[n] ?? "").length * 9 + 30)) }}
          />
        ))}
      </Box>
      {books.mayPost && (
        <Box sx={{ display: "flex", gap: 1, mt: 1, alignItems: "center" }}>
          {why === undefined ? (
            <>
              <Button variant="contained" disabled={take.isPending} onClick={() => take.mutate()}>
                Take the line in
              </Button>
              <Button onClick={() => setWhy("")}>Shelve it…</Button>
            </>
          ) : (
            <>
              <TextField
                label="Why"
                autoFocus
                value={why}
                onChange={(event) => setWhy(event.target.value)}
                sx={{ width: 340 }}
              />
              <Button
                variant="contained"
                disabled={!why.trim() || shelve.isPending}
                onClick={() => shelve.mutate()}
              >
                Shelve it
              </Button>
              <Button onClick={() => setWhy(undefined)}>Not now</Button>
            </>
          )}
        </Box>
      )}
      {refused && (
        <Alert severity="error" variant="outlined" sx={{ mt: 1 }}>
          {refused.message}
        </Alert>
      )}
    </>
  );
}
