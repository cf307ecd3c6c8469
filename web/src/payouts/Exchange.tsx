import { Box, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { grouped, isNegative, isZero } from "../shared/money";
import { useExchange } from "./queries";

/** What the processor changed into another currency, and what that cost at the rate of the books; nothing where it changed nothing. */
export function Exchange({ payoutId }: { payoutId: number }) {
  const [typed, setTyped] = useState("");
  const rate = typed.trim() === "" ? undefined : typed.trim();
  const exchange = useExchange(payoutId, rate);
  const changed = useExchange(payoutId).data;
  if (!changed) {
    return null;
  }
  const { given, got } = changed;
  const difference = rate && !exchange.isFetching ? exchange.data?.difference : undefined;
  return (
    <Box component="section" aria-label="Money changed" sx={{ mt: 1.5, fontSize: 13 }}>
      <Typography variant="body2">
        {grouped(given)} {given.currency} became {grouped(got)} {got.currency}:{" "}
        <span className="figure">{changed.perUnit}</span> {got.currency} for each {given.currency}.
      </Typography>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 1.5, mt: 1 }}>
        <TextField
          label="Rate at which the sales count"
          value={typed}
          error={Boolean(rate && exchange.error)}
          helperText={rate && exchange.error ? exchange.error.message : undefined}
          onChange={(event) => setTyped(event.target.value)}
          sx={{ width: 210 }}
        />
        {difference && (
          <span role="status">
            {isZero(difference)
              ? "no difference"
              : `${grouped(difference).replace("−", "")} ${difference.currency} ${isNegative(difference) ? "lost" : "gained"} on exchange`}
          </span>
        )}
      </Box>
    </Box>
  );
}
