import { Alert, Box, Button, LinearProgress, Link, Typography } from "@mui/material";
import { useEffect, useRef, useState } from "react";
import { Link as RouterLink, useParams } from "react-router";
import { useBooks } from "../access/session";
import { useRefresh } from "../desk/queries";
import { Amount } from "../shared/Amount";
import { ColumnLine } from "../shared/Columns";
import { atMoment } from "../shared/dates";
import { PagedList } from "../shared/PagedList";
import { Failed, Loading } from "../shared/States";
import { useRun, useRunLines, useSteerRun, type LineState, type Run, type RunLine } from "./queries";
import { inWords } from "./words";

const COLUMNS = "56px minmax(180px, 280px) 120px 1fr";

const SHOWN: [LineState | undefined, string][] = [
  [undefined, "All"],
  ["REFUSED", "Refused"],
  ["PENDING", "Left"],
];

/** One run: how far it is, what became of each line, and the way to stop or continue it. */
export default function RunView() {
  const id = Number(useParams().runId);
  const books = useBooks();
  const refresh = useRefresh();
  const run = useRun(id);
  const [shown, setShown] = useState<LineState | undefined>(undefined);
  const running = run.data?.state === "RUNNING";
  const lines = useRunLines(id, shown, running);
  const steer = useSteerRun(id);
  const ended = run.data && !running;
  const onward = useRef<HTMLAnchorElement>(null);
  const { refetch } = lines;
  useEffect(() => {
    if (ended) {
      void refetch();
      void refresh();
      // whoever works by keyboard goes on with Enter, unless he is somewhere else already
      if (document.activeElement === document.body) {
        onward.current?.focus();
      }
    }
    // once it has ended, everything it may have changed is fetched anew
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [ended]);

  if (run.error && !run.data) {
    return <Failed error={run.error} retry={() => void run.refetch()} />;
  }
  if (!run.data) {
    return <Loading />;
  }
  const r = run.data;
  const mine = r.by === books.user || books.supervisor;
  return (
    <Box sx={{ height: "100%", display: "flex", flexDirection: "column" }}>
      <Box sx={{ px: 3, pt: 2 }}>
        <Box sx={{ display: "flex", alignItems: "center", gap: 2 }}>
          <Typography variant="h1">Run {r.id}</Typography>
          <Typography variant="body2" color="textSecondary" sx={{ flex: 1 }}>
            by {r.by}, {atMoment(r.startedAt)}
            {r.endedAt && `, ended ${atMoment(r.endedAt)}`}
          </Typography>
          {running && mine && (
            <Button
              variant="outlined"
              disabled={r.stopping || steer.isPending}
              onClick={() => steer.mutate("stopping")}
            >
              {r.stopping ? "Stopping" : "Stop"}
            </Button>
          )}
          {r.state === "DONE" && (
            <Button
              variant="outlined"
              component={RouterLink}
              to={r.lockboxBatchId ? `/waiting/lockbox/${r.lockboxBatchId}` : "/waiting/desk"}
              ref={onward}
            >
              {r.lockboxBatchId ? "To the batch" : "To the desk"}
            </Button>
          )}
          {r.state === "WAITS" && r.needsRelease && !r.releasedBy && r.by !== books.user && books.mayPost && (
            <Button variant="contained" disabled={steer.isPending} onClick={() => steer.mutate("release")}>
              Release
            </Button>
          )}
          {r.state === "WAITS" && mine && (
            <Button variant="outlined" disabled={steer.isPending} onClick={() => steer.mutate("calling-off")}>
              Call it off
            </Button>
          )}
          {r.state === "STOPPED" && mine && (
            <Button variant="contained" disabled={steer.isPending} onClick={() => steer.mutate("continuing")}>
              Continue with {(r.total - r.posted - r.refused).toLocaleString()}
            </Button>
          )}
        </Box>
        <Progress run={r} />
        {steer.error && (
          <Alert severity="error" variant="outlined" sx={{ mt: 1 }}>
            {steer.error.message}
          </Alert>
        )}
      </Box>
      <Box sx={{ flex: 1, minHeight: 0 }}>
        <PagedList
          label="Lines of the run"
          aside={
            <Box role="group" aria-label="Which lines" sx={{ display: "flex", gap: 0.5, ml: -1 }}>
              {SHOWN.map(([state, name]) => (
                <Button
                  key={name}
                  color={state === shown ? "primary" : "inherit"}
                  aria-pressed={state === shown}
                  onClick={() => setShown(state)}
                  sx={{ fontWeight: state === shown ? 700 : 400, minWidth: 0, px: 1 }}
                >
                  {name}
                  {state === "REFUSED" && ` ${r.refused.toLocaleString()}`}
                  {state === "PENDING" && ` ${(r.total - r.posted - r.refused).toLocaleString()}`}
                </Button>
              ))}
            </Box>
          }
          head={<Box sx={{ borderBottom: 1, borderColor: "divider" }} />}
          rows={lines.data?.pages.flatMap((page) => page.rows)}
          rowKey={(line) => line.position}
          estimate={33}
          error={lines.error}
          retry={() => void lines.refetch()}
          hasMore={lines.hasNextPage}
          loading={lines.isFetchingNextPage}
          loadMore={() => void lines.fetchNextPage()}
          empty={shown === "REFUSED" ? "Nothing was refused" : "Nothing is left"}
          row={(line) => <Line line={line} />}
        />
      </Box>
    </Box>
  );
}

function Progress({ run }: { run: Run }) {
  const done = run.posted + run.refused;
  return (
    <Box sx={{ mt: 1.5, mb: 0.5 }}>
      <LinearProgress
        variant="determinate"
        value={run.total === 0 ? 100 : (100 * done) / run.total}
        aria-label="How far the run is"
        sx={{ height: 8, bgcolor: "divider", "& .MuiLinearProgress-bar": { bgcolor: "settled" } }}
      />
      <Box sx={{ display: "flex", justifyContent: "space-between", mt: 0.5 }}>
        <Typography role="status" sx={{ fontSize: 14 }}>
          {inWords(run)}
        </Typography>
        <Typography sx={{ fontSize: 14 }}>
          <Amount of={run.postedAmount} /> of <Amount of={run.amount} /> {run.amount.currency}
        </Typography>
      </Box>
    </Box>
  );
}

function Line({ line }: { line: RunLine }) {
  return (
    <ColumnLine columns={COLUMNS}>
      <Box className="figure" sx={{ color: "text.secondary" }}>
        {line.position}
      </Box>
      <Box sx={{ overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" }}>{line.payer}</Box>
      <Box sx={{ textAlign: "right" }}>
        <Amount of={line.amount} />
      </Box>
      <Box sx={{ color: line.state === "PENDING" ? "text.secondary" : undefined }}>
        {line.state === "PENDING" && "not yet"}
        {line.state === "POSTED" && (
          <>
            posted as{" "}
            <Link component={RouterLink} to={`/posted/settlements/${line.settlementId}`}>
              settlement {line.settlementId}
            </Link>
          </>
        )}
        {line.state === "REFUSED" && (
          <>
            {line.refusal}{" "}
            <Link component={RouterLink} to={`/waiting/desk/${line.entryId}`}>
              Look at it
            </Link>
          </>
        )}
      </Box>
    </ColumnLine>
  );
}
