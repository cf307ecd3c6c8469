import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { useBooks } from "../access/session";
import { onDayOfYear } from "../shared/dates";
import { FigureField } from "../shared/FigureField";
import { grouped, typedAmount, zero } from "../shared/money";
import { useSayOpening, type Account } from "./queries";

/** Asks what stood on an account when the books began with it; without that nothing can agree. */
export function Opening({ account }: { account: Account }) {
  const books = useBooks();
  const say = useSayOpening(account.bankAccountId);
  const suggested = account.openingSuggested;
  const [on, setOn] = useState(suggested?.on ?? "");
  const [text, setText] = useState(suggested?.amount.amount ?? "");
  const balance = typedAmount(text, zero(account.currency));
  return (
    <Box component="section" aria-label="Opening balance" sx={{ maxWidth: 720 }}>
      <Typography variant="h3">What stood there when the books began?</Typography>
      <Typography sx={{ mb: 2 }}>
        These books do not know yet what was on this account before its first entry.
        {suggested &&
          ` By its first statement it was ${grouped(suggested.amount)} at the end of ${onDayOfYear(suggested.on)}.`}
      </Typography>
      {books.supervisor ? (
        <Box sx={{ display: "flex", gap: 1.5, alignItems: "start" }}>
          <TextField
            type="date"
            label="At the end of"
            value={on}
            onChange={(event) => setOn(event.target.value)}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <FigureField
            label="Opening balance"
            text={text}
            type={setText}
            valid={text === "" || balance !== null}
            width={190}
          />
          <Button
            variant="contained"
            disabled={on === "" || balance === null || say.isPending}
            onClick={() => balance && say.mutate({ on, balance })}
          >
            Begin with it
          </Button>
        </Box>
      ) : (
        <Typography color="textSecondary">A supervisor says it once.</Typography>
      )}
      {say.error && (
        <Alert severity="error" variant="outlined" sx={{ mt: 2 }}>
          {say.error.message}
        </Alert>
      )}
    </Box>
  );
}
