import { Box, Button, Menu, MenuItem, Tooltip, Typography } from "@mui/material";
import { useState } from "react";
import type { Money, Schemas } from "../api/client";
import { Amount } from "../shared/Amount";
import { grouped, isNegative, isZero, positive } from "../shared/money";
import { type Reason } from "../settle/words";
import { useOfferedReasons } from "../settle/reasons";
import type { Preview } from "./drafts";
import type { Treat } from "./queries";

const WORDS: Record<Treat, (amount: string) => string> = {
  TAKE_DISCOUNT: (a) => `Discount ${a}`,
  GRANT_DISCOUNT: (a) => `Grant late discount ${a}`,
  BILL_BACK_DISCOUNT: (a) => `Bill discount ${a} back`,
  BANK_FEE: (a) => `Bank fee ${a}`,
  PROCESSING_FEE: (a) => `Processing fee ${a}`,
  ROUNDING: (a) => `Rounding ${a}`,
  WRITE_OFF: (a) => `Write off ${a}`,
  CLAIM: (a) => `Claim ${a}…`,
  EXCHANGE: (a) => `Exchange difference ${a}`,
  LEAVE_OWING: (a) => `Leave ${a} owing`,
  KEEP_ON_ACCOUNT: (a) => `Keep ${a} on account`,
  REFUND: (a) => `Refund ${a}`,
};

interface Props {
  preview: Preview | undefined;
  error: Error | null;
  treat: (kind: Treat, reason?: Reason) => void;
  post: () => void;
  posting: boolean;
  mayPost: boolean;
  /** Offered where only somebody else may post this. */
  handOver?: () => void;
}

/** Received, applied, discount, adjustments, left; the ways to treat what is left; and the button that posts. */
export function RemainderLine({ preview, error, treat, post, posting, mayPost, handOver }: Props) {
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
        py: 0.75,
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
        {!error && preview?.gapReasons[0] && (
          <Typography role="status" variant="body2" sx={{ width: "100%" }}>
            {preview.gapReasons.slice(0, 2).join(" ")}
          </Typography>
        )}
        {!error &&
          preview?.options.map((option) => (
            <Way
              key={option.kind}
              option={option}
              own={preview.tally.received.currency}
              treat={treat}
              disabled={!mayPost}
            />
          ))}
        {!error && preview?.refusal && preview.options.length === 0 && (
          <Typography variant="body2" color="textSecondary">
            {preview.refusal}
          </Typography>
        )}
      </Box>
      {preview?.needsApproval && handOver ? (
        <Button
          variant="contained"
          size="large"
          onClick={handOver}
          disabled={!mayPost}
          sx={{ whiteSpace: "nowrap", flexShrink: 0 }}
        >
          Hand over…
          <Shortcut />
        </Button>
      ) : (
        <Button
          variant="contained"
          size="large"
          onClick={post}
          disabled={!ready || posting}
          sx={{ whiteSpace: "nowrap", flexShrink: 0 }}
        >
          Post{" "}
          {ready && !isZero(preview.tally.received) && (
            <Amount of={preview.tally.received} sx={{ ml: 0.75 }} />
          )}
          <Shortcut />
        </Button>
      )}
    </Box>
  );
}

function Shortcut() {
  return (
    <Box component="span" className="figure" sx={{ ml: 1, fontSize: 11, fontWeight: 400 }}>
      Ctrl ↵
    </Box>
  );
}

function Way({
  option,
  own,
  treat,
  disabled,
}: {
  option: Schemas["OptionView"];
  /** The receipt's currency; an amount in another one says which. */
  own: string;
  treat: (kind: Treat, reason?: Reason) => void;
  disabled: boolean;
}) {
  const reasons = useOfferedReasons();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const why = option.allowed ? option.approval : option.refusal;
  const button = (
    <Button
      variant="outlined"
      color="inherit"
      disabled={!option.allowed || disabled}
      aria-haspopup={option.kind === "CLAIM" ? "menu" : undefined}
      onClick={(event) => (option.kind === "CLAIM" ? setAnchor(event.currentTarget) : treat(option.kind))}
      sx={{ borderColor: "divider", fontWeight: 400 }}
    >
      {WORDS[option.kind](
        option.amount.currency === own
          ? grouped(option.amount)
          : `${grouped(option.amount)} ${option.amount.currency}`,
      )}
      {(why || option.note) && " "}
      {(why || option.note) && (
        <Box
          component="span"
          sx={{ fontSize: 11.5, ml: 0.5, color: option.allowed ? "text.secondary" : undefined }}
        >
          ({option.allowed && why ? "needs approval" : why ? shortly(why) : option.note})
        </Box>
      )}
    </Button>
  );
  return (
    <>
      {why ? (
        <Tooltip describeChild title={option.allowed ? `${why}: a supervisor must approve it` : why}>
          <span>{button}</span>
        </Tooltip>
      ) : (
        button
      )}
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {reasons.map(([reason, words]) => (
          <MenuItem
            key={reason}
            dense
            onClick={() => {
              setAnchor(null);
              treat("CLAIM", reason as Reason);
            }}
          >
            {words}
          </MenuItem>
        ))}
      </Menu>
    </>
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
      {!isZero(tally.refund) && <Sum name="Refund" amount={tally.refund} />}
      {!isZero(tally.toAccounts) && <Sum name="To accounts" amount={tally.toAccounts} />}
      {!isZero(tally.forOthers) && <Sum name="For the group" amount={tally.forOthers} />}
      {!isZero(tally.exchanged) && <Sum name="Counts elsewhere" amount={tally.exchanged} />}
      <Sum name={short ? "Short by" : "Left"} amount={positive(tally.left)} strong={!isZero(tally.left)} />
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
