import { Box, Typography } from "@mui/material";
import { Amount } from "../shared/Amount";
import { count, onWeekday } from "../shared/dates";
import { STANDING_WORD, StandingGlyph } from "../tally/StandingGlyph";
import { TallyBar } from "../tally/TallyBar";
import { BankText } from "./BankText";
import { tallyOf, type Draft, type Entry, type Preview } from "./drafts";
import { Explanations } from "./Explanations";
import { JournalLines } from "../journal/JournalLines";

interface Props {
  entry: Entry;
  draft: Draft;
  preview: Preview | undefined;
  numberOf: (itemId: number) => string;
  choose: (rank: number) => void;
}

/** The receipt: what the bank said, how the draft divides it, what explains it, what posting would write. */
export function ReceiptPane({ entry, draft, preview, numberOf, choose }: Props) {
  const layout = tallyOf(entry, draft, numberOf);
  const digits = entry.amount.amount.split(".")[1]?.length ?? 0;
  const rank = draft.explanation ?? undefined;
  return (
    <Box
      component="section"
      aria-label="Receipt"
      sx={{
        flex: 1,
        minWidth: 0,
        overflow: "auto",
        px: 2.5,
        py: 1.75,
        display: "flex",
        flexDirection: "column",
        gap: 1.5,
        bgcolor: "background.paper",
      }}
    >
      <Box>
        <Box sx={{ display: "flex", justifyContent: "space-between", gap: 2 }}>
          <Typography variant="h1">{entry.payer}</Typography>
          <Amount of={entry.amount} sx={{ fontSize: 22, fontWeight: 700 }} />
        </Box>
        <Box sx={{ display: "flex", alignItems: "center", gap: 0.75, color: "text.secondary" }}>
          <StandingGlyph standing={entry.standing} />
          <Typography variant="body2">
            {STANDING_WORD[entry.standing]} · booked {onWeekday(entry.bookedOn)} on {entry.bankAccount}
            {entry.daysWaiting > 0 && ` · waiting ${count(entry.daysWaiting, "day")}`}
          </Typography>
        </Box>
      </Box>
      <BankText entry={entry} />
      <Box>
        <Typography variant="body2" color="textSecondary" sx={{ mb: 0.75 }}>
          {rank
            ? `Explanation ${rank} as a draft`
            : draft.applications.length > 0
              ? "Draft made by hand"
              : "Nothing in the draft yet"}
        </Typography>
        <TallyBar layout={layout} currency={entry.amount.currency} digits={digits} dashed />
      </Box>
      <Explanations entry={entry} chosen={rank} choose={choose} />
      {preview && preview.lines.length > 0 && (
        <Box sx={{ border: "1px dashed", borderColor: "divider", borderRadius: 1, px: 1.5, py: 1 }}>
          <Typography variant="body2" color="textSecondary">
            Posting writes
          </Typography>
          <JournalLines lines={preview.lines} />
        </Box>
      )}
    </Box>
  );
}
