import { Box, Button, Tooltip, Typography } from "@mui/material";
import type { Money, Schemas } from "../api/client";
import { Amount } from "../shared/Amount";
import { grouped, isNegative, isZero, positive } from "../shared/money";
import type { Preview } from "./drafts";
import type { Treat } from "./queries";

const WORDS: Record<Treat, (amount: string) => string> = {
  TAKE_DISCOUNT: (a) => `Discount ${a}`,
  BANK_FEE: (a) => `Bank fee ${a}`,
  PROCESSING_FEE: (a) => `Processing fee ${a}`,
  WRITE_OFF: (a) => `Write off ${a}`,
  LEAVE_OWING: (a) => `Leave ${a} owing`,
  KEEP_ON_ACCOUNT: (a) => `Keep ${a} on account`,
};

interface Props {
  preview: Preview | undefined;
  error: Error | null;
  treat: (kind: Treat) => void;
  post: () => void;
  posting: boolean;
  mayPost: boolean;
}

/** Received, applied, discount, adjustments, left; the ways to treat what is left; and the button that posts. */
export function RemainderLine({ preview, error, treat, post, posting, mayPost }: Props) {
  const ready = preview !== undefined && !preview.refusal && mayPost;
  return (
    <Box
      component="section"
      aria-label="Remainder"
      sx={{
        borderTop: 1,
        borderColor: "text.primary",
        bgcolor: "background.paper",
        px: 2,
        minHeight: 76,
        display: "flex",
        alignItems: "center",
        gap: 2,
        flexShrink: 0,
      }}
    >
      {preview ? <Sums tally={preview.tally} /> : <Box sx={{ flex: 1 }} />}
      <Box id="ways" sx={{ display: "flex", flexWrap: "wrap", gap: 0.75, flex: 1, minWidth: 0 }}>
        {error && (
          <Typography role="alert" variant="body2" color="error">
            {error.message}
          </Typography>
        )}
        {!error &&
          preview?.options.map((option) => (
            <Way key={option.kind} option={option} treat={treat} disabled={!mayPost} />
          ))}
        {!error && preview?.refusal && preview.options.length === 0 && (
          <Typography variant="body2" color="textSecondary">
            {preview.refusal}
          </Typography>
        )}
      </Box>
      <Button
        variant="contained"
        size="large"
        onClick={post}
        disabled={!ready || posting}
        sx={{ whiteSpace: "nowrap", flexShrink: 0 }}
      >
        Post {ready && <Amount of={preview.tally.received} sx={{ ml: 0.75 }} />}
        <Box component="span" className="figure" sx={{ ml: 1, fontSize: 11, fontWeight: 400 }}>
          Ctrl ↵
        </Box>
      </Button>
    </Box>
  );
}

function Way({
  option,
  treat,
  disabled,
}: {
  option: Schemas["OptionView"];
  treat: (kind: Treat) => void;
  disabled: boolean;
}) {
  const button = (
    <Button
      variant="outlined"
      color="inherit"
      disabled={!option.allowed || disabled}
      onClick={() => treat(option.kind)}
      sx={{ borderColor: "divider", fontWeight: 400 }}
    >
      {WORDS[option.kind](grouped(option.amount))}
      {!option.allowed && (
        <Box component="span" sx={{ fontSize: 11.5, ml: 0.5 }}>
          ({shortly(option.refusal)})
        </Box>
      )}
    </Button>
  );
  return option.allowed ? (
    button
  ) : (
    <Tooltip describeChild title={option.refusal}>
      <span>{button}</span>
    </Tooltip>
  );
}

/** Enough of a reason to stand in a button; the whole of it is in the tip. */
function shortly(refusal: string): string {
  return refusal.replace(/^the limit is /, "limit ").replace(/ of what is applied.*$/, "");
}

function Sums({ tally }: { tally: Schemas["TallyView"] }) {
  const short = isNegative(tally.left);
  return (
    <Box sx={{ display: "flex", gap: 2.25, flexShrink: 0 }}>
      <Sum name="Received" amount={tally.received} />
      <Sum name="Applied" amount={tally.applied} />
      <Sum name="Discount" amount={tally.discount} />
      <Sum name="Adjusted" amount={tally.adjustments} />
      {!isZero(tally.onAccount) && <Sum name="On account" amount={tally.onAccount} />}
      <Sum name={short ? "Short by" : "Left"} amount={positive(tally.left)} strong />
    </Box>
  );
}

function Sum({ name, amount, strong }: { name: string; amount: Money; strong?: boolean }) {
  return (
    <Box>
      <Typography
        sx={{
          fontSize: 12,
          color: strong ? "primary.main" : "text.secondary",
          fontWeight: strong ? 700 : 400,
        }}
      >
        {name}
      </Typography>
      <Amount
        of={amount}
        sx={{ fontSize: 15, fontWeight: strong ? 700 : 400, color: strong ? "primary.main" : undefined }}
      />
    </Box>
  );
}
