import { Alert, Box, Typography } from "@mui/material";
import type { Schemas } from "../api/client";
import { Amount } from "../shared/Amount";
import { count, onDay } from "../shared/dates";
import { grouped, positive } from "../shared/money";
import type { RuleSent } from "./queries";

type Trial = Schemas["TrialView"];
type Group = Schemas["TriedGroup"];

/** What a treatment would have done in the last 90 days; what would have gone wrong stands first. */
export function TrialOfRule({
  trial,
  error,
  way,
}: {
  trial: Trial | undefined;
  error: Error | null;
  way: RuleSent["way"];
}) {
  return (
    <Box component="aside" aria-label="What it would have done">
      <Typography variant="h3">What it would have done</Typography>
      {error ? (
        <Alert severity="error" variant="outlined" sx={{ mt: 1 }}>
          {error.message}
        </Alert>
      ) : !trial ? (
        <Typography color="textSecondary">
          Say a word of the text, an account and a cap: then the entries of the last 90 days that it would
          have taken stand here.
        </Typography>
      ) : (
        <>
          <Typography role="status" sx={{ mb: 1 }}>
            Since {onDay(trial.since)} it would have taken {count(trial.caught, "entry", "entries")}.
          </Typography>
          <Tried
            group={trial.wrong}
            tone="error.main"
            title={(n) => `${count(n, "entry", "entries")} would have gone wrong`}
            says="They paid invoices, stood on account, or were a deposit, a payout or returned."
          />
          <Tried
            group={trial.elsewhere}
            tone="primary.main"
            title={(n) => `${count(n, "entry", "entries")} went to other accounts`}
            says="Somebody booked them otherwise."
          />
          <Tried
            group={trial.right}
            tone="settled"
            title={(n) => `${count(n, "entry", "entries")} went to just these accounts`}
            says="Somebody booked them the same way."
          />
          <Tried
            group={trial.undecided}
            tone="divider"
            title={(n) => `${count(n, "entry", "entries")} ${n === 1 ? "waits" : "wait"}`}
            says={
              way === "POSTS"
                ? "Kept, it posts them at once, unless their payer has something open."
                : "Kept, it offers itself for them."
            }
          />
          <Tried
            group={trial.beyondCap}
            tone="divider"
            title={(n) => `${count(n, "entry", "entries")} beyond the cap`}
            says="It leaves them to people."
          />
        </>
      )}
    </Box>
  );
}

function Tried({
  group,
  tone,
  title,
  says,
}: {
  group: Group;
  tone: string;
  title: (n: number) => string;
  says: string;
}) {
  if (group.count === 0) {
    return null;
  }
  return (
    <Box sx={{ borderLeft: 3, borderColor: tone, pl: 1.5, mb: 1.5 }}>
      <Box sx={{ display: "flex", justifyContent: "space-between", gap: 1 }}>
        <Typography sx={{ fontWeight: 700 }}>{title(group.count)}</Typography>
        <Amount of={positive(group.amount)} />
      </Box>
      <Typography variant="body2" color="textSecondary">
        {says}
      </Typography>
      {group.latest.slice(0, 6).map((one) => (
        <Box key={one.id} sx={{ display: "flex", gap: 1, fontSize: 12.5 }}>
          <Box component="span" sx={{ width: 54, flexShrink: 0, color: "text.secondary" }}>
            {onDay(one.on)}
          </Box>
          <Box
            component="span"
            sx={{ flex: 1, overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" }}
            title={`${one.counterparty} ${one.text}`}
          >
            {one.text || one.counterparty}
          </Box>
          <span className="figure">{grouped(one.amount)}</span>
        </Box>
      ))}
      {group.count > 6 && (
        <Typography variant="body2" color="textSecondary" sx={{ fontSize: 12.5 }}>
          and {group.count - 6} more
        </Typography>
      )}
    </Box>
  );
}
