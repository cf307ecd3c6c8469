import { Link } from "@mui/material";
import { Link as RouterLink } from "react-router";
import { onDay } from "../shared/dates";
import { useChequeOf } from "./queries";
import { batchName } from "./words";

/** The way from what money became back to its cheque and batch, where it came by a lockbox. */
export function CameBy({ entryId }: { entryId: number | null | undefined }) {
  const cheque = useChequeOf(entryId ?? undefined).data;
  return cheque ? (
    <span>
      cheque {cheque.chequeNumber || "without a number"}, item {cheque.item} of{" "}
      <Link component={RouterLink} to={`/waiting/lockbox/${cheque.batchId}/${entryId}`}>
        {batchName(cheque)}
      </Link>{" "}
      of {onDay(cheque.depositedOn)}
    </span>
  ) : null;
}
