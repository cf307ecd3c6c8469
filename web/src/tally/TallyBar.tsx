import { Box, Typography } from "@mui/material";
import type { Money } from "../api/client";
import { grouped } from "../shared/money";
import type { TallyLayout } from "./layout";

function hatching(color: string, gap = 3) {
  return `repeating-linear-gradient(45deg, ${color} 0 1.5px, transparent 1.5px ${gap + 1.5}px)`;
}

/** The thin bar of lists: how the amount divides, and whether something is open or covered. */
export function ThinTally({ layout, strong }: { layout: TallyLayout; strong?: boolean }) {
  return (
    <Box aria-hidden sx={{ position: "relative", display: "flex", height: 5, bgcolor: "sunk" }}>
      {layout.pieces.map((piece, n) => (
        <Box
          key={n}
          sx={{
            width: `${piece.width}%`,
            bgcolor: piece.kind === "open" ? "sunk" : "settled",
            opacity: piece.kind === "onAccount" ? 0.45 : strong ? 1 : 0.85,
            borderRight: n < layout.pieces.length - 1 ? "1.5px solid" : 0,
            borderColor: "background.default",
          }}
        />
      ))}
      {layout.covered + layout.tooMuch > 0 && (
        <Box
          sx={(theme) => ({
            position: "absolute",
            left: `${layout.mark}%`,
            right: 0,
            top: 0,
            bottom: 0,
            bgcolor: "background.default",
            backgroundImage: hatching(theme.palette.settled, 2),
          })}
        />
      )}
    </Box>
  );
}

/** The large bar of the desk: numbered pieces, the mark where the money ends, what is left or too much in words. */
export function TallyBar({
  layout,
  currency,
  digits,
  dashed,
}: {
  layout: TallyLayout;
  currency: string;
  digits: number;
  dashed: boolean;
}) {
  const words = (minor: number) => grouped(moneyOf(minor, currency, digits));
  const saying =
    layout.left > 0
      ? `${words(layout.left)} left`
      : layout.tooMuch > 0
        ? `${words(layout.tooMuch)} more than received`
        : layout.covered > 0
          ? `${words(layout.covered)} beyond the money, explained`
          : "nothing left";
  return (
    <Box
      role="img"
      aria-label={`${layout.pieces.map((p) => `${p.label} ${words(p.amount)}`).join(", ")}; ${saying}`}
    >
      <Box
        sx={{
          position: "relative",
          display: "flex",
          height: 42,
          border: "1.5px",
          borderStyle: dashed ? "dashed" : "solid",
          borderColor: "settled",
          borderRadius: "3px",
          overflow: "hidden",
        }}
      >
        {layout.pieces.map((piece, n) => (
          <Box
            key={n}
            sx={{
              width: `${piece.width}%`,
              minWidth: 2,
              px: 0.9,
              py: 0.25,
              overflow: "hidden",
              bgcolor: piece.kind === "applied" ? "settledTint" : "background.paper",
              borderRight: n < layout.pieces.length - 1 ? "1.5px solid" : 0,
              borderColor: "settled",
              color: piece.kind === "open" ? "primary.main" : "settled",
            }}
          >
            <Typography className="figure" sx={{ fontSize: 12, lineHeight: 1.45 }}>
              {piece.label}
            </Typography>
            <Typography className="figure" sx={{ fontSize: 12, lineHeight: 1.3 }}>
              {words(piece.amount)}
            </Typography>
          </Box>
        ))}
        {layout.covered + layout.tooMuch > 0 && (
          <Box
            sx={(theme) => ({
              position: "absolute",
              left: `${layout.mark}%`,
              right: 0,
              top: 0,
              bottom: 0,
              bgcolor: "background.paper",
              borderLeft: "2px solid",
              borderColor: "settled",
              backgroundImage: hatching(
                layout.tooMuch > 0 ? theme.palette.primary.main : theme.palette.settled,
                5,
              ),
            })}
          />
        )}
      </Box>
      <Typography
        sx={{
          fontSize: 13,
          textAlign: "right",
          mt: 0.5,
          fontWeight: layout.left === 0 ? 400 : 700,
          color: layout.left === 0 ? "text.secondary" : "primary.main",
        }}
      >
        {saying}
      </Typography>
    </Box>
  );
}

function moneyOf(minor: number, currency: string, digits: number): Money {
  const sign = minor < 0 ? "-" : "";
  const text = String(Math.abs(minor)).padStart(digits + 1, "0");
  const amount = digits === 0 ? text : `${text.slice(0, -digits)}.${text.slice(-digits)}`;
  return { amount: sign + amount, currency };
}
