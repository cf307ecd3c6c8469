import { Alert, Box, Button, Typography } from "@mui/material";
import type { ReactNode } from "react";
import type { Money } from "../api/client";
import { Amount } from "../shared/Amount";
import { count, onWeekday } from "../shared/dates";
import { Notes } from "../notes/Notes";
import { typedAmount } from "../shared/money";
import { STANDING_WORD, StandingGlyph } from "../tally/StandingGlyph";
import { TallyBar } from "../tally/TallyBar";
import { Advice } from "./Advice";
import { BankText } from "./BankText";
import { BatchParts } from "./BatchParts";
import { Counts } from "./Counts";
import { Differences } from "./Differences";
import { takingAmount, tallyOf, type Draft, type Entry, type Preview } from "./drafts";
import { CameBy } from "../lockbox/CameBy";
import { useChequeOf } from "../lockbox/queries";
import { PictureOf } from "../pouch/ChequePicture";
import { NoReceipt } from "../treat/NoReceipt";
import { SeemsPayout } from "../payouts/SeemsPayout";
import { EntryDeposits } from "../pouch/EntryDeposits";
import { Elsewhere } from "./Elsewhere";
import { Explanations } from "./Explanations";
import { RememberPayer } from "./RememberPayer";
import { JournalLines } from "../journal/JournalLines";

interface Props {
  entry: Entry;
  draft: Draft;
  preview: Preview | undefined;
  numberOf: (itemId: number) => string;
  choose: (rank: number) => void;
  change: (draft: Draft, numbers?: ReadonlyMap<number, string>) => void;
  drop: (itemId: number) => void;
  readOnly: boolean;
  notice: ReactNode;
  tools: ReactNode;
  /** What has to be known before the draft can be counted. */
  asked: ReactNode;
  /** Whether the draft is what the text names in other currencies or of other companies. */
  named: boolean;
  /** To the next one, after this was booked as no receipt. */
  goOn: () => void;
}

/** The receipt: what the bank said, how the draft divides it, what explains it, what posting would write. */
export function ReceiptPane({
  entry,
  draft,
  preview,
  numberOf,
  choose,
  change,
  drop,
  readOnly,
  notice,
  tools,
  goOn,
  asked,
  named,
}: Props) {
  const rank = draft.explanation ?? undefined;
  return (
    <Sheet>
      <Box>
        <Box sx={{ display: "flex", justifyContent: "space-between", gap: 2 }}>
          <Typography
            variant="h1"
            title={entry.payer}
            sx={{
              overflow: "hidden",
              display: "-webkit-box",
              WebkitLineClamp: 2,
              WebkitBoxOrient: "vertical",
              overflowWrap: "anywhere",
            }}
          >
            {entry.payer}
          </Typography>
          <Amount of={entry.amount} sx={{ fontSize: 22, fontWeight: 700 }} />
        </Box>
        <Box sx={{ display: "flex", alignItems: "center", gap: 0.75, color: "text.secondary" }}>
          <StandingGlyph standing={entry.standing} />
          <Typography variant="body2">
            {STANDING_WORD[entry.standing]} ·{" "}
            {entry.recorded ? (
              <Received entry={entry} />
            ) : (
              `booked ${onWeekday(entry.bookedOn)} on ${entry.bankAccount}`
            )}
            {entry.daysWaiting > 0 && ` · waiting ${count(entry.daysWaiting, "day")}`}
          </Typography>
        </Box>
      </Box>
      <BankText entry={entry} />
      <PictureOf entry={entry} />
      <BatchParts entry={entry} />
      <Advice entry={entry} readOnly={readOnly} />
      {!entry.recorded && <EntryDeposits entry={entry} />}
      {!entry.recorded && entry.status === "WAITING" && <SeemsPayout entryId={entry.id} />}
      {!entry.recorded && entry.status === "WAITING" && <NoReceipt entryId={entry.id} done={goOn} />}
      <Notes about={`entry-${entry.id}`} />
      {tools}
      {notice}
      <DraftBar
        says={
          rank
            ? `Explanation ${rank} as a draft`
            : named
              ? "What the text names elsewhere, as a draft"
              : draft.applications.length + draft.adjustments.length > 0
                ? "Draft made by hand"
                : "Nothing in the draft yet"
        }
        received={entry.amount}
        draft={draft}
        preview={preview}
        numberOf={numberOf}
        change={change}
        drop={drop}
        readOnly={readOnly}
      />
      {asked}
      <Differences draft={draft} change={change} readOnly={readOnly} />
      <RememberPayer entry={entry} draft={draft} preview={preview} change={change} readOnly={readOnly} />
      {entry.status === "WAITING" && (
        <Elsewhere entry={entry} change={change} readOnly={readOnly} taken={named} />
      )}
      {/* what a hand has made stands with what it writes; an explanation stands among its like first */}
      {!rank && <Writes preview={preview} />}
      <Explanations
        entry={entry}
        chosen={rank}
        choose={choose}
        begun={draft.applications.length + draft.adjustments.length > 0}
      />
      {rank && <Writes preview={preview} />}
    </Sheet>
  );
}

/** Where a receipt came to: an envelope at the bank, or the office. */
function Received({ entry }: { entry: Entry }) {
  const mailed = useChequeOf(entry.id);
  return mailed.data ? (
    <CameBy cheque={mailed.data} />
  ) : (
    `received in the office ${onWeekday(entry.bookedOn)}${entry.checkNumber ? `, cheque ${entry.checkNumber}` : ""}`
  );
}

/** The middle of the desk, one thing below the other. */
export function Sheet({ children }: { children: ReactNode }) {
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
      {children}
    </Box>
  );
}

/** The draft's tally bar, with what goes to each customer where there are several, and what changed underneath. */
export function DraftBar({
  says,
  received,
  draft,
  preview,
  numberOf,
  change,
  drop,
  readOnly,
}: {
  says: string;
  received: Money;
  draft: Draft;
  preview: Preview | undefined;
  numberOf: (itemId: number) => string;
  change: (draft: Draft) => void;
  drop: (itemId: number) => void;
  readOnly: boolean;
}) {
  const digits = received.amount.split(".")[1]?.length ?? 0;
  const resize = (itemId: number, text: string) => {
    const amount = typedAmount(text, received);
    const taken = draft.applications.find((a) => a.itemId === itemId);
    if (amount && taken && amount.amount !== taken.amount.amount) {
      change(takingAmount(draft, itemId, amount));
    }
  };
  return (
    <Box>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 0.75 }}>
        {says}
      </Typography>
      <TallyBar
        layout={tallyOf(received, draft, numberOf, preview?.exchanges)}
        currency={received.currency}
        digits={digits}
        dashed
        resize={readOnly ? undefined : resize}
        drop={readOnly ? undefined : drop}
      />
      {preview && (
        <Counts
          draft={draft}
          preview={preview}
          numberOf={numberOf}
          change={change}
          drop={drop}
          readOnly={readOnly}
        />
      )}
      {preview && preview.customers.length > 1 && (
        <Typography variant="body2" color="textSecondary" aria-label="By customer">
          {preview.customers.map((c, n) => (
            <span key={`${c.customerId} ${c.taken.currency}`}>
              {n > 0 && " · "}
              {c.name} <Amount of={c.taken} />
              {c.taken.currency !== received.currency && ` ${c.taken.currency}`}
            </span>
          ))}
        </Typography>
      )}
      {preview && preview.changes.length > 0 && (
        <Alert
          severity="warning"
          variant="outlined"
          icon={false}
          sx={{ mt: 1 }}
          action={
            preview.adjusted && !readOnly ? (
              <Button color="inherit" onClick={() => preview.adjusted && change(preview.adjusted)}>
                Adjust the draft
              </Button>
            ) : undefined
          }
        >
          {preview.changes.map((sentence) => (
            <div key={sentence}>{sentence}</div>
          ))}
        </Alert>
      )}
    </Box>
  );
}

/** The journal lines that posting would write. */
export function Writes({ preview }: { preview: Preview | undefined }) {
  return (
    preview &&
    preview.lines.length > 0 && (
      <Box sx={{ border: "1px dashed", borderColor: "divider", borderRadius: 1, px: 1.5, py: 1 }}>
        <Typography variant="body2" color="textSecondary">
          {preview.needsApproval ? "Posting writes, once it is approved" : "Posting writes"}
        </Typography>
        <JournalLines lines={preview.lines} />
        {preview.elsewhere.map((other) => (
          <Box key={other.company.id} component="section" aria-label={`Written for ${other.company.name}`}>
            <Typography variant="body2" color="textSecondary" sx={{ mt: 0.75 }}>
              and for {other.company.name}
            </Typography>
            <JournalLines lines={other.lines} />
          </Box>
        ))}
      </Box>
    )
  );
}
