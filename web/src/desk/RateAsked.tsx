import { Alert, Button } from "@mui/material";
import { useState } from "react";
import { useSession } from "../access/session";
import { Refusal } from "../api/client";
import { useFetchRates } from "../rates/queries";
import { TypeRate } from "../rates/TypeRate";

/** A draft that needs a rate which nobody knows yet: the clerk gets it or types it; none is guessed. */
export function RateAsked({ error, mayChange }: { error: Error | null; mayChange: boolean }) {
  const session = useSession();
  const [typing, setTyping] = useState(false);
  const fetching = useFetchRates();
  if (!(error instanceof Refusal) || error.code !== "RATE_MISSING") {
    return null;
  }
  const { from = "", to = "", on = "" } = error.about;
  return (
    <Alert
      severity="warning"
      variant="outlined"
      icon={false}
      sx={{ mt: 1 }}
      action={
        mayChange ? (
          <>
            <Button
              color="inherit"
              disabled={fetching.isPending}
              onClick={() => fetching.mutate({ from: on, until: on })}
            >
              Get it
            </Button>
            <Button color="inherit" onClick={() => setTyping(true)}>
              Type it…
            </Button>
          </>
        ) : undefined
      }
    >
      {error.message}
      {fetching.data && fetching.data.fresh === 0 && <div>The rate service has none for that day.</div>}
      {fetching.error && <div>{fetching.error.message}</div>}
      {typing && (
        <TypeRate
          from={from}
          to={to}
          on={on}
          today={session.data?.businessDate ?? on}
          close={() => setTyping(false)}
        />
      )}
    </Alert>
  );
}
