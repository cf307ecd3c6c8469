import {
  Alert,
  Box,
  Button,
  FormControlLabel,
  Radio,
  RadioGroup,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
} from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useBooks } from "../access/session";
import { api, data, type Schemas } from "../api/client";
import { Amount } from "../shared/Amount";
import { AskDialog } from "../shared/AskDialog";
import { count, onDay } from "../shared/dates";
import { grouped, isNegative, isZero, minor, positive } from "../shared/money";
import type { Entry } from "./drafts";
import { useRefresh } from "./queries";

type One = Schemas["AdviceView"];

/** How an advice and its money found each other, in words. */
const TIED: Record<NonNullable<One["tiedBy"]>, string> = {
  TRACE: "its trace number stands in what the bank says",
  AMOUNT_AND_DATE: "amount and date agree",
  NAME: "amount, date and name agree",
  HAND: "tied by hand",
  FILE: "it was in the cheque’s envelope",
};

/** What the payer said of this money: his lines, and how his sum compares with what arrived. */
export function Advice({ entry, readOnly }: { entry: Entry; readOnly: boolean }) {
  return entry.advice ? (
    <Said entry={entry} advice={entry.advice} readOnly={readOnly} />
  ) : (
    <Loose entry={entry} readOnly={readOnly} />
  );
}

function Said({ entry, advice, readOnly }: { entry: Entry; advice: One; readOnly: boolean }) {
  const refresh = useRefresh();
  const untie = useMutation({
    mutationFn: async () =>
      data(await api.DELETE("/api/remittances/{id}/entry", { params: { path: { id: advice.id } } })),
    onSettled: refresh,
  });
  const { items } = advice;
  // what came in one envelope is about no other money
  const mailed = advice.tiedBy === "FILE";
  const more = items.some((item) => !isZero(item.discount) || !isZero(item.adjustment));
  return (
    <Box
      component="section"
      aria-label="What the payer says"
      sx={{ borderLeft: 3, borderColor: "primary.main", pl: 1.5 }}
    >
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 1, fontSize: 13 }}>
        <Box sx={{ flex: 1, minWidth: 0, overflowWrap: "anywhere" }}>
          <strong>{mailed ? "The slip in the envelope" : "The payer’s advice"}</strong>
          {!mailed && advice.paidOn && ` of ${onDay(advice.paidOn)}`}
          {advice.trace && (
            <>
              , trace <span className="figure">{advice.trace}</span>
            </>
          )}
          {!mailed && advice.payerName && ` from ${advice.payerName}`}
          <Box component="span" sx={{ color: "text.secondary" }}>
            {!mailed && advice.tiedBy && `; ${TIED[advice.tiedBy]}`}
          </Box>
        </Box>
        {!readOnly && !mailed && (
          <Button
            color="inherit"
            disabled={untie.isPending}
            onClick={() => untie.mutate()}
            sx={{ py: 0, minWidth: 0, whiteSpace: "nowrap", fontWeight: 400, color: "text.secondary" }}
          >
            Not this money
          </Button>
        )}
      </Box>
      <Box sx={{ maxHeight: 150, overflow: "auto" }} tabIndex={items.length > 4 ? 0 : undefined}>
        <Table size="small" aria-label="Lines of the advice" sx={{ "& td, & th": { py: 0.25, border: 0 } }}>
          {more && (
            <TableHead>
              <TableRow>
                <TableCell sx={{ pl: 0 }}>Document</TableCell>
                <TableCell align="right">Discount</TableCell>
                <TableCell>More or less</TableCell>
                <TableCell align="right" sx={{ pr: 0 }}>
                  Paid
                </TableCell>
              </TableRow>
            </TableHead>
          )}
          <TableBody>
            {items.map((item, n) => (
              <TableRow key={n}>
                <TableCell sx={{ pl: 0, overflowWrap: "anywhere" }} className="figure">
                  {item.reference}
                </TableCell>
                {more && (
                  <>
                    <TableCell align="right">
                      {!isZero(item.discount) && <Amount of={item.discount} />}
                    </TableCell>
                    <TableCell>
                      {!isZero(item.adjustment) && (
                        <>
                          <Amount of={item.adjustment} /> {item.reason}
                        </>
                      )}
                    </TableCell>
                  </>
                )}
                <TableCell align="right" sx={{ pr: 0 }}>
                  <Amount of={item.amount} />
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
      <Box sx={{ fontSize: 13, textAlign: "right" }}>{compared(advice, entry.arrivedMore)}</Box>
      {untie.error && (
        <Alert severity="error" variant="outlined">
          {untie.error.message}
        </Alert>
      )}
    </Box>
  );
}

/** The advice's own sum against the money, with the difference. */
export function compared(advice: One, arrivedMore: Entry["arrivedMore"]): string {
  const lines = count(advice.items.length, "line");
  const said = isZero(advice.unlisted)
    ? `${lines}: ${grouped(advice.sum)}`
    : `${lines}: ${grouped(advice.sum)}, though it says ${grouped(advice.total)} is paid`;
  if (!arrivedMore) {
    return said;
  }
  if (isZero(arrivedMore)) {
    return `${said}, which is what arrived`;
  }
  return `${said}; ${grouped(positive(arrivedMore))} ${isNegative(arrivedMore) ? "less" : "more"} arrived`;
}

/** Advice that waits for its money may be about this. */
function Loose({ entry, readOnly }: { entry: Entry; readOnly: boolean }) {
  const books = useBooks();
  const [asked, setAsked] = useState(false);
  const loose = useQuery({
    queryKey: ["remittances", books.company],
    enabled: !readOnly,
    queryFn: async () =>
      data(await api.GET("/api/remittances", { params: { query: { company: books.company } } })),
  });
  const fit = (loose.data ?? []).filter((advice) => advice.total.currency === entry.amount.currency);
  if (fit.length === 0 || readOnly) {
    return null;
  }
  return (
    <Box sx={{ fontSize: 13, color: "text.secondary", mt: -0.75 }}>
      {count(fit.length, "remittance advice", "remittance advices")} without money yet.{" "}
      <Button onClick={() => setAsked(true)} sx={{ py: 0 }}>
        Is one about this?…
      </Button>
      {asked && <Choose entry={entry} fit={fit} close={() => setAsked(false)} />}
    </Box>
  );
}

function Choose({ entry, fit, close }: { entry: Entry; fit: One[]; close: () => void }) {
  const refresh = useRefresh();
  const [chosen, setChosen] = useState("");
  const tie = useMutation({
    mutationFn: async () =>
      data(
        await api.PUT("/api/remittances/{id}/entry", {
          params: { path: { id: Number(chosen) } },
          body: { entryId: entry.id },
        }),
      ),
    onSuccess: async () => {
      await refresh();
      close();
    },
  });
  // the likeliest first; the order is all that is made of it
  const far = (advice: One) => Math.abs(minor(advice.sum) - minor(entry.amount));
  return (
    <AskDialog
      title={`Which advice is about ${grouped(entry.amount)} from ${entry.payer}?`}
      doing="It is this one"
      ready={chosen !== "" && !tie.isPending}
      go={() => tie.mutate()}
      close={close}
      error={tie.error}
      wide
    >
      <RadioGroup value={chosen} onChange={(event) => setChosen(event.target.value)}>
        {[...fit]
          .sort((a, b) => far(a) - far(b))
          .map((advice) => (
            <FormControlLabel
              key={advice.id}
              value={String(advice.id)}
              control={<Radio />}
              label={
                <>
                  <Amount of={advice.total} /> {advice.paidOn && `paid on ${onDay(advice.paidOn)} `}
                  {advice.payerName && `by ${advice.payerName} `}
                  <Box component="span" className="figure" sx={{ fontSize: 12, color: "text.secondary" }}>
                    {advice.trace}{" "}
                    {advice.items
                      .slice(0, 4)
                      .map((item) => item.reference)
                      .join(", ")}
                    {advice.items.length > 4 && " …"}
                  </Box>
                </>
              }
            />
          ))}
      </RadioGroup>
    </AskDialog>
  );
}
