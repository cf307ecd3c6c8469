import { Box, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { DayField } from "../shared/DayField";
import { Failed } from "../shared/States";
import { useCountingRate } from "./queries";
import { howItCameAbout } from "./words";

interface Props {
  from: string;
  to: string;
  today: string;
}

/** Looks up which rate counts between two currencies on a day, and how it comes about. */
export function WhatCounts(props: Props) {
  const [from, setFrom] = useState(props.from);
  const [to, setTo] = useState(props.to);
  const [on, setOn] = useState(props.today);
  const found = useCountingRate(from, to, on);
  const code = (label: string, value: string, set: (code: string) => void) => (
    <TextField
      label={label}
      value={value}
      onChange={(event) => set(event.target.value.toUpperCase().slice(0, 3))}
      slotProps={{ inputLabel: { shrink: true } }}
      sx={{ width: 80 }}
    />
  );
  return (
    <Box component="section" aria-label="What counts" sx={{ mb: 2 }}>
      <Box sx={{ display: "flex", alignItems: "center", gap: 1.5 }}>
        <Typography>What counts from</Typography>
        {code("From", from, setFrom)}
        <Typography>to</Typography>
        {code("To", to, setTo)}
        <DayField label="On the day" value={on} set={setOn} />
        <Typography role="status" color={found.data === null ? "error" : undefined}>
          {found.data && (
            <>
              <span className="figure">
                1 {found.data.from} = {found.data.rate} {found.data.to}
              </span>
              , {howItCameAbout(found.data)}.
            </>
          )}
          {found.data === null &&
            "No rate counts on this day. One has to be taken in or typed; none is guessed."}
        </Typography>
      </Box>
      {found.error && <Failed error={found.error} />}
    </Box>
  );
}
