import { Box, Checkbox, FormControlLabel, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { Refusal } from "../api/client";
import { AskDialog } from "../shared/AskDialog";
import { DayField } from "../shared/DayField";
import { FigureField } from "../shared/FigureField";
import { useCountingRate, useTypeRate } from "./queries";
import { howItCameAbout } from "./words";

interface Props {
  /** What is asked for; two empty currencies where nothing is in particular. */
  from: string;
  to: string;
  on: string;
  /** The last day for which a rate can be known. */
  today: string;
  close: () => void;
  kept?: () => void;
}

/** A rate that somebody was told: with its day, which way round it is, and where it comes from. */
export function TypeRate({ from: askedFrom, to: askedTo, on: askedOn, today, close, kept }: Props) {
  const [from, setFrom] = useState(askedFrom);
  const [to, setTo] = useState(askedTo);
  const [on, setOn] = useState(askedOn);
  const [rate, setRate] = useState("");
  const [reason, setReason] = useState("");
  const [sure, setSure] = useState(false);
  const known = useCountingRate(from, to, on);
  const typing = useTypeRate();
  const valid = /^\d{1,9}(\.\d{1,12})?$/.test(rate.trim()) && Number(rate) > 0;
  const far = typing.error instanceof Refusal && typing.error.code === "FAR_FROM_THE_LAST";
  const ready =
    valid &&
    /^[A-Z]{3}$/.test(from) &&
    /^[A-Z]{3}$/.test(to) &&
    from !== to &&
    on !== "" &&
    reason.trim() !== "";
  return (
    <AskDialog
      title="Type a rate"
      doing="Keep it"
      error={typing.error}
      ready={ready && !typing.isPending && (!far || sure)}
      go={() =>
        typing.mutate(
          { from, to, on, rate: rate.trim(), reason: reason.trim(), sure },
          {
            onSuccess: () => {
              kept?.();
              close();
            },
          },
        )
      }
      close={close}
    >
      <Box sx={{ display: "flex", alignItems: "center", gap: 1.5, mt: 1 }}>
        <span>1</span>
        <Code label="From currency" value={from} set={setFrom} />
        <span>=</span>
        <FigureField
          label="Rate"
          text={rate}
          type={setRate}
          valid={valid || rate === ""}
          width={150}
          autoFocus={askedFrom !== ""}
        />
        <Code label="To currency" value={to} set={setTo} />
        <DayField label="Of the day" value={on} set={setOn} max={today} />
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1, minHeight: 20 }}>
        {known.data && `So far ${known.data.rate}, ${howItCameAbout(known.data)}.`}
        {known.data === null && "So far there is none that counts on this day."}
      </Typography>
      <TextField
        label="Who gave it, or why"
        value={reason}
        fullWidth
        onChange={(event) => setReason(event.target.value)}
        sx={{ mt: 1.5 }}
      />
      {far && (
        <FormControlLabel
          control={<Checkbox checked={sure} onChange={(event) => setSure(event.target.checked)} />}
          label="It is right as it stands"
          sx={{ mt: 1 }}
        />
      )}
    </AskDialog>
  );
}

function Code({ label, value, set }: { label: string; value: string; set: (code: string) => void }) {
  return (
    <TextField
      label={label}
      value={value}
      onChange={(event) => set(event.target.value.toUpperCase().slice(0, 3))}
      slotProps={{ inputLabel: { shrink: true } }}
      sx={{ width: 110 }}
    />
  );
}
