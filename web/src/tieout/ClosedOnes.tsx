import { Box, Button, Link, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { useBooks } from "../access/session";
import { Amount } from "../shared/Amount";
import { AskDialog } from "../shared/AskDialog";
import { ColumnHead, ColumnLine } from "../shared/Columns";
import { atMoment, onDayOfYear } from "../shared/dates";
import { Failed, Loading } from "../shared/States";
import { Ladders } from "./Ladders";
import { useClosedTieOut, useReopenTieOut, type Account, type Closed } from "./queries";

const COLUMNS = "130px 150px 1fr auto";

/** What was closed of an account, as it was, and how the last one is opened again. */
export function ClosedOnes({ account }: { account: Account }) {
  const books = useBooks();
  const [shown, setShown] = useState<number>();
  const [reopened, setReopened] = useState<Closed | null>(null);
  if (account.closed.length === 0) {
    return null;
  }
  const last = account.closed.find((c) => !c.reopenedAt);
  return (
    <Box component="section" aria-label="Closed before" sx={{ mt: 4 }}>
      <Typography variant="h3">Closed before</Typography>
      <ColumnHead columns={COLUMNS}>
        <span>At the end of</span>
        <Box sx={{ textAlign: "right" }}>The bank showed</Box>
        <span>By whom</span>
        <span />
      </ColumnHead>
      {account.closed.map((one) => (
        <Box key={one.id}>
          <ColumnLine columns={COLUMNS}>
            <span>{onDayOfYear(one.asOf)}</span>
            <Box sx={{ textAlign: "right" }}>
              <Amount of={one.statement} />
            </Box>
            <span>
              {one.closedBy}, {atMoment(one.closedAt)}
              {one.reopenedBy && (
                <Box component="span" sx={{ color: "text.secondary" }}>
                  {" "}
                  · reopened by {one.reopenedBy}, {atMoment(one.reopenedAt ?? "")}: {one.reopenedWhy}
                </Box>
              )}
            </span>
            <Box sx={{ display: "flex", gap: 1, alignItems: "baseline" }}>
              <Link href={`/api/tie-outs/${one.id}/paper`} target="_blank">
                PDF
              </Link>
              <Button
                size="small"
                onClick={() => setShown(shown === one.id ? undefined : one.id)}
                aria-expanded={shown === one.id}
              >
                {shown === one.id ? "Fold" : "As it was"}
              </Button>
              {books.supervisor && one === last && (
                <Button size="small" onClick={() => setReopened(one)}>
                  Reopen…
                </Button>
              )}
            </Box>
          </ColumnLine>
          {shown === one.id && <AsItWas id={one.id} />}
        </Box>
      ))}
      {reopened && <ReopenDialog one={reopened} close={() => setReopened(null)} />}
    </Box>
  );
}

function AsItWas({ id }: { id: number }) {
  const closed = useClosedTieOut(id);
  if (closed.error) {
    return <Failed error={closed.error} retry={() => void closed.refetch()} />;
  }
  return closed.data ? <Ladders figures={closed.data.figures} /> : <Loading rows={4} />;
}

function ReopenDialog({ one, close }: { one: Closed; close: () => void }) {
  const reopen = useReopenTieOut();
  const [reason, setReason] = useState("");
  return (
    <AskDialog
      title={`Reopen the tie-out of ${onDayOfYear(one.asOf)}?`}
      doing="Reopen it"
      ready={reason.trim() !== "" && !reopen.isPending}
      go={() => reopen.mutate({ id: one.id, reason: reason.trim() }, { onSuccess: close })}
      close={close}
      error={reopen.error}
    >
      <Typography sx={{ mb: 2 }}>
        Its days can be booked on again. That it was closed, by whom and why it was reopened is kept.
      </Typography>
      <TextField
        label="Why"
        fullWidth
        autoFocus
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        slotProps={{ htmlInput: { maxLength: 400 } }}
      />
    </AskDialog>
  );
}
