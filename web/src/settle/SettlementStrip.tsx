import { Box, Button, Link, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { Link as RouterLink } from "react-router";
import { useBooks } from "../access/session";
import type { Money } from "../api/client";
import { placeOf } from "../desk/drafts";
import { useReverse } from "../desk/queries";
import { CameBy } from "../lockbox/CameBy";
import { JournalLines } from "../journal/JournalLines";
import { Amount } from "../shared/Amount";
import { AskDialog } from "../shared/AskDialog";
import { atMoment, onDay } from "../shared/dates";
import { grouped, isNegative, isZero, minor, positive } from "../shared/money";
import { Failed, Loading } from "../shared/States";
import { layOut } from "../tally/layout";
import { ThinTally } from "../tally/TallyBar";
import { Correct } from "./Correct";
import { useJournalEntry, type Settlement } from "./queries";
import { KEPT, REASON } from "./words";

/** How it was posted, behind by whom. */
const HOW: Record<Settlement["origin"], string> = {
  EXPLANATION: "",
  CLEAR: ", with all clear",
  HAND: ", by hand",
  // who posted it says it
  UNATTENDED: "",
  TREATMENT: "",
};

/** One settlement: what arrived, what it paid, its journal lines on demand, and the way to take it back. */
export function SettlementStrip({ settlement: s, open = false }: { settlement: Settlement; open?: boolean }) {
  const books = useBooks();
  const [shown, setShown] = useState(open);
  const [asking, setAsking] = useState(false);
  const reversed = s.status === "REVERSED";
  // money from us is drawn as long as money to us
  const fromUs = isNegative(s.received);
  const units = (amount: Money) => (fromUs ? -minor(amount) : minor(amount));
  const here = (part: { amount: Money; company?: unknown }) =>
    part.amount.currency === s.received.currency && !part.company;
  const elsewhere = s.rates.flatMap(({ given, counted, company }) =>
    given && counted ? [{ label: `for ${placeOf({ given, counted, company })}`, amount: -units(given) }] : [],
  );
  const layout = layOut(
    units(s.received),
    s.applications
      .filter(here)
      .map((a) => ({ label: a.number, amount: units(a.amount), discount: units(a.discount) })),
    [
      ...s.adjustments.filter(here).map((a) => ({ label: KEPT[a.kind], amount: units(a.amount) })),
      ...elsewhere,
    ],
    units(s.onAccount),
  );
  return (
    <Box
      sx={{
        borderBottom: 1,
        borderColor: "divider",
        py: 1,
        display: "grid",
        gridTemplateColumns: "56px 250px 1fr auto",
        columnGap: 2,
        alignItems: "start",
      }}
    >
      <Box className="figure" sx={{ color: "text.secondary" }}>
        {s.id}
      </Box>
      <Box sx={{ minWidth: 0 }}>
        <Box
          sx={{
            display: "flex",
            justifyContent: "space-between",
            gap: 1,
            mb: 0.5,
            textDecoration: reversed ? "line-through" : undefined,
          }}
        >
          <Box component="span" sx={{ overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" }}>
            {s.payer}
          </Box>
          <Amount of={s.received} />
        </Box>
        <ThinTally layout={layout} />
      </Box>
      <Box sx={{ fontSize: 13, minWidth: 0 }}>
        {s.applications.map((a, n) => (
          <span key={a.itemId}>
            {n > 0 && ", "}
            <ItemLink id={a.itemId} number={a.number} /> <Amount of={a.amount} />
            {!here(a) && <There part={a} received={s.received} />}
            {!isZero(a.discount) && (
              <>
                {" less "}
                <Amount of={a.discount} />
              </>
            )}
          </span>
        ))}
        {s.adjustments.map((a, n) => (
          <span key={n}>
            {n + s.applications.length > 0 && ", "}
            {KEPT[a.kind]} <Amount of={positive(a.amount)} />
            {!here(a) && <There part={a} received={s.received} />}
            {a.reason && ` (${REASON[a.reason]})`}
            {a.text && `: ${a.text}`}
          </span>
        ))}
        {!isZero(s.onAccount) && (
          <span>
            {s.applications.length > 0 && ", "}
            <Amount of={s.onAccount} /> on account of {s.onAccountCustomer}
          </span>
        )}
        <Typography variant="body2" color="textSecondary" sx={{ fontSize: 12 }}>
          {fromUs ? "paid" : "received"} {onDay(s.receivedOn)}, posted {atMoment(s.postedAt)}{" "}
          {s.origin === "UNATTENDED" || s.origin === "TREATMENT" ? s.postedBy : `by ${s.postedBy}`}
          {s.draftedBy && `, drafted by ${s.draftedBy}`}
          {HOW[s.origin]}
          {s.reversal && ` · reversed ${atMoment(s.reversal.at)} by ${s.reversal.by}: ${s.reversal.reason}`}
        </Typography>
        {s.rates.map((rate) => (
          <Typography
            key={rate.words + rate.from + rate.to + (rate.company?.id ?? "")}
            variant="body2"
            sx={{ fontSize: 12.5 }}
          >
            <RateKept rate={rate} />
          </Typography>
        ))}
        {s.receivedBy && (
          <Typography variant="body2" sx={{ fontSize: 12.5 }}>
            received by {s.receivedBy.name}; whoever works there takes it back
          </Typography>
        )}
        <Chain settlement={s} />
        {s.cheque && (
          <Typography variant="body2" sx={{ fontSize: 12.5 }}>
            <CameBy cheque={s.cheque} />
          </Typography>
        )}
        {s.treatment && (
          <Typography variant="body2" sx={{ fontSize: 12.5 }}>
            by the house rule “{s.treatment}”
          </Typography>
        )}
        {s.transferId && (
          <Typography variant="body2" sx={{ fontSize: 12.5 }}>
            {s.transferWith
              ? `one side of a transfer, the other on ${s.transferWith}; both are taken back together`
              : "a mistake of the bank, put right; both halves are taken back together"}
          </Typography>
        )}
        {s.sentFrom && (
          <Typography variant="body2" sx={{ fontSize: 12.5 }}>
            a refund sent from {s.sentFrom}
            {s.shownBy ? ", which the bank has shown" : ", which the bank has not shown yet"}
          </Typography>
        )}
        {s.payoutId && (
          <Typography variant="body2" sx={{ fontSize: 12.5 }}>
            <Link component={RouterLink} to={`/waiting/payouts/${s.payoutId}`}>
              the payout and its items
            </Link>
          </Typography>
        )}
        {shown && (
          <Box sx={{ maxWidth: 560, mt: 0.5 }}>
            {s.journalEntryId && <WrittenLines of={s.journalEntryId} />}
            {s.elsewhere.map((other) => (
              <Box
                key={other.company.id}
                component="section"
                aria-label={`Written for ${other.company.name}`}
              >
                <Typography variant="body2" color="textSecondary" sx={{ mt: 0.75 }}>
                  {s.receivedBy ? "for" : "and for"} {other.company.name}
                  {!other.journalEntryId && ", in its own journal"}
                </Typography>
                {other.journalEntryId && <WrittenLines of={other.journalEntryId} />}
              </Box>
            ))}
          </Box>
        )}
      </Box>
      <Box sx={{ whiteSpace: "nowrap" }}>
        <Button color="inherit" onClick={() => setShown(!shown)} aria-expanded={shown}>
          {shown ? "Hide" : "Journal"}
        </Button>
        {!reversed && !fromUs && !s.transferId && !s.receivedBy && (
          <Correct settlement={s} disabled={!books.mayPost} />
        )}
        <Button disabled={reversed || !books.mayPost || !!s.receivedBy} onClick={() => setAsking(true)}>
          {reversed ? "Reversed" : "Reverse…"}
        </Button>
      </Box>
      {asking && <ReverseDialog settlement={s} close={() => setAsking(false)} />}
    </Box>
  );
}

/** Where a part counts that does not count where the receipt does. */
function There({
  part,
  received,
}: {
  part: { amount: Money; company?: { name: string } | null };
  received: Money;
}) {
  return (
    <>
      {part.amount.currency !== received.currency && ` ${part.amount.currency}`}
      {part.company && ` of ${part.company.name}`}
    </>
  );
}

function RateKept({ rate }: { rate: Settlement["rates"][number] }) {
  const whose = rate.company ? ` for ${rate.company.name}` : "";
  if (!rate.given || !rate.counted) {
    return `In the books${rate.company ? ` of ${rate.company.name}` : ""} at ${rate.words}`;
  }
  return rate.rate ? (
    <>
      <Amount of={rate.given} /> {rate.given.currency} counted as <Amount of={rate.counted} />{" "}
      {rate.counted.currency}
      {whose}; held against {rate.words}
    </>
  ) : (
    <>
      <Amount of={rate.given} /> {rate.given.currency} counted{whose} and are owed to it
    </>
  );
}

/** What was written into the journal, fetched when somebody wants to see it. */
function WrittenLines({ of }: { of: number }) {
  const { data: written, error, refetch } = useJournalEntry(of);
  if (error) {
    return <Failed error={error} retry={() => void refetch()} />;
  }
  return written ? <JournalLines lines={written.lines} /> : <Loading rows={2} />;
}

/** What it was posted in place of, what stands in its place, and how the bank took it back. */
function Chain({ settlement: s }: { settlement: Settlement }) {
  const back = s.returned;
  if (!s.replaces && !s.replacedBy && !back) {
    return null;
  }
  return (
    <Typography variant="body2" sx={{ fontSize: 12.5 }}>
      {s.replaces && (
        <>
          In place of <SettlementLink id={s.replaces} />.{" "}
        </>
      )}
      {s.replacedBy && (
        <>
          <SettlementLink id={s.replacedBy} /> stands in its place.{" "}
        </>
      )}
      {back && `The bank took it back on ${onDay(back.on)}`}
      {back && isZero(back.fee) && "."}
      {back && !isZero(back.fee) && (
        <>
          {"; its fee of "}
          <Amount of={back.fee} />
          {back.feeItemId ? (
            <>
              {" is "}
              <Link component={RouterLink} to={`/posted/items/${back.feeItemId}`}>
                charged on
              </Link>
              .
            </>
          ) : (
            " is ours."
          )}
        </>
      )}
    </Typography>
  );
}

function SettlementLink({ id }: { id: number }) {
  return (
    <Link component={RouterLink} to={`/posted/settlements/${id}`}>
      settlement {id}
    </Link>
  );
}

/** A number that leads to all that happened to its item. */
export function ItemLink({ id, number }: { id: number; number: string }) {
  return (
    <Link component={RouterLink} to={`/posted/items/${id}`} color="inherit" underline="hover">
      <span className="figure">{number}</span>
    </Link>
  );
}

function ReverseDialog({ settlement, close }: { settlement: Settlement; close: () => void }) {
  const reverse = useReverse();
  const [reason, setReason] = useState("");
  const go = async () => {
    await reverse.mutateAsync({ id: settlement.id, reason }).then(close, () => undefined);
  };
  return (
    <AskDialog
      title={`Reverse ${grouped(settlement.received)} from ${settlement.payer}`}
      error={reverse.error}
      doing={`Reverse ${grouped(settlement.received)}`}
      ready={reason.trim() !== "" && !reverse.isPending}
      go={() => void go()}
      close={close}
      leave="Keep it"
    >
      <Typography sx={{ mb: 2 }}>
        Every balance goes back to what it was,{" "}
        {settlement.elsewhere.length === 0
          ? "the mirror entry is written,"
          : `the mirror entries are written here and for ${settlement.elsewhere.map((e) => e.company.name).join(" and ")},`}{" "}
        and the money waits at the desk again.
      </Typography>
      <TextField
        label="Why"
        fullWidth
        autoFocus
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        onKeyDown={(event) => event.key === "Enter" && reason.trim() && void go()}
        slotProps={{ htmlInput: { maxLength: 400 } }}
        sx={{ mt: 1 }}
      />
    </AskDialog>
  );
}
