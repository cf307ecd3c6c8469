import { Box, Link } from "@mui/material";
import { Link as RouterLink } from "react-router";
import { useBooks } from "../access/session";
import { Amount } from "../shared/Amount";
import { ColumnHead, ColumnLine } from "../shared/Columns";
import { onDay, onWeekday } from "../shared/dates";
import { PagedList } from "../shared/PagedList";
import { usePayouts } from "./queries";

const COLUMNS = "minmax(200px, 300px) 190px 120px 80px 130px 1fr";

/** Every payout that came, the latest first. */
export default function PayoutsView() {
  const books = useBooks();
  const payouts = usePayouts();
  return (
    <PagedList
      label="Payouts"
      aside={
        <Link component={RouterLink} to="/waiting/payouts/processors" sx={{ ml: "auto", fontSize: 13 }}>
          What processors owe and cost
        </Link>
      }
      head={
        <ColumnHead columns={COLUMNS}>
          <span>Payout</span>
          <span>Period</span>
          <span>Sent</span>
          <Box sx={{ textAlign: "right" }}>Items</Box>
          <Box sx={{ textAlign: "right" }}>Sent to the bank</Box>
          <span />
        </ColumnHead>
      }
      rows={payouts.data?.pages.flatMap((page) => page.rows)}
      rowKey={(payout) => payout.id}
      estimate={38}
      error={payouts.error}
      retry={() => void payouts.refetch()}
      hasMore={payouts.hasNextPage}
      loading={payouts.isFetchingNextPage}
      loadMore={() => void payouts.fetchNextPage()}
      empty="No payout yet: take in the file of a card processor or a marketplace"
      row={(payout) => (
        <ColumnLine columns={COLUMNS}>
          <Link component={RouterLink} to={`/waiting/payouts/${payout.id}`} underline="hover">
            {payout.words.replace(/^p/, "P")}
          </Link>
          <span>
            {payout.periodStart && payout.periodEnd
              ? `${onDay(payout.periodStart)} to ${onDay(payout.periodEnd)}`
              : ""}
          </span>
          <span>{onWeekday(payout.paidOn)}</span>
          <Box className="figure" sx={{ textAlign: "right" }}>
            {payout.items.toLocaleString()}
          </Box>
          <Box sx={{ textAlign: "right" }}>
            <Amount of={payout.paidOut} />
            {payout.paidOut.currency !== books.currency && ` ${payout.paidOut.currency}`}
          </Box>
          <Box sx={{ color: payout.blocked ? "primary.main" : "text.secondary" }}>
            {payout.postedBy
              ? `booked by ${payout.postedBy}`
              : payout.blocked
                ? "contradicts itself; a supervisor has to accept it"
                : "not booked yet"}
          </Box>
        </ColumnLine>
      )}
    />
  );
}
