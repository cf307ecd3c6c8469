import { Box, Link } from "@mui/material";
import { Link as RouterLink } from "react-router";
import { Amount } from "../shared/Amount";
import { ColumnLine } from "../shared/Columns";
import { atMoment } from "../shared/dates";
import { PagedList } from "../shared/PagedList";
import { useRuns } from "./queries";
import { inWords } from "./words";

/** Everything that was posted as a run, newest first. */
export default function RunsView() {
  const runs = useRuns();
  return (
    <PagedList
      label="Runs"
      head={<Box sx={{ borderBottom: 1, borderColor: "divider" }} />}
      rows={runs.data?.pages.flatMap((page) => page.rows)}
      rowKey={(run) => run.id}
      estimate={38}
      error={runs.error}
      retry={() => void runs.refetch()}
      hasMore={runs.hasNextPage}
      loading={runs.isFetchingNextPage}
      loadMore={() => void runs.fetchNextPage()}
      empty="No run yet: what stands clear is posted together from the desk (P)"
      row={(run) => (
        <ColumnLine columns="90px 170px 140px 1fr">
          <Link component={RouterLink} to={`/posted/runs/${run.id}`} underline="hover">
            Run {run.id}
          </Link>
          <Box sx={{ color: "text.secondary" }}>
            {atMoment(run.startedAt)} · {run.by}
          </Box>
          <Box sx={{ textAlign: "right" }}>
            <Amount of={run.postedAmount} />
          </Box>
          <span>{inWords(run)}</span>
        </ColumnLine>
      )}
    />
  );
}
