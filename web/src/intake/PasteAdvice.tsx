import { Box, TextField } from "@mui/material";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { useBooks } from "../access/session";
import { api, data } from "../api/client";
import { useRefresh } from "../desk/queries";
import { AskDialog } from "../shared/AskDialog";
import { ProblemLines } from "./ProblemLines";

/** A remittance advice out of a mail: kept like a file, and tied to its money now or when that comes. */
export function PasteAdvice({ done, close }: { done: (intakeId: number) => void; close: () => void }) {
  const books = useBooks();
  const refresh = useRefresh();
  const [text, setText] = useState("");
  const [trace, setTrace] = useState("");
  const [payerName, setPayerName] = useState("");
  const [paidOn, setPaidOn] = useState("");
  const [currency, setCurrency] = useState(books.currency);
  const paste = useMutation({
    mutationFn: async () =>
      data(
        await api.POST("/api/remittances/pasted", {
          params: { query: { company: books.company } },
          body: { text, trace, payerName, currency, paidOn: paidOn || undefined },
        }),
      ),
    onSuccess: async (intake) => {
      await refresh();
      done(intake.id);
    },
  });
  return (
    <AskDialog
      title="Paste a remittance advice"
      wide
      doing="Take it in"
      ready={text.trim() !== "" && currency.length === 3 && !paste.isPending}
      go={() => paste.mutate()}
      close={close}
      error={paste.error}
      aside="It finds its money by trace, amount and date, now or when that arrives."
    >
      <Box sx={{ display: "flex", gap: 1.5, mb: 1.5, mt: 1, flexWrap: "wrap" }}>
        <TextField label="Trace number" value={trace} onChange={(e) => setTrace(e.target.value)} />
        <TextField label="Payer" value={payerName} onChange={(e) => setPayerName(e.target.value)} />
        <TextField
          label="Paid on"
          type="date"
          value={paidOn}
          onChange={(e) => setPaidOn(e.target.value)}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <TextField
          label="Currency"
          value={currency}
          onChange={(e) => setCurrency(e.target.value.toUpperCase())}
          sx={{ width: 90 }}
        />
      </Box>
      <TextField
        label="A document and what is paid of it on each line"
        multiline
        minRows={7}
        maxRows={16}
        fullWidth
        autoFocus
        value={text}
        onChange={(e) => setText(e.target.value)}
        placeholder={"LM-0020448   1,225.70\nLM-0020479   1,600.00\nTotal   2,825.70"}
        slotProps={{ htmlInput: { className: "figure", style: { whiteSpace: "pre-wrap" } } }}
      />
      <ProblemLines error={paste.error} />
    </AskDialog>
  );
}
