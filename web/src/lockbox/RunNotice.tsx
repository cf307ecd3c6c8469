import { Alert, Button, Link } from "@mui/material";
import { Link as RouterLink } from "react-router";
import type { Schemas } from "../api/client";
import { useBooks } from "../access/session";
import { useSteerRun } from "../runs/queries";
import { inWords } from "../runs/words";
import { grouped } from "../shared/money";

type Run = Schemas["RunView"];

/** The run of a batch that waits or is at work, with what can be done about it. */
export function RunNotice({ runs }: { runs: Run[] }) {
  const run = runs.find((r) => r.state === "WAITS" || r.state === "RUNNING" || r.state === "STOPPED");
  return run ? <Notice run={run} /> : null;
}

function Notice({ run }: { run: Run }) {
  const books = useBooks();
  const steer = useSteerRun(run.id);
  const mine = run.by === books.user;
  const waits = run.state === "WAITS";
  return (
    <Alert
      severity="info"
      variant="outlined"
      icon={false}
      sx={{ mx: 2, my: 1, "& .MuiAlert-action": { pt: 0 } }}
      action={
        waits && (
          <>
            {run.needsRelease && !run.releasedBy && !mine && books.mayPost && (
              <Button disabled={steer.isPending} onClick={() => steer.mutate("release")}>
                Release
              </Button>
            )}
            {(mine || books.supervisor) && (
              <Button color="inherit" disabled={steer.isPending} onClick={() => steer.mutate("calling-off")}>
                Call it off
              </Button>
            )}
          </>
        )
      }
    >
      <Link component={RouterLink} to={`/posted/runs/${run.id}`}>
        Run {run.id}
      </Link>{" "}
      of {run.by}, {run.total.toLocaleString()} with {grouped(run.amount)}: {inWords(run)}
      {steer.error && <div>{steer.error.message}</div>}
    </Alert>
  );
}
