import { Box, Table, TableBody, TableCell, TableHead, TableRow, Typography } from "@mui/material";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useBooks } from "../access/session";
import { api, data, type Schemas } from "../api/client";
import { count } from "../shared/dates";
import { Failed, Loading } from "../shared/States";
import { STANDING_WORD, StandingGlyph } from "../tally/StandingGlyph";

type Policy = Schemas["PolicyView"];
type Effect = Schemas["Effect"];

/** What somebody types is looked at once he pauses so long, in milliseconds. */
const PAUSE = 600;

/** What a policy would change before it is decided: what waits, and what was posted in the last days. */
export function PolicyEffect({ policy }: { policy: Policy }) {
  const books = useBooks();
  const [looked, setLooked] = useState(policy);
  useEffect(() => {
    const later = setTimeout(() => setLooked(policy), PAUSE);
    return () => clearTimeout(later);
  }, [policy]);
  const effect = useQuery({
    queryKey: ["policy-effect", books.company, looked],
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: async () =>
      data(
        await api.POST("/api/policies/{currency}/effect", {
          params: { path: { currency: looked.currency }, query: { company: books.company } },
          body: looked,
        }),
      ),
  });
  return (
    <Box component="section" aria-label="What it would change" sx={{ mt: 3, maxWidth: 760 }}>
      <Typography variant="h3">What it would change</Typography>
      {effect.error ? (
        <Failed error={effect.error} retry={() => void effect.refetch()} />
      ) : effect.data ? (
        <Box
          sx={{ opacity: effect.isFetching || looked !== policy ? 0.55 : 1 }}
          aria-busy={effect.isFetching}
        >
          <Effects effect={effect.data} />
        </Box>
      ) : (
        <Loading rows={3} />
      )}
    </Box>
  );
}

function Effects({ effect: e }: { effect: Effect }) {
  const posted = e.now.clearRight + e.now.clearWrong + e.now.byHand;
  return (
    <>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }} role="status">
        {e.changing === 0
          ? "Nothing that waits would stand otherwise."
          : `${count(e.changing, "entry", "entries")} that ${e.changing === 1 ? "waits" : "wait"} would stand otherwise.`}
      </Typography>
      <Table size="small" aria-label="Before and after" sx={{ "& td, & th": { py: 0.4 } }}>
        <TableHead>
          <TableRow>
            <TableCell>Waiting</TableCell>
            <TableCell align="right">Now</TableCell>
            <TableCell align="right">Then</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {e.waiting.map((s) => (
            <TableRow key={s.standing}>
              <TableCell>
                <Box sx={{ display: "flex", alignItems: "center", gap: 0.75 }}>
                  <StandingGlyph standing={s.standing} />
                  {STANDING_WORD[s.standing]}
                </Box>
              </TableCell>
              <Pair now={s.now} then={s.then} />
            </TableRow>
          ))}
        </TableBody>
        <TableHead>
          <TableRow>
            <TableCell sx={{ pt: 2 }}>
              Posted in the last {e.days} days, {count(posted, "receipt")}
            </TableCell>
            <TableCell />
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          <TableRow>
            <TableCell>would have been clear, and right</TableCell>
            <Pair now={e.now.clearRight} then={e.then.clearRight} />
          </TableRow>
          <TableRow>
            <TableCell>would have been clear, and was posted otherwise</TableCell>
            <Pair now={e.now.clearWrong} then={e.then.clearWrong} />
          </TableRow>
          <TableRow>
            <TableCell>would have been left to a hand</TableCell>
            <Pair now={e.now.byHand} then={e.then.byHand} />
          </TableRow>
        </TableBody>
      </Table>
    </>
  );
}

function Pair({ now, then }: { now: number; then: number }) {
  return (
    <>
      <TableCell align="right" className="figure">
        {now.toLocaleString()}
      </TableCell>
      <TableCell align="right" className="figure" sx={{ fontWeight: now === then ? 400 : 700 }}>
        {then.toLocaleString()}
      </TableCell>
    </>
  );
}
