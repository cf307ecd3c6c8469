import { Box, Typography } from "@mui/material";
import type { ReactNode } from "react";
import type { Money } from "../api/client";
import { count } from "../shared/dates";
import { grouped, isZero, minor } from "../shared/money";
import { layOut } from "../tally/layout";
import { ThinTally } from "../tally/TallyBar";
import type { Batch } from "./queries";

/** The control total of a batch and what it is made of; it moves as one works. */
export function ControlTotals({ batch }: { batch: Batch }) {
  const t = batch.totals;
  const layout = layOut(
    minor(t.control),
    [{ label: "applied", amount: minor(t.applied), discount: 0 }],
    [
      { label: "differences", amount: -minor(t.differences) },
      { label: "to accounts", amount: -minor(t.toAccounts) },
    ].filter((d) => d.amount !== 0),
    minor(t.onAccount),
  );
  return (
    <Box
      component="section"
      aria-label="Control totals"
      sx={{ px: 2, py: 1, borderBottom: 1, borderColor: "divider", bgcolor: "background.paper" }}
    >
      <Box component="dl" sx={{ display: "flex", alignItems: "flex-end", gap: 1.25, m: 0, mb: 0.75 }}>
        <Total name={count(t.cheques, "cheque")} of={t.control} strong />
        <Sign>=</Sign>
        <Total name="applied" of={t.applied} />
        <Sign>+</Sign>
        <Total name="on account" of={t.onAccount} />
        <Sign>+</Sign>
        <Total name="differences" of={t.differences} />
        {!isZero(t.toAccounts) && (
          <>
            <Sign>+</Sign>
            <Total name="to accounts" of={t.toAccounts} />
          </>
        )}
        <Sign>+</Sign>
        <Total name="left to explain" of={t.left} open={!isZero(t.left)} />
        <Box sx={{ flex: 1 }} />
        <Total name={`${count(t.items, "item")} on slips`} of={t.itemTotal} />
        {batch.claimedTotal && <Box sx={{ width: 8 }} />}
        {batch.claimedTotal && (
          <Total
            name={`the bank claims ${batch.claimedCheques ?? "?"}`}
            of={batch.claimedTotal}
            open={batch.claimedTotal.amount !== t.control.amount}
          />
        )}
      </Box>
      <ThinTally layout={layout} strong />
    </Box>
  );
}

function Total({ name, of, strong, open }: { name: string; of: Money; strong?: boolean; open?: boolean }) {
  return (
    <Box sx={{ color: open ? "primary.main" : undefined }}>
      <Box component="dt" sx={{ fontSize: 12, color: open ? "primary.main" : "text.secondary" }}>
        {name}
      </Box>
      <Box
        component="dd"
        className="figure"
        sx={{ m: 0, fontSize: 15.5, fontWeight: strong || open ? 700 : 400, lineHeight: 1.3 }}
      >
        {grouped(of)}
      </Box>
    </Box>
  );
}

function Sign({ children }: { children: ReactNode }) {
  return (
    <Typography aria-hidden sx={{ color: "text.secondary", fontSize: 15.5, lineHeight: 1.3 }}>
      {children}
    </Typography>
  );
}
