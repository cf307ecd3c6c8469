import { Box, TextField } from "@mui/material";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Money } from "../api/client";
import { AskDialog } from "../shared/AskDialog";
import { Choice } from "../shared/Choice";
import { FigureField } from "../shared/FigureField";
import { grouped, minor, typedAmount } from "../shared/money";
import { taking, type Draft } from "./drafts";
import { taxOptions, useChart, useCustomer, useRefresh } from "./queries";

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
  const copy = useMutation({
    mutationFn: async (itemId: number) =>
      data(
        await api.GET("/api/invoices/like/{itemId}", {
          params: { path: { itemId }, query: { issuedOn: form.issuedOn } },
        }),
      ),
    onSuccess: ({ total, dueOn, taxCode, terms, orderReference }) =>
      put({ amount: grouped(total), dueOn, taxCode, terms, orderReference }),
  });
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
      change(
        taking(draft, { id: written.itemId, open: total, version: written.version }),
        new Map([[written.itemId, written.number]]),
      );
      void refresh();
      close();
    },
  });
  return (
    <AskDialog
      title={`New invoice for ${account.data?.name ?? "…"}`}
      error={write.error ?? copy.error}
      doing="Write it and take it"
      ready={valid && !write.isPending && form.issuedOn !== "" && form.dueOn !== ""}
      go={() => amount && write.mutate(amount)}
      close={close}
    >
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
            choose={(id) => id && copy.mutate(Number(id))}
          />
        </Box>
        <TextField
          label="Number"
          placeholder="the next of our own"
          value={form.number}
          onChange={(event) => put({ number: event.target.value })}
          slotProps={{ inputLabel: { shrink: true }, htmlInput: { className: "figure", maxLength: 64 } }}
        />
        <FigureField
          label="Amount, tax included"
          text={form.amount}
          type={(typed) => put({ amount: typed })}
          valid={valid}
          autoFocus
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
          options={taxOptions(chart.data, "no tax")}
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
    </AskDialog>
  );
}
