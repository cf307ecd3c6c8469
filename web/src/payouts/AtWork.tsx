import { Alert, Box, LinearProgress } from "@mui/material";
import type { Payout } from "./queries";

/** How far a payout is that is booked or taken back just now; or why that came to nothing. */
export function AtWork({ job }: { job: NonNullable<Payout["job"]> }) {
  const books = job.doing === "BOOK";
  if (job.refused) {
    return (
      <Alert severity="error" variant="outlined" sx={{ mx: 2, mt: 1 }}>
        {books ? "It was not booked" : "It was not taken back"}: {job.refused}
      </Alert>
    );
  }
  return (
    <Box role="status" sx={{ px: 2, py: 0.75, bgcolor: "background.paper", fontSize: 13 }}>
      <LinearProgress
        aria-label={books ? "Items booked" : "Being taken back"}
        variant={job.done > 0 ? "determinate" : "indeterminate"}
        value={Math.floor((100 * job.done) / Math.max(1, job.items))}
      />
      <Box sx={{ mt: 0.5, color: "text.secondary" }}>
        {job.by} {books ? "books it" : "takes it back"}
        {job.done > 0 && `: ${job.done.toLocaleString()} of ${job.items.toLocaleString()} items`}
      </Box>
    </Box>
  );
}
