import { Link } from "@mui/material";
import { Link as RouterLink } from "react-router";
import type { Schemas } from "../api/client";
import { onDay } from "../shared/dates";
import { batchName } from "./words";

/** The way from what money became back to its cheque and batch. */
export function CameBy({ cheque }: { cheque: Schemas["ChequeOrigin"] }) {
  return (
    <span>
      cheque {cheque.chequeNumber || "without a number"}, item {cheque.item} of{" "}
      <Link component={RouterLink} to={`/waiting/lockbox/${cheque.batchId}/${cheque.entryId}`}>
        {batchName(cheque)}
      </Link>{" "}
      of {onDay(cheque.depositedOn)}
    </span>
  );
}
