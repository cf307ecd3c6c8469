import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { useBooks } from "../access/session";
import type { Schemas } from "../api/client";
import { AskDialog } from "../shared/AskDialog";
import { ColumnHead, ColumnLine } from "../shared/Columns";
import { atMoment, onDayOfYear } from "../shared/dates";
import { Failed, Loading } from "../shared/States";
import { useClosePeriod, useNotTiedOut, usePeriods, useReopenPeriod } from "./queries";

type Period = Schemas["PeriodView"];

const COLUMNS = "160px 1fr auto";

/** Up to which day nothing is posted any more, who closed it, and how the last is opened again. */
export default function ClosedPeriodsView() {
  const books = useBooks();
  const periods = usePeriods();
  const [asking, setAsking] = useState<"close" | Period | null>(null);
  if (periods.error) {
    return <Failed error={periods.error} retry={() => void periods.refetch()} />;
  }
  if (!periods.data) {
    return <Loading rows={4} />;
  }
  const last = periods.data.periods.find((p) => !p.reopenedAt);
  return (
    <Box sx={{ p: 3, maxWidth: 860 }}>
      <Typography variant="h1">Closed periods</Typography>
      <Typography sx={{ mb: 2, maxWidth: 700 }}>
        {last
          ? `Everything up to ${onDayOfYear(last.until)} is closed.`
          : "No period is closed: every day can be posted on."}{" "}
        What is posted for a closed day goes to the first day that is open, and its journal entry says of
        which day it is.
      </Typography>
      {books.supervisor && (
        <Button variant="contained" onClick={() => setAsking("close")} sx={{ mb: 2 }}>
          Close a period…
        </Button>
      )}
      {periods.data.periods.length > 0 && (
        <>
          <ColumnHead columns={COLUMNS}>
            <span>Up to</span>
            <span>By whom</span>
            <span />
          </ColumnHead>
          {periods.data.periods.map((period) => (
            <ColumnLine key={period.id} columns={COLUMNS}>
              <span>{onDayOfYear(period.until)}</span>
              <span>
                {period.closedBy}, {atMoment(period.closedAt)}
                {period.reopenedBy && (
                  <Box component="span" sx={{ color: "text.secondary" }}>
                    {" "}
                    · opened again by {period.reopenedBy}, {atMoment(period.reopenedAt ?? "")}:{" "}
                    {period.reopenedWhy}
                  </Box>
                )}
              </span>
              {books.supervisor && period === last ? (
                <Button size="small" onClick={() => setAsking(period)}>
                  Open again…
                </Button>
              ) : (
                <span />
              )}
            </ColumnLine>
          ))}
        </>
      )}
      {asking === "close" && <ClosePeriod close={() => setAsking(null)} />}
      {asking !== null && asking !== "close" && <OpenPeriod period={asking} close={() => setAsking(null)} />}
    </Box>
  );
}

function ClosePeriod({ close }: { close: () => void }) {
  const closing = useClosePeriod();
  const [until, setUntil] = useState("");
  const open = useNotTiedOut(until).data?.accounts ?? [];
  return (
    <AskDialog
      title="Close everything up to a day"
      doing={until === "" ? "Close it" : `Close up to ${onDayOfYear(until)}`}
      ready={until !== "" && !closing.isPending}
      go={() => closing.mutate(until, { onSuccess: close })}
      close={close}
      error={closing.error}
    >
      <TextField
        type="date"
        label="The last closed day"
        value={until}
        onChange={(event) => setUntil(event.target.value)}
        slotProps={{ inputLabel: { shrink: true } }}
        sx={{ mt: 1 }}
      />
      {until !== "" && open.length > 0 && (
        <Alert severity="warning" variant="outlined" icon={false} sx={{ mt: 2 }}>
          Not tied out up to that day: {open.join(", ")}. It can be closed all the same.
        </Alert>
      )}
    </AskDialog>
  );
}

function OpenPeriod({ period, close }: { period: Period; close: () => void }) {
  const reopen = useReopenPeriod();
  const [reason, setReason] = useState("");
  return (
    <AskDialog
      title={`Open the days up to ${onDayOfYear(period.until)} again?`}
      doing="Open them"
      ready={reason.trim() !== "" && !reopen.isPending}
      go={() => reopen.mutate({ id: period.id, reason: reason.trim() }, { onSuccess: close })}
      close={close}
      error={reopen.error}
    >
      <TextField
        label="Why"
        fullWidth
        autoFocus
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        slotProps={{ htmlInput: { maxLength: 400 } }}
        sx={{ mt: 1 }}
      />
    </AskDialog>
  );
}
