import { Box, Button, MenuItem, TextField } from "@mui/material";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Schemas } from "../api/client";
import { useRefresh } from "../desk/queries";
import { AskDialog } from "../shared/AskDialog";
import { count } from "../shared/dates";
import { typedAmount } from "../shared/money";

type Account = Schemas["BankAccountView"];

interface Typed {
  bookedOn: string;
  amount: string;
  payerName: string;
  text: string;
}

/** Entries from a paper statement, of a bank that sends no files; kept like a file. */
export function TypeEntries({
  accounts,
  day,
  done,
  close,
}: {
  accounts: Account[];
  day: string;
  done: (intakeId: number) => void;
  close: () => void;
}) {
  const refresh = useRefresh();
  const [accountId, setAccountId] = useState(accounts[0]?.id ?? 0);
  const [rows, setRows] = useState<Typed[]>([{ bookedOn: day, amount: "", payerName: "", text: "" }]);
  const currency = accounts.find((account) => account.id === accountId)?.currency ?? "USD";
  const like = { amount: digitsLike(currency), currency };
  const filled = rows.filter((row) => row.amount.trim() !== "");
  const ready =
    filled.length > 0 && filled.every((row) => row.bookedOn !== "" && typedAmount(row.amount, like) !== null);
  const take = useMutation({
    mutationFn: async () =>
      data(
        await api.POST("/api/bank-accounts/{id}/typed-entries", {
          params: { path: { id: accountId } },
          body: {
            entries: filled.map((row) => ({
              bookedOn: row.bookedOn,
              amount: typedAmount(row.amount, like) ?? like,
              payerName: row.payerName,
              payerAccount: "",
              text: row.text,
            })),
          },
        }),
      ),
    onSuccess: async (intake) => {
      await refresh();
      done(intake.id);
    },
  });
  const put = (n: number, more: Partial<Typed>) =>
    setRows(rows.map((row, k) => (k === n ? { ...row, ...more } : row)));
  return (
    <AskDialog
      title="Type entries from a paper statement"
      wide
      doing={`Take ${count(filled.length, "entry", "entries")} in`}
      ready={ready && !take.isPending}
      go={() => take.mutate()}
      close={close}
      error={take.error}
      aside="Money to us is positive, money from us has a minus."
    >
      <TextField
        select
        label="Account"
        value={String(accountId)}
        onChange={(event) => setAccountId(Number(event.target.value))}
        sx={{ mb: 1.5, mt: 1, minWidth: 240 }}
      >
        {accounts.map((account) => (
          <MenuItem key={account.id} value={String(account.id)}>
            {account.name}
          </MenuItem>
        ))}
      </TextField>
      {rows.map((row, n) => (
        <Box key={n} sx={{ display: "flex", gap: 1, mb: 1 }}>
          <TextField
            label="Booked on"
            type="date"
            value={row.bookedOn}
            onChange={(event) => put(n, { bookedOn: event.target.value })}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <TextField
            label={`Amount, ${currency}`}
            value={row.amount}
            autoFocus={n === rows.length - 1}
            error={row.amount.trim() !== "" && typedAmount(row.amount, like) === null}
            onChange={(event) => put(n, { amount: event.target.value })}
            slotProps={{ htmlInput: { className: "figure", style: { textAlign: "right" } } }}
            sx={{ width: 140 }}
          />
          <TextField
            label="Payer"
            value={row.payerName}
            onChange={(event) => put(n, { payerName: event.target.value })}
            sx={{ flex: 1 }}
          />
          <TextField
            label="Text"
            value={row.text}
            onChange={(event) => put(n, { text: event.target.value })}
            sx={{ flex: 1 }}
          />
        </Box>
      ))}
      <Button
        onClick={() =>
          setRows([
            ...rows,
            { bookedOn: rows[rows.length - 1]?.bookedOn ?? day, amount: "", payerName: "", text: "" },
          ])
        }
      >
        Another one
      </Button>
    </AskDialog>
  );
}

/** Zero with the decimals of the currency. */
function digitsLike(currency: string): string {
  const { maximumFractionDigits = 2 } = new Intl.NumberFormat(undefined, {
    style: "currency",
    currency,
  }).resolvedOptions();
  return (0).toFixed(maximumFractionDigits);
}
