import { Checkbox, FormControlLabel, Radio, RadioGroup, Typography } from "@mui/material";
import { useState } from "react";
import type { Schemas } from "../api/client";
import { useEntry } from "../desk/queries";
import { AskDialog } from "../shared/AskDialog";
import { onDay } from "../shared/dates";
import { grouped, isZero, positive } from "../shared/money";
import { Loading } from "../shared/States";
import { Why } from "./Correct";
import { useReturn, useReturnCandidates, useReturnCost } from "./queries";

type Debit = Schemas["DebitView"];

/** What came back. */
export interface Returned {
  entryId: number;
  received: Schemas["MoneyView"];
  payer: string;
  receivedOn: string;
  /** Who owed what it had paid: one of them may be charged the fee. */
  owners: [number, string][];
}

/** A cheque without cover or a recalled transfer: which debit it was, what it cost, and who bears that. */
export function ReturnDialog({
  receipt: s,
  by,
  close,
}: {
  receipt: Returned;
  /** The debit that one came from. */
  by?: number;
  close: () => void;
}) {
  const entryId = s.entryId;
  const [debitId, setDebitId] = useState<number | null>(by ?? null);
  const [feeId, setFeeId] = useState(0);
  const [owner, setOwner] = useState(0);
  const [again, setAgain] = useState(true);
  const [why, setWhy] = useState("");
  const receipt = useEntry(entryId);
  const inOffice = receipt.data?.recorded === true;
  const candidates = useReturnCandidates(entryId, undefined);
  const fees = useReturnCandidates(entryId, debitId);
  const take = useReturn(entryId);

  const debit = candidates.data?.find((d) => d.id === debitId);
  const fee = fees.data?.find((d) => d.id === feeId);
  const cost = useReturnCost(entryId, debitId, feeId);
  const costs = cost.data !== undefined && !isZero(cost.data);
  const ready = debit !== undefined && cost.data !== undefined && why.trim() !== "" && !take.isPending;
  const go = () => {
    if (ready) {
      take.mutate(
        {
          debitId: debit.id,
          feeDebitId: fee?.id,
          backInPouch: inOffice ? again : undefined,
          chargeFeeTo: costs && owner !== 0 ? owner : undefined,
          reason: why.trim(),
        },
        { onSuccess: close },
      );
    }
  };
  return (
    <AskDialog
      title={`${grouped(s.received)} from ${s.payer} came back`}
      error={take.error ?? cost.error ?? candidates.error}
      doing="Note the return"
      ready={ready}
      go={go}
      close={close}
      leave="Keep it"
      wide
    >
      <Typography sx={{ mb: 1 }}>
        What it paid is open again, and the money does not wait any more: the bank took it back by this entry.
      </Typography>
      {candidates.isPending && <Loading rows={2} />}
      {candidates.data?.length === 0 && (
        <Typography role="status">
          No debit of {grouped(s.received)} or a little more stands on the account since {onDay(s.receivedOn)}
          . Take in the statement that has it first.
        </Typography>
      )}
      <RadioGroup
        aria-label="By which entry"
        value={debitId ?? ""}
        onChange={(event) => {
          setDebitId(Number(event.target.value));
          setFeeId(0);
        }}
      >
        {candidates.data?.map((d) => (
          <DebitLine key={d.id} debit={d} />
        ))}
      </RadioGroup>
      {debit && fees.data && fees.data.length > 0 && (
        <>
          <Typography variant="h3" sx={{ mt: 2 }}>
            The bank&apos;s fee
          </Typography>
          <RadioGroup
            aria-label="Fee"
            value={feeId}
            onChange={(event) => setFeeId(Number(event.target.value))}
          >
            <FormControlLabel
              value={0}
              control={<Radio size="small" sx={{ py: 0.25 }} />}
              label="no entry of its own"
            />
            {fees.data.map((d) => (
              <DebitLine key={d.id} debit={d} />
            ))}
          </RadioGroup>
        </>
      )}
      {costs && cost.data && (
        <>
          <Typography variant="h3" sx={{ mt: 2 }}>
            Who bears {grouped(cost.data)}
          </Typography>
          <RadioGroup
            aria-label="Who bears the fee"
            value={owner}
            onChange={(event) => setOwner(Number(event.target.value))}
          >
            <FormControlLabel value={0} control={<Radio size="small" sx={{ py: 0.25 }} />} label="we do" />
            {s.owners.map(([id, name]) => (
              <FormControlLabel
                key={id}
                value={id}
                control={<Radio size="small" sx={{ py: 0.25 }} />}
                label={`charge it to ${name}`}
              />
            ))}
          </RadioGroup>
        </>
      )}
      {inOffice && (
        <FormControlLabel
          sx={{ mt: 1 }}
          control={
            <Checkbox size="small" checked={again} onChange={(event) => setAgain(event.target.checked)} />
          }
          label="Put it in the pouch again, to be presented once more"
        />
      )}
      <Why why={why} setWhy={setWhy} go={go} />
    </AskDialog>
  );
}

function DebitLine({ debit }: { debit: Debit }) {
  return (
    <FormControlLabel
      value={debit.id}
      control={<Radio size="small" sx={{ py: 0.25 }} />}
      label={
        <>
          <span className="figure">{grouped(positive(debit.amount))}</span> on {onDay(debit.bookedOn)}:{" "}
          {debit.text}
        </>
      }
    />
  );
}
