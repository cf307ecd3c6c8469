import { Alert, Box, Button, IconButton, TextField, Typography } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Schemas } from "../api/client";
import { useBooks, useSession } from "../access/session";
import { useChart } from "../desk/queries";
import { useKeys } from "../frame/keys";
import { Amount } from "../shared/Amount";
import { Choice } from "../shared/Choice";
import { FigureField } from "../shared/FigureField";
import { grouped, isNegative, minor, negated, ofMinor, typedAmount, zero } from "../shared/money";
import { DepositBar } from "./DepositBar";
import { usePouchRefresh } from "./queries";
import { ReceiptTable } from "./ReceiptTable";
import { LINES, MANY, type Held, type LineKind, type Method } from "./words";

type Deposit = Schemas["DepositView"];
type Money = Schemas["MoneyView"];
type Line = { kind: LineKind; amount: Money; ledgerAccountId?: number; words: string };

/** A deposit being made: receipts ticked, lines beside them, the cash counted, against the paper slip. */
export function DepositForm({
  receipts,
  chosen,
  deposit,
  asked,
  done,
  giveUp,
}: {
  /** In the pouch, and in the deposit that was opened again. */
  receipts: Held[];
  chosen: number[];
  /** The one that was opened again. */
  deposit?: Deposit;
  /** What is known of it from where one came. */
  asked?: { bankAccountId?: number; on?: string };
  done: (deposit: Deposit) => void;
  giveUp?: () => void;
}) {
  const books = useBooks();
  const session = useSession();
  const refresh = usePouchRefresh();
  const nothing = zero(books.currency);
  const accounts =
    session.data?.companies
      .find((c) => c.id === books.company)
      ?.bankAccounts.filter((a) => a.currency === books.currency) ?? [];
  const [ticked, setTicked] = useState(new Set(chosen));
  const [account, setAccount] = useState(
    String(deposit?.bankAccountId ?? asked?.bankAccountId ?? accounts[0]?.id ?? ""),
  );
  const [on, setOn] = useState(deposit?.on ?? asked?.on ?? session.data?.businessDate ?? "");
  const [slip, setSlip] = useState(deposit?.slip ?? "");
  const [slipTotal, setSlipTotal] = useState("");
  const [lines, setLines] = useState<Line[]>(
    deposit?.lines.map((l) => ({ ...l, ledgerAccountId: l.ledgerAccountId ?? undefined })) ?? [],
  );
  const [counting, setCounting] = useState((deposit?.counted.length ?? 0) > 0);
  const [counted, setCounted] = useState<Record<string, string>>(
    Object.fromEntries(deposit?.counted.map((c) => [c.piece.amount, String(c.pieces)]) ?? []),
  );

  const inIt = receipts.filter((r) => ticked.has(r.id));
  const lineSum = lines.reduce((sum, line) => sum + minor(line.amount), 0);
  const total = ofMinor(inIt.reduce((sum, r) => sum + minor(r.amount), 0) + lineSum, nothing);
  const cash = ofMinor(
    inIt.filter((r) => r.method === "CASH").reduce((sum, r) => sum + minor(r.amount), 0) +
      lines.filter((l) => l.kind !== "TO_ACCOUNT").reduce((sum, l) => sum + minor(l.amount), 0),
    nothing,
  );
  const paper = slipTotal.trim() === "" ? null : typedAmount(slipTotal, nothing);
  const make = useMutation({
    mutationFn: async () => {
      const body = {
        bankAccountId: Number(account),
        on,
        slip: slip.trim(),
        receiptIds: inIt.map((r) => r.id),
        lines,
        counted: counting
          ? Object.entries(counted)
              .filter(([, pieces]) => Number(pieces) > 0)
              .map(([piece, pieces]) => ({
                piece: { amount: piece, currency: books.currency },
                pieces: Number(pieces),
              }))
          : [],
        slipTotal: paper ?? undefined,
        version: deposit?.version,
      };
      return deposit
        ? data(await api.PUT("/api/deposits/{id}", { params: { path: { id: deposit.id } }, body }))
        : data(await api.POST("/api/deposits", { params: { query: { company: books.company } }, body }));
    },
    onSuccess: (made) => {
      void refresh();
      done(made);
    },
  });
  const ready =
    minor(total) > 0 && account !== "" && on !== "" && (slipTotal.trim() === "" || paper !== null);
  const go = () => ready && !make.isPending && make.mutate();
  useKeys({ "Ctrl+Enter": go });
  const tick = (id: number) =>
    setTicked((before) => {
      const now = new Set(before);
      if (!now.delete(id)) {
        now.add(id);
      }
      return now;
    });
  const all = (which: (receipt: Held) => boolean) =>
    setTicked(new Set(receipts.filter((r) => !r.heldUntil && which(r)).map((r) => r.id)));
  const methods = [...new Set(receipts.map((r) => r.method))];
  const days = [...new Set(receipts.map((r) => r.receivedOn))].sort();
  const payers = [...new Set(receipts.map((r) => r.from))].sort();
  return (
    <Box sx={{ height: "100%", display: "flex", flexDirection: "column" }}>
      <Box sx={{ flex: 1, overflow: "auto", px: 2.5, py: 2 }}>
        <Box sx={{ display: "flex", alignItems: "baseline", mb: 1.5 }}>
          <Typography variant="h1" sx={{ flex: 1 }}>
            {deposit ? `Deposit ${deposit.slip}, open again` : "A new deposit"}
          </Typography>
          <Typography variant="h1" component="div" className="figure">
            {grouped(total)}
          </Typography>
        </Box>
        <Box sx={{ display: "grid", gridTemplateColumns: "220px 160px 140px 150px", gap: 1.5, mb: 2 }}>
          <Choice
            shown
            label="Bank account"
            value={account}
            options={accounts.map((a) => [String(a.id), a.name])}
            choose={setAccount}
          />
          <TextField
            label="Taken there on"
            type="date"
            value={on}
            onChange={(event) => setOn(event.target.value)}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <TextField label="Slip number" value={slip} onChange={(event) => setSlip(event.target.value)} />
          <FigureField
            label="The slip says"
            text={slipTotal}
            type={setSlipTotal}
            valid={slipTotal.trim() === "" || paper !== null}
          />
        </Box>
        <DepositBar
          receipts={inIt}
          lines={lines}
          shown={paper ? { amount: paper, gap: ofMinor(minor(paper) - minor(total), nothing) } : undefined}
        />
        <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", mt: 0.5, mb: 1 }}>
          <Button color="inherit" onClick={() => all((r) => r.method !== "CARD")}>
            All
          </Button>
          {methods.map((method: Method) => (
            <Button key={method} color="inherit" onClick={() => all((r) => r.method === method)}>
              All {MANY[method]}
            </Button>
          ))}
          {days.length > 1 && (
            <Choice
              label="Received up to"
              value=""
              options={[["", "received up to…"], ...days.map((d): [string, string] => [d, d])]}
              choose={(day) => day && all((r) => r.method !== "CARD" && r.receivedOn <= day)}
            />
          )}
          {payers.length > 1 && (
            <Choice
              label="Received from"
              value=""
              options={[["", "received from…"], ...payers.map((p): [string, string] => [p, p])]}
              choose={(payer) => payer && all((r) => r.method !== "CARD" && r.from === payer)}
            />
          )}
          <Button color="inherit" onClick={() => setTicked(new Set())}>
            None
          </Button>
        </Box>
        <ReceiptTable label="Receipts for this deposit" receipts={receipts} ticked={ticked} tick={tick} />
        <Lines lines={lines} change={setLines} nothing={nothing} />
        {counting ? (
          <Count cash={cash} counted={counted} change={setCounted} close={() => setCounting(false)} />
        ) : (
          <Button color="inherit" onClick={() => setCounting(true)} sx={{ mt: 1 }}>
            Count the cash by denomination…
          </Button>
        )}
      </Box>
      {make.error && (
        <Alert severity="error" variant="outlined" sx={{ mx: 2.5, mb: 1 }}>
          {make.error.message}
        </Alert>
      )}
      <Box
        sx={{
          display: "flex",
          gap: 4,
          alignItems: "center",
          px: 2.5,
          py: 1.25,
          borderTop: 1,
          borderColor: "text.primary",
          bgcolor: "background.paper",
        }}
      >
        <Figure label="Receipts" of={ofMinor(minor(total) - lineSum, nothing)} />
        <Figure label="Cash" of={cash} />
        <Figure label="Deposit" of={total} />
        {paper && minor(paper) !== minor(total) && (
          <Figure
            label={minor(paper) > minor(total) ? "The slip says more" : "The slip says less"}
            of={ofMinor(Math.abs(minor(paper) - minor(total)), nothing)}
            loud
          />
        )}
        <Box sx={{ flex: 1 }} />
        {giveUp && (
          <Button color="inherit" onClick={giveUp}>
            Give it up
          </Button>
        )}
        <Button variant="contained" disabled={!ready || make.isPending} onClick={go}>
          Make the deposit&nbsp;<span className="figure">Ctrl ↵</span>
        </Button>
      </Box>
    </Box>
  );
}

/** A figure of the line at the foot. */
export function Figure({ label, of, loud }: { label: string; of: Money; loud?: boolean }) {
  return (
    <Box>
      <Typography sx={{ fontSize: 12, color: "text.secondary" }}>{label}</Typography>
      <Amount of={of} sx={{ fontWeight: 700, color: loud ? "primary.main" : undefined }} />
    </Box>
  );
}

const TO_ADD: LineKind[] = ["LOOSE_CASH", "KEPT_BACK", "TO_ACCOUNT"];

function Lines({
  lines,
  change,
  nothing,
}: {
  lines: Line[];
  change: (lines: Line[]) => void;
  nothing: Money;
}) {
  const chart = useChart(true);
  const [kind, setKind] = useState<LineKind>("LOOSE_CASH");
  const [text, setText] = useState("");
  const [words, setWords] = useState("");
  const [ledger, setLedger] = useState("");
  const typed = typedAmount(text, nothing);
  const accounts = chart.data?.accounts ?? [];
  const ready = typed !== null && minor(typed) !== 0 && (kind !== "TO_ACCOUNT" || ledger !== "");
  const add = () => {
    if (!ready || typed === null) {
      return;
    }
    const amount = kind === "KEPT_BACK" && !isNegative(typed) ? negated(typed) : typed;
    change([
      ...lines,
      { kind, amount, words, ledgerAccountId: kind === "TO_ACCOUNT" ? Number(ledger) : undefined },
    ]);
    setText("");
    setWords("");
  };
  return (
    <Box role="group" aria-label="Other lines" sx={{ mt: 2 }}>
      {lines.map((line, n) => (
        <Box key={n} sx={{ display: "flex", gap: 1.5, alignItems: "center", py: 0.25 }}>
          <Box sx={{ flex: 1 }}>
            {LINES[line.kind]}
            {line.words && `, ${line.words}`}
          </Box>
          <Amount of={line.amount} />
          <IconButton
            size="small"
            aria-label={`Take out ${LINES[line.kind]} ${grouped(line.amount)}`}
            onClick={() => change(lines.filter((_, k) => k !== n))}
          >
            ×
          </IconButton>
        </Box>
      ))}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: kind === "TO_ACCOUNT" ? "170px 1fr 1fr 130px auto" : "170px 1fr 130px auto",
          gap: 1,
          alignItems: "center",
        }}
        onKeyDown={(event) => {
          if (event.key === "Enter" && !event.ctrlKey && (event.target as HTMLElement).tagName === "INPUT") {
            event.preventDefault();
            add();
          }
        }}
      >
        <Choice
          shown
          label="Another line"
          value={kind}
          options={TO_ADD.map((k) => [k, LINES[k]])}
          choose={(value) => setKind(value as LineKind)}
        />
        {kind === "TO_ACCOUNT" && (
          <Choice
            shown
            label="Account"
            value={ledger}
            options={[
              ["", "choose…"],
              ...accounts.map((a): [string, string] => [String(a.id), `${a.code} ${a.name}`]),
            ]}
            choose={setLedger}
          />
        )}
        <TextField label="What for" value={words} onChange={(event) => setWords(event.target.value)} />
        <FigureField label="Line amount" text={text} type={setText} valid={text === "" || typed !== null} />
        <Button disabled={!ready} onClick={add}>
          Add
        </Button>
      </Box>
    </Box>
  );
}

/** The cash, counted by note and coin, against what should be there. */
function Count({
  cash,
  counted,
  change,
  close,
}: {
  cash: Money;
  counted: Record<string, string>;
  change: (counted: Record<string, string>) => void;
  close: () => void;
}) {
  const books = useBooks();
  const pieces = useQuery({
    queryKey: ["denominations", books.currency],
    staleTime: Infinity,
    queryFn: async () =>
      data(await api.GET("/api/denominations", { params: { query: { currency: books.currency } } })),
  });
  const worth = (piece: Money) => minor(piece) * (Number(counted[piece.amount]) || 0);
  const total = ofMinor(
    (pieces.data ?? []).reduce((sum, p) => sum + worth(p), 0),
    cash,
  );
  const gap = minor(total) - minor(cash);
  return (
    <Box role="group" aria-label="Cash by denomination" sx={{ mt: 2 }}>
      <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap" }}>
        {(pieces.data ?? []).map((piece) => (
          <TextField
            key={piece.amount}
            label={grouped(piece)}
            value={counted[piece.amount] ?? ""}
            onChange={(event) =>
              change({ ...counted, [piece.amount]: event.target.value.replace(/\D/g, "") })
            }
            slotProps={{
              htmlInput: {
                inputMode: "numeric",
                "aria-label": `Pieces of ${grouped(piece)}`,
                className: "figure",
                style: { textAlign: "right" },
              },
            }}
            sx={{ width: 86 }}
          />
        ))}
      </Box>
      <Typography
        sx={{ mt: 1, fontWeight: gap === 0 ? 400 : 700, color: gap === 0 ? undefined : "primary.main" }}
      >
        Counted {grouped(total)}
        {gap === 0
          ? ", which is the cash of this deposit."
          : `, ${grouped(ofMinor(Math.abs(gap), cash))} ${gap > 0 ? "more" : "less"} than the ${grouped(cash)} of this deposit.`}{" "}
        <Button color="inherit" onClick={close}>
          Do not count
        </Button>
      </Typography>
    </Box>
  );
}
