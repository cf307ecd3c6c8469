import { Box, Typography } from "@mui/material";
import type { Schemas } from "../api/client";
import { grouped, minor, positive, isNegative, isZero } from "../shared/money";
import type { Held } from "./words";

type Money = Schemas["MoneyView"];
type Line = Pick<Schemas["DepositLineView"], "kind" | "amount"> & { words?: string };

interface Piece {
  label: string;
  amount: Money;
  cash: boolean;
}

/**
 * The tally bar of a deposit: its receipts as segments, cash in its own hatching, and against them the mark of what the
 * bank shows, where that is known.
 */
export function DepositBar({
  receipts,
  lines,
  shown,
}: {
  receipts: Pick<Held, "id" | "name" | "method" | "amount">[];
  lines: Line[];
  /** What the bank shows more (positive) or less than the deposit. */
  shown?: { amount: Money; gap: Money };
}) {
  const pieces: Piece[] = [
    ...receipts.map((r) => ({ label: r.name, amount: r.amount, cash: r.method === "CASH" })),
    ...lines
      .filter((line) => !isNegative(line.amount))
      .map((line) =>
        line.kind === "TO_ACCOUNT"
          ? { label: line.words ? line.words : "other", amount: line.amount, cash: false }
          : { label: "loose", amount: line.amount, cash: true },
      ),
  ];
  const out = lines.filter((line) => isNegative(line.amount));
  const sum = pieces.reduce((total, piece) => total + minor(piece.amount), 0);
  const gap = shown ? minor(shown.gap) : 0;
  const whole = Math.max(1, sum + Math.max(0, gap));
  return (
    <Box
      role="group"
      aria-label={pieces.map((p) => `${p.label} ${grouped(p.amount)}`).join(", ") || "nothing is chosen"}
    >
      <Box
        sx={{
          position: "relative",
          display: "flex",
          height: 42,
          border: "1.5px solid",
          borderColor: "settled",
          borderRadius: "3px",
          overflow: "hidden",
        }}
      >
        {pieces.map((piece, n) => (
          <Box
            key={n}
            title={`${piece.label} ${grouped(piece.amount)}`}
            sx={(theme) => ({
              width: `${(100 * minor(piece.amount)) / whole}%`,
              minWidth: 2,
              px: 0.75,
              py: 0.25,
              overflow: "hidden",
              whiteSpace: "nowrap",
              color: "settled",
              fontSize: 12,
              lineHeight: 1.5,
              bgcolor: "settledTint",
              backgroundImage: piece.cash
                ? `repeating-linear-gradient(45deg, transparent 0 7px, ${theme.palette.background.paper} 7px 11px)`
                : undefined,
              borderRight: n < pieces.length - 1 ? "1.5px solid" : 0,
              borderColor: "settled",
            })}
          >
            <Box className="figure">{piece.label}</Box>
            <Box className="figure">{grouped(piece.amount)}</Box>
          </Box>
        ))}
        {gap > 0 && (
          <Box
            sx={(theme) => ({
              flex: 1,
              minWidth: 4,
              borderLeft: "2px solid",
              borderColor: "settled",
              backgroundImage: `repeating-linear-gradient(45deg, ${theme.palette.primary.main} 0 1.5px, transparent 1.5px 7px)`,
            })}
          />
        )}
        {gap < 0 && sum > 0 && (
          <Box
            sx={(theme) => ({
              position: "absolute",
              right: 0,
              top: 0,
              bottom: 0,
              width: `${Math.min(100, (100 * -gap) / whole)}%`,
              borderLeft: "2px dashed",
              borderColor: "primary.main",
              backgroundImage: `repeating-linear-gradient(135deg, ${theme.palette.primary.main} 0 1.5px, transparent 1.5px 7px)`,
            })}
          />
        )}
      </Box>
      <Typography
        sx={{
          fontSize: 13,
          textAlign: "right",
          mt: 0.5,
          fontWeight: gap === 0 ? 400 : 700,
          color: gap === 0 ? "text.secondary" : "primary.main",
        }}
      >
        {out.map((line) => `${grouped(positive(line.amount))} taken out`).join(" · ")}
        {out.length > 0 && shown && " · "}
        {shown &&
          (isZero(shown.gap)
            ? `the bank shows ${grouped(shown.amount)}, the same`
            : `the bank shows ${grouped(shown.amount)}, ${grouped(positive(shown.gap))} ${gap > 0 ? "more" : "less"}`)}
      </Typography>
    </Box>
  );
}
