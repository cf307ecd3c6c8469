import { Alert, Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { useBooks } from "../access/session";
import type { Money, Schemas } from "../api/client";
import { usePost } from "../desk/queries";
import { emptyDraft, type Draft } from "../desk/drafts";
import { ToAccount } from "../desk/ToAccount";
import { TakenBack } from "../settle/TakenBack";
import { onDay } from "../shared/dates";
import { grouped, positive } from "../shared/money";
import { Failed, Loading } from "../shared/States";
import { useRefundWays, useShownRefund, useWays } from "./queries";
import { RuleButton, RuleParts } from "./RuleButton";
import { TransferWay } from "./TransferWay";
import { WayStrip } from "./WayStrip";

interface Debit {
  id: number;
  bookedOn: string;
  amount: Money;
  text: string;
  payer: string;
  bankAccount?: string;
}

/** Money from us: what the bank says of it, and everything that it may be. */
export function FromUs({ debit, done }: { debit: Debit; done: () => void }) {
  const books = useBooks();
  const ways = useWays(debit.id);
  const refunds = useRefundWays(debit.id);
  const post = usePost();
  const [booking, setBooking] = useState(false);
  const failed = ways.error ?? refunds.error;
  const pay = (draft: Draft) => post.mutate(draft, { onSuccess: done });
  return (
    <Box
      component="section"
      aria-label="Money from us"
      sx={{ flex: 1, p: 3, maxWidth: 860, overflow: "auto" }}
    >
      <Typography variant="h1">{grouped(positive(debit.amount))} went out</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 2 }}>
        {onDay(debit.bookedOn)}
        {debit.bankAccount && ` from ${debit.bankAccount}`} · {debit.payer}
        {debit.text && debit.text !== debit.payer && `, ${debit.text}`}
      </Typography>
      {failed && (
        <Failed error={failed} retry={() => void Promise.all([ways.refetch(), refunds.refetch()])} />
      )}
      {!failed && (ways.isPending || refunds.isPending) && <Loading rows={3} />}
      {post.error && (
        <Alert severity="error" variant="outlined" sx={{ mb: 1 }}>
          {post.error.message}
        </Alert>
      )}
      {ways.data?.treatment && (
        <WayStrip
          title={`House rule “${ways.data.treatment.name}”`}
          action={<RuleButton entryId={debit.id} verdict={ways.data.treatment} done={done} />}
        >
          <RuleParts verdict={ways.data.treatment} />. {ways.data.treatment.why}
        </WayStrip>
      )}
      {ways.data && <TransferWay entryId={debit.id} fromUs ways={ways.data} done={done} />}
      {refunds.data && (
        <Refunds debit={debit} found={refunds.data} pay={pay} busy={post.isPending} done={done} />
      )}
      <TakenBack debit={debit} />
      {books.mayPost && (
        <WayStrip
          title="Something else"
          action={
            <Button variant="outlined" onClick={() => setBooking(true)} sx={{ whiteSpace: "nowrap" }}>
              To an account…
            </Button>
          }
        >
          A charge, a purchase, anything that is no customer&apos;s: to one account or several.
        </WayStrip>
      )}
      {booking && (
        <ToAccount
          draft={emptyDraft(debit.id)}
          left={debit.amount}
          change={pay}
          close={() => setBooking(false)}
        />
      )}
    </Box>
  );
}

/** Refunds that it may be: one that was sent before, or what is owed to a customer of just this amount. */
function Refunds({
  debit,
  found,
  pay,
  busy,
  done,
}: {
  debit: Debit;
  found: Schemas["RefundWays"];
  pay: (draft: Draft) => void;
  busy: boolean;
  done: () => void;
}) {
  const books = useBooks();
  const shown = useShownRefund(debit.id);
  return (
    <>
      {shown.error && (
        <Alert severity="error" variant="outlined" sx={{ mb: 1 }}>
          {shown.error.message}
        </Alert>
      )}
      {found.sent.map((one) => (
        <WayStrip
          key={`sent ${one.settlementId}`}
          title={`The refund to ${one.customer}`}
          action={
            books.mayPost && (
              <Button
                variant="contained"
                disabled={shown.isPending}
                onClick={() => shown.mutate(one.settlementId, { onSuccess: done })}
              >
                That is it
              </Button>
            )
          }
        >
          Sent on {onDay(one.on)}; the bank has not shown it yet.
        </WayStrip>
      ))}
      {found.owed.map((item) => (
        <WayStrip
          key={`owed ${item.itemId}`}
          title={`A refund to ${item.customer}`}
          action={
            books.mayPost && (
              <Button
                variant="outlined"
                disabled={busy}
                onClick={() =>
                  pay({
                    ...emptyDraft(debit.id),
                    applications: [{ itemId: item.itemId, amount: item.open, itemVersion: item.itemVersion }],
                  })
                }
              >
                Pay {item.number} out with it
              </Button>
            )
          }
        >
          {item.number} of <span className="figure">{grouped(positive(item.open))}</span> is owed to them.
        </WayStrip>
      ))}
    </>
  );
}
