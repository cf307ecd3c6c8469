import { Box, Link, Typography } from "@mui/material";
import { Link as RouterLink, useParams } from "react-router";
import { Notes } from "../notes/Notes";
import { Amount } from "../shared/Amount";
import { count, onDay } from "../shared/dates";
import { isZero } from "../shared/money";
import { Failed, Loading } from "../shared/States";
import { useItem } from "./queries";
import { SettlementStrip } from "./SettlementStrip";
import { ITEM, REASON } from "./words";

/** One item of an account with all that ever happened to it: what settled it, what was taken back, what came in its place. */
export default function ItemView() {
  const id = Number(useParams().itemId);
  const found = useItem(id);
  if (found.error && !found.data) {
    return <Failed error={found.error} retry={() => void found.refetch()} />;
  }
  if (!found.data) {
    return <Loading />;
  }
  const { item, settlements } = found.data;
  return (
    <Box sx={{ p: 3, maxWidth: 1180 }}>
      <Typography variant="h1">
        <span className="figure">{item.number}</span>
      </Typography>
      <Typography color="textSecondary">
        {ITEM[item.kind]} of{" "}
        <Link component={RouterLink} to={`/posted/customers/${item.customerId}`}>
          {item.customerName}
        </Link>
        , {onDay(item.issuedOn)}, due {onDay(item.dueOn)}
        {item.daysOverdue > 0 && ` (${count(item.daysOverdue, "day")} overdue)`}
        {item.orderReference &&
          `, ${item.kind === "ON_ACCOUNT" ? "prepayment for " : ""}order ${item.orderReference}`}
        {item.terms && `, ${item.terms}`}
        {item.claimReason && `, ${REASON[item.claimReason]}`}
      </Typography>
      <Typography sx={{ mt: 1.5, mb: 2, fontSize: 16 }}>
        <Amount of={item.total} /> {item.total.currency},{" "}
        {isZero(item.open) ? (
          <>settled{item.settledOn && ` on ${onDay(item.settledOn)}`}</>
        ) : (
          <>
            <Amount of={item.open} sx={{ fontWeight: 700 }} /> open
          </>
        )}
      </Typography>
      <Box sx={{ maxWidth: 720, mb: 2 }}>
        <Notes about={`item-${id}`} />
      </Box>
      <Typography variant="h2" sx={{ mb: 1 }}>
        What happened to it
      </Typography>
      {settlements.length === 0 && (
        <Typography color="textSecondary">Nothing was ever set against it.</Typography>
      )}
      {settlements.map((s) => (
        <SettlementStrip key={s.id} settlement={s} />
      ))}
    </Box>
  );
}
