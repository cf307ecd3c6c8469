import { Alert, Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { useBooks } from "../access/session";
import { Amount } from "../shared/Amount";
import { AskDialog } from "../shared/AskDialog";
import { count, onDay } from "../shared/dates";
import { useBookReady, useReady } from "./queries";

/** What house rules have ready: booked all at once, after one look at the list. */
export function ReadyByRule() {
  const books = useBooks();
  const ready = useReady().data ?? [];
  const book = useBookReady();
  const [asking, setAsking] = useState(false);
  const left = book.data?.left ?? [];
  return (
    <>
      {books.mayPost && ready.length > 0 && (
        <Button variant="contained" onClick={() => setAsking(true)} sx={{ m: 2, mt: 0 }}>
          Book {ready.length} that house rules have ready…
        </Button>
      )}
      {left.length > 0 && !asking && (
        <Alert severity="warning" variant="outlined" icon={false} sx={{ m: 2, mt: 0 }}>
          {count(left.length, "entry", "entries")} left alone: {left[0]?.reason}
        </Alert>
      )}
      {asking && (
        <AskDialog
          title="What house rules have ready"
          doing={`Book ${ready.length}`}
          ready={ready.length > 0 && !book.isPending}
          go={() =>
            book.mutate(
              ready.map((r) => r.entryId),
              { onSuccess: () => setAsking(false) },
            )
          }
          close={() => setAsking(false)}
          error={book.error}
        >
          <Typography sx={{ mb: 1 }}>
            All within their cap, of nobody who has something open. Each can be taken back by itself.
          </Typography>
          {ready.map((one) => (
            <Box
              key={one.entryId}
              sx={{
                display: "grid",
                gridTemplateColumns: "60px 1fr 150px 90px",
                gap: 1,
                py: 0.5,
                borderBottom: 1,
                borderColor: "divider",
              }}
            >
              <span>{onDay(one.on)}</span>
              <span>{one.text || one.counterparty}</span>
              <Box component="span" sx={{ color: "text.secondary" }}>
                {one.treatment}
              </Box>
              <Amount of={one.amount} sx={{ textAlign: "right" }} />
            </Box>
          ))}
        </AskDialog>
      )}
    </>
  );
}
