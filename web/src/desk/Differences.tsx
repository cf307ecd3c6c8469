import { Box, Button, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { useBooks } from "../access/session";
import { KEPT, type Reason } from "../settle/words";
import { useOfferedReasons } from "../settle/reasons";
import type { Money } from "../api/client";
import { Amount } from "../shared/Amount";
import { Choice } from "../shared/Choice";
import { FigureField } from "../shared/FigureField";
import { grouped, minor, negated, positive, typedAmount } from "../shared/money";
import { withDifferences, type Difference, type Draft } from "./drafts";
import { taxOptions, useChart } from "./queries";

const TAXED = ["BANK_FEE", "PROCESSING_FEE", "TO_ACCOUNT"];

/** What explains the difference, line by line: each amount can be typed, each with its reason, tax or account. */
export function Differences({
  draft,
  change,
  readOnly,
}: {
  draft: Draft;
  change: (draft: Draft) => void;
  readOnly: boolean;
}) {
  const chart = useChart(draft.adjustments.some((a) => TAXED.includes(a.kind)));
  const kept = draft.onAccount && minor(draft.onAccount) > 0 ? draft.onAccount : undefined;
  if (draft.adjustments.length === 0 && !kept) {
    return null;
  }
  const put = (at: number, difference: Difference | null) =>
    change(
      withDifferences(
        draft,
        draft.adjustments.flatMap((a, n) => (n === at ? (difference ? [difference] : []) : [a])),
      ),
    );
  return (
    <Box component="section" aria-label="Differences">
      {draft.adjustments.length > 0 && (
        <Typography variant="body2" color="textSecondary">
          Differences
        </Typography>
      )}
      {draft.adjustments.map((difference, at) => (
        <Line
          key={`${at} ${difference.kind} ${difference.amount.amount}`}
          difference={difference}
          put={(d) => put(at, d)}
          readOnly={readOnly}
          chart={chart.data}
        />
      ))}
      {kept && (
        <Prepaid
          key={draft.onAccountFor ?? ""}
          amount={kept}
          order={draft.onAccountFor ?? ""}
          put={(order) => change({ ...draft, onAccountFor: order || undefined })}
          readOnly={readOnly}
        />
      )}
    </Box>
  );
}

/** What stays on account, and the order for which it is a prepayment, where it is for one. */
function Prepaid({
  amount,
  order,
  put,
  readOnly,
}: {
  amount: Money;
  order: string;
  put: (order: string) => void;
  readOnly: boolean;
}) {
  const [text, setText] = useState(order);
  return (
    <Box sx={{ display: "flex", alignItems: "center", gap: 1, py: 0.25, fontSize: 13 }}>
      <Box sx={{ flex: 1 }}>
        <Amount of={amount} /> on account
      </Box>
      <TextField
        placeholder="prepayment for order…"
        value={text}
        disabled={readOnly}
        onChange={(event) => setText(event.target.value)}
        onBlur={() => text.trim() !== order && put(text.trim())}
        onKeyDown={(event) => event.key === "Enter" && text.trim() !== order && put(text.trim())}
        slotProps={{ htmlInput: { "aria-label": "Prepayment for order", maxLength: 60 } }}
        sx={{ width: 190 }}
      />
    </Box>
  );
}

function Line({
  difference: d,
  put,
  readOnly,
  chart,
}: {
  difference: Difference;
  put: (difference: Difference | null) => void;
  readOnly: boolean;
  chart: ReturnType<typeof useChart>["data"];
}) {
  const reasons = useOfferedReasons();
  const name = KEPT[d.kind];
  const whose = useBooks().group.find((c) => c.id === d.companyId);
  const [text, setText] = useState(grouped(positive(d.amount)));
  const amount = typedAmount(text, d.amount);
  const valid = amount !== null && minor(amount) > 0;
  const settle = () => {
    if (valid && minor(amount) !== Math.abs(minor(d.amount))) {
      put({ ...d, amount: minor(d.amount) < 0 ? negated(amount) : amount, tax: undefined });
    }
  };
  const account = chart?.accounts.find((a) => a.id === d.accountId);
  return (
    <Box sx={{ display: "flex", alignItems: "center", gap: 1, py: 0.25, fontSize: 13 }}>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        {d.kind === "TO_ACCOUNT" && account ? `to ${account.code} ${account.name}` : name}
        {d.kind === "WRITE_OFF" && minor(d.amount) < 0 && " in our favour"}
        {whose && <Box sx={{ fontSize: 12, color: "text.secondary" }}>of {whose.name}</Box>}
      </Box>
      {d.kind === "CLAIM" && (
        <Choice
          label={`Reason of the ${name}`}
          value={d.reason ?? "OTHER"}
          disabled={readOnly}
          options={reasons}
          choose={(reason) => put({ ...d, reason: reason as Reason })}
        />
      )}
      {TAXED.includes(d.kind) && (chart?.taxes.length ?? 0) > 1 && (
        <Choice
          label={`Tax in the ${name}`}
          value={d.taxCode ?? ""}
          disabled={readOnly}
          options={taxOptions(
            chart,
            d.tax && minor(d.tax) !== 0 ? `tax ${grouped(positive(d.tax))}` : "no tax",
          )}
          choose={(code) => put({ ...d, taxCode: code || undefined, tax: undefined })}
        />
      )}
      {(d.kind === "WRITE_OFF" || d.kind === "CLAIM" || d.kind === "TO_ACCOUNT") && (
        <Words
          label={`Why: ${name}`}
          value={d.text ?? ""}
          disabled={readOnly}
          settle={(words) => put({ ...d, text: words })}
        />
      )}
      <FigureField
        label={`Amount: ${name}`}
        text={text}
        type={setText}
        valid={valid}
        settle={settle}
        disabled={readOnly}
        slim
        strong
        width={88}
      />
      <Button
        color="inherit"
        disabled={readOnly}
        onClick={() => put(null)}
        aria-label={`Take out: ${name} ${grouped(positive(d.amount))}`}
        sx={{ minWidth: 0, px: 0.75, fontWeight: 400, color: "text.secondary" }}
      >
        take out
      </Button>
    </Box>
  );
}

function Words({
  label,
  value,
  disabled,
  settle,
}: {
  label: string;
  value: string;
  disabled: boolean;
  settle: (words: string) => void;
}) {
  const [words, setWords] = useState(value);
  const done = () => words !== value && settle(words);
  return (
    <TextField
      value={words}
      disabled={disabled}
      placeholder="why…"
      onChange={(event) => setWords(event.target.value)}
      onBlur={done}
      onKeyDown={(event) => event.key === "Enter" && done()}
      variant="standard"
      sx={{ width: 130 }}
      slotProps={{
        htmlInput: { "aria-label": label, maxLength: 400, style: { padding: 0, fontSize: 13 } },
      }}
    />
  );
}
