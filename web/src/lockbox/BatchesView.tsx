import { Box, Link } from "@mui/material";
import { Link as RouterLink } from "react-router";
import { Amount } from "../shared/Amount";
import { ColumnHead, ColumnLine } from "../shared/Columns";
import { onWeekday } from "../shared/dates";
import { isZero } from "../shared/money";
import { PagedList } from "../shared/PagedList";
import { useBatches } from "./queries";
import { batchName } from "./words";

const COLUMNS = "minmax(180px, 260px) 150px 150px 110px 130px 130px 1fr";

/** Every lockbox batch that came, the latest first. */
export default function BatchesView() {
  const batches = useBatches();
  return (
    <PagedList
      label="Lockbox batches"
      head={
        <ColumnHead columns={COLUMNS}>
          <span>Batch</span>
          <span>Deposited</span>
          <span>Account</span>
          <Box sx={{ textAlign: "right" }}>Cheques</Box>
          <Box sx={{ textAlign: "right" }}>Control total</Box>
          <Box sx={{ textAlign: "right" }}>Not posted</Box>
          <span />
        </ColumnHead>
      }
      rows={batches.data?.pages.flatMap((page) => page.rows)}
      rowKey={(batch) => batch.id}
      estimate={38}
      error={batches.error}
      retry={() => void batches.refetch()}
      hasMore={batches.hasNextPage}
      loading={batches.isFetchingNextPage}
      loadMore={() => void batches.fetchNextPage()}
      empty="No lockbox batch yet: take in the file of the bank’s mail room"
      row={(batch) => (
        <ColumnLine columns={COLUMNS}>
          <Link component={RouterLink} to={`/waiting/lockbox/${batch.id}`} underline="hover">
            {batchName(batch).replace(/^b/, "B")}
          </Link>
          <span>{onWeekday(batch.depositedOn)}</span>
          <span>{batch.bankAccount}</span>
          <Box className="figure" sx={{ textAlign: "right" }}>
            {batch.posted > 0 && batch.posted < batch.cheques
              ? `${batch.posted.toLocaleString()} of ${batch.cheques.toLocaleString()}`
              : batch.cheques.toLocaleString()}
          </Box>
          <Box sx={{ textAlign: "right" }}>
            <Amount of={batch.total} />
          </Box>
          <Box sx={{ textAlign: "right" }}>
            <Amount of={batch.waiting} />
          </Box>
          <Box sx={{ color: batch.blocked ? "primary.main" : "text.secondary" }}>
            {batch.blocked
              ? "contradicts itself; a supervisor has to accept it"
              : isZero(batch.waiting)
                ? "posted whole"
                : ""}
          </Box>
        </ColumnLine>
      )}
    />
  );
}
