import { Box, Typography } from "@mui/material";
import type { Schemas } from "../api/client";
import { Amount } from "../shared/Amount";
import { isZero, positive } from "../shared/money";
import type { Entry } from "./drafts";
import { KEPT, REASON } from "../settle/words";

type Proposal = Schemas["ProposalView"];

/** What the engine thinks, as numbered strips; what sets one apart from the others is bold. */
export function Explanations({
  entry,
  chosen,
  choose,
  begun,
}: {
  entry: Entry;
  chosen: number | undefined;
  choose: (rank: number) => void;
  /** Whether a hand has begun to explain it. */
  begun?: boolean;
}) {
  return (
    <Box
      component="section"
      aria-label="Explanations"
      sx={{ display: "flex", flexDirection: "column", gap: 1 }}
    >
      {entry.proposals.map((proposal) => (
        <Strip
          key={proposal.rank}
          proposal={proposal}
          entry={entry}
          chosen={proposal.rank === chosen}
          choose={choose}
        />
      ))}
      {entry.alternatives > 1 && (
        <Typography variant="body2" color="textSecondary" sx={{ px: 0.5 }}>
          {entry.alternatives.toLocaleString()} explanations are about as good as the first
          {entry.alternatives > entry.proposals.length && `; the best ${entry.proposals.length} are shown`}.
        </Typography>
      )}
      {entry.notes.map((note) => (
        <Typography
          key={note.text}
          variant="body2"
          sx={{ borderLeft: 3, borderColor: "primary.main", pl: 1.25, py: 0.25 }}
        >
          {note.text}
        </Typography>
      ))}
      {entry.proposals.length === 0 && entry.status === "WAITING" && !begun && (
        <Typography color="textSecondary">
          Nothing we know explains this money. Look for its payer, an invoice or the amount in the account on
          the right (C).
        </Typography>
      )}
      {entry.proposals.length > 0 && entry.proposals.length < 5 && entry.standing !== "CLEAR" && (
        <Typography variant="body2" color="textSecondary" sx={{ px: 0.5 }}>
          {entry.exhaustive
            ? "There is no other explanation."
            : "No other explanation was found within reach."}
        </Typography>
      )}
    </Box>
  );
}

/** Whether every explanation takes this item; then it tells none apart. */
function common(entry: Entry, itemId: number): boolean {
  return (
    entry.proposals.length > 1 &&
    entry.proposals.every((p) => p.applications.some((a) => a.itemId === itemId))
  );
}

function Strip({
  proposal,
  entry,
  chosen,
  choose,
}: {
  proposal: Proposal;
  entry: Entry;
  chosen: boolean;
  choose: (rank: number) => void;
}) {
  const owners = new Set(proposal.applications.map((a) => a.customerName));
  return (
    <Box
      component="button"
      type="button"
      aria-pressed={chosen}
      onClick={() => choose(proposal.rank)}
      sx={{
        all: "unset",
        boxSizing: "border-box",
        cursor: "pointer",
        display: "flex",
        gap: 1.5,
        px: 1.25,
        py: 1,
        border: 1,
        borderLeft: chosen ? 4 : 1,
        borderColor: chosen ? "primary.main" : "divider",
        borderRadius: 1,
        bgcolor: chosen ? "background.paper" : "transparent",
        "&:focus-visible": { outline: 2, outlineColor: "primary.main", outlineOffset: 1 },
      }}
    >
      <Box
        aria-hidden
        className="figure"
        sx={{
          border: 1,
          borderColor: "divider",
          borderRadius: 0.5,
          width: 20,
          height: 20,
          textAlign: "center",
          fontSize: 12,
          lineHeight: "18px",
          flexShrink: 0,
        }}
      >
        {proposal.rank}
      </Box>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Box sx={{ display: "flex", gap: 2, justifyContent: "space-between", fontSize: 14 }}>
          <Box>
            {proposal.applications.map((a, n) => (
              <span key={a.itemId}>
                {n > 0 && (n === proposal.applications.length - 1 ? " and " : ", ")}
                <Box
                  component="span"
                  className="figure"
                  sx={{ fontWeight: common(entry, a.itemId) ? 400 : 700 }}
                >
                  {a.number}
                </Box>{" "}
                <Amount of={a.amount} />
                {owners.size > 1 && ` (${a.customerName})`}
                {!isZero(a.discount) && (
                  <>
                    {" less discount "}
                    <Amount of={a.discount} />
                  </>
                )}
              </span>
            ))}
            {proposal.adjustments.map((a) => (
              <span key={a.kind}>
                {", "}
                {KEPT[a.kind]} <Amount of={positive(a.amount)} />
                {a.reason && ` (${REASON[a.reason]})`}
              </span>
            ))}
            {!isZero(proposal.onAccount) && (
              <span>
                {proposal.applications.length > 0 && ", "}
                <Amount of={proposal.onAccount} /> on account
              </span>
            )}
          </Box>
          <Typography sx={{ color: "text.secondary", whiteSpace: "nowrap", fontSize: 13 }}>
            {proposal.odds}
          </Typography>
        </Box>
        <Box
          component="ul"
          sx={{ m: 0, mt: 0.5, p: 0, listStyle: "none", fontSize: 13, color: "text.secondary" }}
        >
          {proposal.evidence.map((evidence) => (
            <Box
              component="li"
              key={evidence.text}
              sx={{ pl: 1.5, textIndent: -12, "&::before": { content: '"–\\00a0\\00a0"' } }}
            >
              {evidence.text}
            </Box>
          ))}
        </Box>
      </Box>
    </Box>
  );
}
