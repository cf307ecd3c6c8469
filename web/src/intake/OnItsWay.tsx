import { Box, Button, LinearProgress, Link, Typography } from "@mui/material";
import { Link as RouterLink, useLocation } from "react-router";
import { count } from "../shared/dates";
import { useIntaking } from "./intaking";
import type { Progress } from "./send";

/** The file that is being taken in now, how far it is, and how to stop it. */
export function OnItsWay() {
  const { items, stop } = useIntaking();
  const open = items.filter((item) => !item.outcome);
  const now = open[0];
  if (!now) {
    return null;
  }
  const { phase, done, total } = now.progress ?? { phase: "SENDING", done: 0, total: 0 };
  return (
    <Box role="status" sx={{ mt: 1.5, display: "flex", alignItems: "center", gap: 2 }}>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <LinearProgress
          aria-label={`Taking in ${now.file.name}`}
          variant={total > 0 ? "determinate" : "indeterminate"}
          value={total > 0 ? (100 * done) / total : undefined}
        />
        <Typography variant="body2" sx={{ overflowWrap: "anywhere" }}>
          {now.file.name}: {said({ phase, done, total })}
          {open.length > 1 && `; ${count(open.length - 1, "file")} after it`}
        </Typography>
      </Box>
      <Button onClick={stop}>Stop</Button>
    </Box>
  );
}

function said({ phase, done, total }: Progress): string {
  if (phase === "SENDING") {
    return total > 0 ? `${Math.round((100 * done) / total)} % sent` : "being sent";
  }
  if (phase === "READING") {
    return done > 0 ? `${count(done, "record")} read` : "being read";
  }
  return `${done.toLocaleString()} of ${count(total, "record")} kept`;
}

/** On every view but the intake's own: that files are being taken in, and what became of them. */
export function IntakeNotice() {
  const { items, clear, over } = useIntaking();
  const { pathname } = useLocation();
  if (pathname === "/arrived/intake" || (items.length === 0 && !over)) {
    return null;
  }
  return (
    <Box
      component="section"
      aria-label="Files on their way"
      sx={{
        position: "fixed",
        // on the desk, over the end of the queue and not over what is worked on
        left: 8,
        bottom: 84,
        width: 280,
        maxHeight: "60vh",
        overflow: "auto",
        zIndex: "snackbar",
        bgcolor: "background.paper",
        border: 1,
        borderColor: over ? "primary.main" : "divider",
        borderRadius: 1,
        p: 1.5,
      }}
    >
      {over && <Typography variant="body2">Let go to take it in.</Typography>}
      <OnItsWay />
      {items.map(({ key, file, outcome }) =>
        outcome ? (
          <Box
            key={key}
            sx={{
              fontSize: 13,
              py: 0.5,
              color: outcome.refusal && outcome.refusal.code !== "STOPPED" ? "error.main" : "text.primary",
            }}
          >
            <strong>{file.name}</strong>:{" "}
            {outcome.refusal
              ? outcome.refusal.message
              : outcome.intake &&
                `${outcome.intake.fresh.toLocaleString()} new, ${outcome.intake.known.toLocaleString()} known already.`}
          </Box>
        ) : null,
      )}
      {items.some((item) => item.outcome) && (
        <Box sx={{ display: "flex", gap: 2, mt: 0.5, alignItems: "center" }}>
          <Link component={RouterLink} to="/arrived/intake">
            To the intake
          </Link>
          <Button onClick={clear}>Close</Button>
        </Box>
      )}
    </Box>
  );
}
