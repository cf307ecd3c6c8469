import { Alert, Box, Button, Link, Typography } from "@mui/material";
import { useMutation } from "@tanstack/react-query";
import { Link as RouterLink, useNavigate, useParams, useSearchParams } from "react-router";
import { api, data, type Schemas } from "../api/client";
import { useBooks } from "../access/session";
import { Amount } from "../shared/Amount";
import { count, onDay, onWeekday } from "../shared/dates";
import { grouped, isZero, negated, positive } from "../shared/money";
import { Failed, Loading } from "../shared/States";
import { DepositBar } from "./DepositBar";
import { DepositForm, Figure } from "./DepositForm";
import { Reasons } from "./Reasons";
import { useAtTheBank, useDeposit, usePouch, usePouchRefresh, useTie } from "./queries";
import { ReceiptTable } from "./ReceiptTable";
import { LINES, STATUS } from "./words";

type Deposit = Schemas["DepositView"];
type Match = Schemas["MatchView"];

/** One deposit: being made, open again, or made and held against what the bank shows. */
export default function DepositView() {
  const params = useParams();
  const [query] = useSearchParams();
  const navigate = useNavigate();
  const refresh = usePouchRefresh();
  const id = params.depositId === "new" ? undefined : Number(params.depositId);
  const deposit = useDeposit(id);
  const pouch = usePouch();
  const giveUp = useMutation({
    mutationFn: async () =>
      data(await api.DELETE("/api/deposits/{id}", { params: { path: { id: id ?? 0 } } })),
    onSuccess: () => {
      void refresh();
      void navigate("/pouch");
    },
  });
  const failed = deposit.error ?? pouch.error;
  if (failed && !(pouch.data && (id === undefined || deposit.data))) {
    return <Failed error={failed} retry={() => void Promise.all([deposit.refetch(), pouch.refetch()])} />;
  }
  if (!pouch.data || (id !== undefined && !deposit.data)) {
    return <Loading />;
  }
  const made = deposit.data;
  if (!made) {
    const asked = (query.get("receipts") ?? "").split(",").filter(Boolean).map(Number);
    return (
      <DepositForm
        receipts={pouch.data.receipts.filter((r) => !r.depositId)}
        chosen={asked}
        asked={{
          bankAccountId: query.get("account") ? Number(query.get("account")) : undefined,
          on: query.get("on") ?? undefined,
        }}
        done={(one) => void navigate(`/pouch/deposits/${one.id}`, { replace: true })}
      />
    );
  }
  if (made.status === "OPEN") {
    const put = (query.get("put") ?? "").split(",").filter(Boolean).map(Number);
    const out = new Set((query.get("out") ?? "").split(",").filter(Boolean).map(Number));
    return (
      <DepositForm
        key={made.version}
        deposit={made}
        receipts={[...made.receipts, ...pouch.data.receipts.filter((r) => !r.depositId)]}
        chosen={[...made.receipts.map((r) => r.id).filter((r) => !out.has(r)), ...put]}
        done={() => void navigate(`/pouch/deposits/${made.id}`, { replace: true })}
        giveUp={() => giveUp.mutate()}
      />
    );
  }
  return <Made deposit={made} />;
}

/** A longer list of receipts of one lockbox batch is left to the batch's own view. */
const MOST_LISTED = 200;

function Made({ deposit }: { deposit: Deposit }) {
  const books = useBooks();
  const refresh = usePouchRefresh();
  const navigate = useNavigate();
  const matches = useAtTheBank(deposit.id, deposit.status === "MADE");
  const tie = useTie();
  const open = useMutation({
    mutationFn: async (then: string) => {
      data(await api.POST("/api/deposits/{id}/opening", { params: { path: { id: deposit.id } } }));
      return then;
    },
    onSuccess: (then) => {
      void refresh();
      void navigate(`/pouch/deposits/${deposit.id}${then}`, { replace: true });
    },
  });
  const untie = useMutation({
    mutationFn: async () =>
      data(await api.DELETE("/api/deposits/{id}/tie", { params: { path: { id: deposit.id } } })),
    onSuccess: () => void refresh(),
  });
  const first = deposit.receipts[0];
  const batch = first?.lockboxBatchId ?? undefined;
  // a large batch is looked at where its cheques are worked through
  const long = first && batch !== undefined && deposit.receipts.length > MOST_LISTED;
  const best = matches.data?.[0];
  const single = best && best.deposits.length === 1 && best.entries.length === 1 ? best : undefined;
  const error = tie.error ?? open.error ?? untie.error;
  return (
    <Box sx={{ height: "100%", display: "flex", flexDirection: "column" }}>
      <Box sx={{ flex: 1, minHeight: 0, display: "flex" }}>
        <Box sx={{ flex: 1, overflow: "auto", px: 2.5, py: 2 }}>
          <Box sx={{ display: "flex", alignItems: "baseline" }}>
            <Typography variant="h1" sx={{ flex: 1 }}>
              Deposit of {onWeekday(deposit.on)}
            </Typography>
            <Typography variant="h1" component="div" className="figure">
              {grouped(deposit.total)}
            </Typography>
          </Box>
          <Typography color="textSecondary" sx={{ mb: 2 }}>
            {deposit.bankAccount} · slip {deposit.slip} · made by {deposit.madeBy} · {STATUS[deposit.status]}
          </Typography>
          <DepositBar
            receipts={
              long
                ? [{ ...first, name: `${deposit.receipts.length} cheques`, amount: deposit.total }]
                : deposit.receipts
            }
            lines={deposit.lines}
            shown={
              single ? { amount: single.entries[0]?.amount ?? deposit.total, gap: single.gap } : undefined
            }
          />
          <Box sx={{ mt: 1 }}>
            {batch && (
              <Typography sx={{ mb: 1 }}>
                {count(deposit.receipts.length, "cheque")} of{" "}
                <Link component={RouterLink} to={`/waiting/lockbox/${batch}`}>
                  a lockbox batch
                </Link>
                , banked by the bank itself.
              </Typography>
            )}
            {deposit.payoutId && (
              <Typography sx={{ mb: 1 }}>
                Sent with{" "}
                <Link component={RouterLink} to={`/waiting/payouts/${deposit.payoutId}`}>
                  a processor’s payout
                </Link>
                .
              </Typography>
            )}
            {!long && deposit.receipts.length > 0 && (
              <ReceiptTable label="In this deposit" receipts={deposit.receipts} />
            )}
          </Box>
          {deposit.lines.map((line, n) => (
            <Box key={n} sx={{ display: "flex", px: 2, py: 0.75, borderBottom: 1, borderColor: "divider" }}>
              <Box sx={{ flex: 1 }}>
                {LINES[line.kind]}
                {line.words && `, ${line.words}`}
              </Box>
              <Amount of={line.amount} />
            </Box>
          ))}
          {deposit.counted.length > 0 && (
            <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
              Cash counted: {deposit.counted.map((c) => `${c.pieces} × ${grouped(c.piece)}`).join(", ")}
            </Typography>
          )}
          <Typography variant="body2" sx={{ mt: 1.5 }}>
            <Link href={`/api/deposits/${deposit.id}/slip.pdf`}>Slip as PDF</Link>
            {" · "}
            <Link href={`/api/deposits/${deposit.id}/slip.csv`}>Slip as CSV</Link>
          </Typography>
        </Box>
        <Box
          component="section"
          aria-label="At the bank"
          sx={{ width: 430, overflow: "auto", borderLeft: 1, borderColor: "divider", px: 2, py: 2 }}
        >
          <Typography variant="h3" sx={{ mb: 1 }}>
            At the bank
          </Typography>
          {deposit.shown.map((shown) => (
            <Box
              key={shown.entryId}
              sx={{ border: 1, borderColor: "settled", borderRadius: 1, p: 1.25, mb: 1 }}
            >
              <Box sx={{ display: "flex", fontWeight: 700 }}>
                <Box sx={{ flex: 1 }}>
                  {onDay(shown.bookedOn)}, {shown.text}
                </Box>
                <Amount of={shown.amount} />
              </Box>
            </Box>
          ))}
          {deposit.status === "MADE" && matches.data?.length === 0 && (
            <Typography color="textSecondary">
              {deposit.shown.length > 0
                ? `${grouped(deposit.left)} of it has not been seen at the bank yet.`
                : "No entry of the bank looks like this deposit yet."}
            </Typography>
          )}
          {matches.data?.map((match, n) => (
            <MatchCard
              key={n}
              match={match}
              first={n === 0}
              busy={tie.isPending || open.isPending}
              may={books.mayPost}
              tie={(lines) =>
                tie.mutate({
                  depositIds: match.deposits.map((d) => d.id),
                  entryIds: match.entries.map((e) => e.entryId),
                  lines,
                })
              }
              put={(ids) => open.mutate(`?put=${ids.join(",")}`)}
              out={(ids) => open.mutate(`?out=${ids.join(",")}`)}
            />
          ))}
        </Box>
      </Box>
      {error && (
        <Alert severity="error" variant="outlined" sx={{ mx: 2.5, mb: 1 }}>
          {error.message}
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
        <Figure label="Receipts" of={deposit.receiptTotal} />
        <Figure label="Cash" of={deposit.cash} />
        <Figure label="Deposit" of={deposit.total} />
        {!isZero(deposit.left) && <Figure label="In transit" of={deposit.left} loud />}
        <Box sx={{ flex: 1 }} />
        {books.mayPost && deposit.shown.length > 0 && (
          <Button color="inherit" disabled={untie.isPending} onClick={() => untie.mutate()}>
            Untie
          </Button>
        )}
        {books.mayPost &&
          batch === undefined &&
          !deposit.payoutId &&
          deposit.status === "MADE" &&
          deposit.shown.length === 0 && (
            <Button
              variant="outlined"
              color="inherit"
              disabled={open.isPending}
              onClick={() => open.mutate("")}
            >
              Open again
            </Button>
          )}
      </Box>
    </Box>
  );
}

type TieLine = { kind: Schemas["DepositLineView"]["kind"]; amount: Schemas["MoneyView"]; words?: string };

/** How one entry, or several, may show the deposit, and what would fill a gap. */
function MatchCard({
  match,
  first,
  busy,
  may,
  tie,
  put,
  out,
}: {
  match: Match;
  first: boolean;
  busy: boolean;
  may: boolean;
  tie: (lines: TieLine[]) => void;
  put: (ids: number[]) => void;
  out: (ids: number[]) => void;
}) {
  const agrees = isZero(match.gap);
  return (
    <Box
      role="group"
      aria-label={match.entries.map((e) => `${e.text} ${grouped(e.amount)}`).join(", ")}
      sx={{
        border: 1,
        borderColor: first ? "primary.main" : "divider",
        borderLeft: first ? 4 : 1,
        borderLeftColor: first ? "primary.main" : "divider",
        borderRadius: 1,
        bgcolor: "background.paper",
        p: 1.25,
        mb: 1,
      }}
    >
      {match.entries.map((entry) => (
        <Box key={entry.entryId} sx={{ display: "flex", gap: 1, fontWeight: 700 }}>
          <Box sx={{ flex: 1 }}>
            {onDay(entry.bookedOn)},{" "}
            <Link component={RouterLink} to={`/waiting/desk/${entry.entryId}`} color="inherit">
              {entry.text}
            </Link>
          </Box>
          <Amount of={entry.amount} />
        </Box>
      ))}
      {match.deposits.length > 1 && (
        <Typography variant="body2">
          with {match.deposits.map((d) => `slip ${d.slip} ${grouped(d.left)}`).join(", ")}
        </Typography>
      )}
      <Reasons match={match} />
      {may && (
        <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
          {agrees && (
            <Button variant={first ? "contained" : "outlined"} disabled={busy} onClick={() => tie([])}>
              Tie to the bank
            </Button>
          )}
          {match.fixes.map((fix) => (
            <Button
              key={fix.says}
              variant="outlined"
              disabled={busy}
              onClick={() =>
                fix.what === "PUT_IN"
                  ? put(fix.receiptIds)
                  : fix.what === "TAKE_OUT"
                    ? out(fix.receiptIds)
                    : fix.line && tie([{ kind: fix.line.kind, amount: fix.line.amount, words: "" }])
              }
            >
              {fix.what === "PUT_IN"
                ? "Open again and put it in"
                : fix.what === "TAKE_OUT"
                  ? "Open again and take it out"
                  : fix.line?.kind === "BANK_FEE" || fix.line?.kind === "PROCESSING_FEE"
                    ? `Fee ${grouped(positive(fix.line.amount))}`
                    : `The cash was ${grouped(positive(fix.line?.amount ?? negated(match.gap)))} ${
                        match.gap.amount.startsWith("-") ? "less" : "more"
                      }`}
            </Button>
          ))}
          {!agrees && match.gap.amount.startsWith("-") && (
            <Button variant="outlined" color="inherit" disabled={busy} onClick={() => tie([])}>
              A part of it
            </Button>
          )}
        </Box>
      )}
    </Box>
  );
}
