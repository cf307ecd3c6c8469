import { Box, Button, Table, TableBody, TableCell, TableHead, TableRow, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useSearchParams } from "react-router";
import { useBooks } from "../access/session";
import { api, data, type Schemas } from "../api/client";
import { count, onDay } from "../shared/dates";
import { Empty, Failed, Loading } from "../shared/States";
import { Reliability } from "./Reliability";
import { kindInWords } from "./words";

type Tally = Schemas["Tally"];

/** How often the first explanation was what people posted here: over time, by what it rested on, by what was said. */
export default function ScoreView() {
  const books = useBooks();
  const [params, setParams] = useSearchParams();
  const rehearsed = params.get("of") === "rehearsal";
  const score = useQuery({
    queryKey: ["score", books.company, books.currency, rehearsed],
    queryFn: async () =>
      data(
        await api.GET("/api/score", {
          params: { query: { company: books.company, currency: books.currency, rehearsed } },
        }),
      ),
  });
  return (
    <Box sx={{ p: 3, maxWidth: 1180 }}>
      <Typography variant="h1">How right it was, {books.currency}</Typography>
      <Box role="tablist" aria-label="What is counted" sx={{ display: "flex", gap: 0.5, ml: -1, my: 1 }}>
        {[
          { key: "", name: "As it stood there" },
          { key: "rehearsal", name: "Rehearsed" },
        ].map(({ key, name }) => (
          <Button
            key={key}
            role="tab"
            aria-selected={rehearsed === (key !== "")}
            color={rehearsed === (key !== "") ? "primary" : "inherit"}
            onClick={() => setParams(key ? { of: key } : {}, { replace: true })}
            sx={{ px: 1, fontWeight: rehearsed === (key !== "") ? 700 : 400 }}
          >
            {name}
          </Button>
        ))}
      </Box>
      {score.error && !score.data ? (
        <Failed error={score.error} retry={() => void score.refetch()} />
      ) : score.data ? (
        <Scored score={score.data} />
      ) : (
        <Loading rows={8} />
      )}
    </Box>
  );
}

function Scored({ score: s }: { score: Schemas["Scored"] }) {
  if (s.all.receipts === 0) {
    return (
      <Empty title={`Nothing was posted in the last ${s.days} days`}>
        As soon as receipts are posted, it shows how often the first explanation was right.
      </Empty>
    );
  }
  return (
    <>
      <Typography color="textSecondary" sx={{ maxWidth: 760, mb: 2 }}>
        {s.rehearsed
          ? `What would have been thought of the ${count(s.all.receipts, "receipt")} booked in the last ${s.days} days if they came together now, against what was posted.`
          : `What stood there first when ${count(s.all.receipts, "receipt")} were posted in the last ${s.days} days, against what was posted.`}
      </Typography>
      <Box sx={{ display: "flex", gap: 5, flexWrap: "wrap", mb: 2 }}>
        <Figure name="First explanation right" part={s.all.right} of={s.all.receipts} />
        <Figure name="Stood clear" part={s.all.clear} of={s.all.receipts} />
        <Figure name="Clear and right" part={s.all.clearRight} of={s.all.clear} />
        <Figure name="Clear and posted otherwise" part={s.all.clear - s.all.clearRight} of={s.all.clear} />
      </Box>
      <Box sx={{ display: "flex", gap: 5, flexWrap: "wrap", alignItems: "start" }}>
        <Box sx={{ flex: "1 1 420px", minWidth: 0 }}>
          <Groups
            name="What it rested on most"
            rows={s.kinds.map((k) => [kindInWords(k.code), k.tally] as const)}
          />
          <Groups name="Week from" rows={s.weeks.map((w) => [onDay(w.from), w.tally] as const)} />
        </Box>
        <Box>
          <Typography variant="h3">What was said, and what came</Typography>
          <Reliability groups={s.reliability} />
        </Box>
      </Box>
    </>
  );
}

function Figure({ name, part, of }: { name: string; part: number; of: number }) {
  return (
    <Box>
      <Typography variant="body2" color="textSecondary">
        {name}
      </Typography>
      <Box className="figure" sx={{ fontSize: 22, fontWeight: 700 }}>
        {of === 0 ? "–" : share(part, of)}
      </Box>
      <Typography variant="body2" color="textSecondary">
        {part.toLocaleString()} of {of.toLocaleString()}
      </Typography>
    </Box>
  );
}

function Groups({ name, rows }: { name: string; rows: (readonly [string, Tally])[] }) {
  return (
    <Table size="small" aria-label={name} sx={{ mb: 3, "& td, & th": { py: 0.4 } }}>
      <TableHead>
        <TableRow>
          <TableCell>{name}</TableCell>
          <TableCell align="right">Receipts</TableCell>
          <TableCell align="right">Right</TableCell>
          <TableCell align="right">Clear</TableCell>
          <TableCell align="right">of them wrong</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {rows.map(([what, t]) => (
          <TableRow key={what}>
            <TableCell>{what}</TableCell>
            <TableCell align="right" className="figure">
              {t.receipts.toLocaleString()}
            </TableCell>
            <TableCell align="right" className="figure">
              {share(t.right, t.receipts)}
            </TableCell>
            <TableCell align="right" className="figure">
              {t.clear.toLocaleString()}
            </TableCell>
            <TableCell align="right" className="figure">
              {(t.clear - t.clearRight).toLocaleString()}
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

/** A share as a percentage, never rounded up to all of it. */
function share(part: number, of: number): string {
  const tenths = Math.round((1000 * part) / of);
  return `${(Math.min(tenths, part < of ? 999 : 1000) / 10).toLocaleString()} %`;
}
