import { Box, Link } from "@mui/material";
import { Link as RouterLink } from "react-router";
import type { Schemas } from "../api/client";

/** The ways back from a line of the books to what it was written of. */
export function Ways({ of }: { of: Schemas["JournalSource"] }) {
  const ways: [string, string][] = [];
  if (of.settlementId) {
    ways.push([`/posted/settlements/${of.settlementId}`, `settlement ${of.settlementId}`]);
  }
  if (of.depositId) {
    ways.push([`/pouch/deposits/${of.depositId}`, "the deposit"]);
  }
  if (of.payoutId) {
    ways.push([`/waiting/payouts/${of.payoutId}`, "the payout"]);
  }
  if (of.lockboxBatchId) {
    ways.push(
      of.entryId
        ? [`/waiting/lockbox/${of.lockboxBatchId}/${of.entryId}`, "the cheque in its batch"]
        : [`/waiting/lockbox/${of.lockboxBatchId}`, "the lockbox batch"],
    );
  }
  return (
    <Box component="span" sx={{ fontSize: 12.5, display: "inline-flex", gap: 1.5 }}>
      {ways.map(([to, words]) => (
        <Link key={to} component={RouterLink} to={to}>
          {words}
        </Link>
      ))}
    </Box>
  );
}
