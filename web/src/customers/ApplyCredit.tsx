import { Alert, Box, Button, Typography } from "@mui/material";
import { useEffect, useRef, useState } from "react";
import type { Schemas } from "../api/client";
import { usePost } from "../desk/queries";
import { useUndo } from "../frame/undo";
import { FigureField } from "../shared/FigureField";
import { grouped, minor, negated, typedAmount } from "../shared/money";

/**
 * How much of a credit goes to an item: as much as fits, or what is typed; posted at once. What fits follows what is
 * left and open by now, also while this stands open.
 */
export function ApplyCredit({
  customerId,
  credit,
  target,
  close,
}: {
  customerId: number;
  credit: Schemas["Paying"];
  target: Schemas["Paid"];
  close: () => void;
}) {
  const post = usePost();
  const { did } = useUndo();
  const left = credit.left ?? credit.amount;
  const fits = minor(left) < minor(target.open) ? left : target.open;
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed ?? grouped(fits);
  const field = useRef<HTMLDivElement>(null);
  const amount = typedAmount(text, left);
  const valid = amount !== null && minor(amount) > 0 && minor(amount) <= minor(fits);
  useEffect(() => {
    const input = field.current?.querySelector("input");
    input?.focus();
    input?.select();
  }, [credit.key, target.itemId]);
  const go = () => {
    if (!valid || post.isPending || !credit.itemId) {
      return;
    }
    post.mutate(
      {
        accountOf: customerId,
        applications: [
          { itemId: credit.itemId, amount: negated(amount), itemVersion: credit.itemVersion },
          { itemId: target.itemId, amount, itemVersion: target.itemVersion },
        ],
        adjustments: [],
      },
      {
        onSuccess: (settlement) => {
          did({
            kind: "settlement",
            id: settlement.id,
            words: `${grouped(amount)} of ${credit.name} applied to ${target.number}`,
          });
          close();
        },
      },
    );
  };
  return (
    <Box
      role="group"
      aria-label="Apply a credit"
      sx={{ border: 1, borderColor: "primary.main", borderRadius: 1, px: 1.5, py: 1, mb: 1, maxWidth: 760 }}
      onKeyDown={(event) => {
        if (event.key === "Enter") {
          event.preventDefault();
          go();
        }
        if (event.key === "Escape") {
          close();
        }
      }}
    >
      <Box sx={{ display: "flex", alignItems: "center", gap: 1.5 }}>
        <span>Apply</span>
        <Box ref={field} sx={{ width: 120 }}>
          <FigureField
            label="Amount to apply"
            text={text}
            type={setTyped}
            valid={valid}
            settle={() => undefined}
            strong
          />
        </Box>
        <Typography sx={{ flex: 1 }}>
          of <span className="figure">{credit.name}</span> ({grouped(left)} left) to{" "}
          <span className="figure">{target.number}</span> ({grouped(target.open)} open)
        </Typography>
        <Button color="inherit" onClick={close}>
          Not now
        </Button>
        <Button variant="contained" disabled={!valid || post.isPending} onClick={go}>
          Apply {amount && valid ? grouped(amount) : ""}
        </Button>
      </Box>
      {!valid && (
        <Typography role="status" variant="body2" color="error">
          Type an amount up to {grouped(fits)}.
        </Typography>
      )}
      {post.error && (
        <Alert severity="error" variant="outlined" sx={{ mt: 1 }}>
          {post.error.message}
        </Alert>
      )}
    </Box>
  );
}
