import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
} from "@mui/material";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Money } from "../api/client";
import { grouped, minor, typedAmount } from "../shared/money";
import { Choice } from "./Differences";
import { taking, type Draft, type Item } from "./drafts";
import { useChart, useCustomer, useRefresh } from "./queries";

/** The invoice that is missing, made from the receipt and applied at once; or like an earlier one, with another date and amount. */
export function NewInvoice({
  draft,
  customerId,
  like,
  on,
  change,
  close,
}: {
  draft: Draft;
  customerId: number;
  /** What is still to be explained. */
  like: Money;
  /** The day of the receipt. */
  on: string;
  change: (draft: Draft, numbers: Map<number, string>) => void;
  close: () => void;
}) {
  const chart = useChart(true);
  const account = useCustomer(customerId);
  const refresh = useRefresh();
  const [form, setForm] = useState({
    number: "",
    issuedOn: on,
    dueOn: on,
    amount: grouped(like),
    taxCode: "",
    terms: "",
    orderReference: "",
  });
  const put = (part: Partial<typeof form>) => setForm((before) => ({ ...before, ...part }));
  const amount = typedAmount(form.amount, like);
  const valid = amount !== null && minor(amount) > 0;
  const earlier = [...(account.data?.openItems ?? []), ...(account.data?.settledItems ?? [])].filter(
    (item) => item.kind === "INVOICE",
  );
  const copy = (item: Item | undefined) => {
    if (item) {
      const days = (Date.parse(item.dueOn) - Date.parse(item.issuedOn)) / 86_400_000;
      put({
        terms: item.terms,
        orderReference: item.orderReference,
        amount: grouped(item.total),
        dueOn: new Date(Date.parse(form.issuedOn) + days * 86_400_000).toISOString().slice(0, 10),
      });
    }
  };
  const write = useMutation({
    mutationFn: async (total: Money) => {
      const { number, issuedOn, dueOn, taxCode, terms, orderReference } = form;
      return data(
        await api.POST("/api/invoices", {
          body: { customerId, total, number, issuedOn, dueOn, taxCode, terms, orderReference },
        }),
      );
    },
    onSuccess: (written, total) => {
      const takes = minor(total) > minor(like) && minor(like) > 0 ? like : total;
      change(
        taking(draft, { id: written.itemId, open: takes, version: written.version } as Item),
        new Map([[written.itemId, written.number]]),
      );
      void refresh();
      close();
    },
  });
  return (
    <Dialog open onClose={close} maxWidth="sm" fullWidth>
      <DialogTitle>New invoice for {account.data?.name ?? "…"}</DialogTitle>
      <DialogContent>
        <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 2, pt: 1 }}>
          <Box sx={{ gridColumn: "1 / 3" }}>
            <Choice
              shown
              label="Like an earlier one"
              value=""
              options={[
                ["", earlier.length === 0 ? "there is none" : "choose to copy…"],
                ...earlier.map(
                  (item) => [String(item.id), `${item.number}  ${grouped(item.total)}`] as [string, string],
                ),
              ]}
              choose={(id) => copy(earlier.find((item) => String(item.id) === id))}
            />
          </Box>
          <TextField
            label="Number"
            placeholder="the next of our own"
            value={form.number}
            onChange={(event) => put({ number: event.target.value })}
            slotProps={{ inputLabel: { shrink: true }, htmlInput: { className: "figure", maxLength: 64 } }}
          />
          <TextField
            label="Amount, tax included"
            value={form.amount}
            autoFocus
            error={!valid}
            onChange={(event) => put({ amount: event.target.value })}
            onFocus={(event) => event.target.select()}
            slotProps={{ htmlInput: { className: "figure", style: { textAlign: "right" } } }}
          />
          <TextField
            label="Issued on"
            type="date"
            value={form.issuedOn}
            onChange={(event) => put({ issuedOn: event.target.value })}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <TextField
            label="Due on"
            type="date"
            value={form.dueOn}
            onChange={(event) => put({ dueOn: event.target.value })}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <Choice
            shown
            label="Tax in it"
            value={form.taxCode}
            options={[
              ["", "no tax"],
              ...(chart.data?.taxes
                .filter((t) => t.percent > 0)
                .map((t) => [t.code, t.name] as [string, string]) ?? []),
            ]}
            choose={(taxCode) => put({ taxCode })}
          />
          <TextField
            label="Order or reference"
            value={form.orderReference}
            onChange={(event) => put({ orderReference: event.target.value })}
            slotProps={{ htmlInput: { maxLength: 100 } }}
          />
          <TextField
            label="Terms"
            placeholder="2/10 net 30"
            value={form.terms}
            onChange={(event) => put({ terms: event.target.value })}
            slotProps={{ inputLabel: { shrink: true }, htmlInput: { maxLength: 40 } }}
          />
        </Box>
        {write.error && (
          <Alert severity="error" variant="outlined" sx={{ mt: 2 }}>
            {write.error.message}
          </Alert>
        )}
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={close}>
          Cancel
        </Button>
        <Button
          variant="contained"
          disabled={!valid || write.isPending || !form.issuedOn || !form.dueOn}
          onClick={() => amount && write.mutate(amount)}
        >
          Write it and take it
        </Button>
      </DialogActions>
    </Dialog>
  );
}
