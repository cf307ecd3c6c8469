import { Box, Typography, type Theme } from "@mui/material";
import { useState, type ChangeEvent, type FocusEvent, type KeyboardEvent } from "react";
import type { Money } from "../api/client";
import { grouped } from "../shared/money";
import type { Piece, TallyLayout } from "./layout";

/** Each way to go beyond the money has its own strokes, so that they differ without colour too. */
function strokes(kind: Piece["kind"], theme: Theme, gap: number): string {
  const color = kind === "tooMuch" ? theme.palette.primary.main : theme.palette.settled;
  const angle = kind === "credit" ? "0deg" : kind === "discount" ? "90deg" : "45deg";
  return `repeating-linear-gradient(${angle}, ${color} 0 1.5px, transparent 1.5px ${gap + 1.5}px)`;
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
            opacity: piece.kind === "onAccount" || piece.kind === "other" ? 0.45 : strong ? 1 : 0.85,
            borderRight: n < layout.pieces.length - 1 ? "1.5px solid" : 0,
            borderColor: "background.default",
          }}
        />
      ))}
      <Beyond layout={layout} gap={2} ground="background.default" />
    </Box>
  );
}

/** What stands beyond the money, from the mark on. */
function Beyond({
  layout,
  gap,
  ground,
  marked,
}: {
  layout: TallyLayout;
  gap: number;
  ground: string;
  marked?: boolean;
}) {
  return (
    layout.beyond.length > 0 && (
      <Box
        sx={{
          position: "absolute",
          // what stands below can still be pressed
          pointerEvents: "none",
          display: "flex",
          left: `${layout.mark}%`,
          right: 0,
          top: 0,
          bottom: 0,
          bgcolor: ground,
          borderLeft: marked ? "2px solid" : 0,
          borderColor: "settled",
        }}
      >
        {layout.beyond.map((piece, n) => (
          <Box
            key={n}
            sx={(theme) => ({
              flex: `${piece.width} 0 0`,
              backgroundImage: strokes(piece.kind, theme, gap),
              borderRight: n < layout.beyond.length - 1 ? "1.5px solid" : 0,
              borderColor: "settled",
            })}
          />
        ))}
      </Box>
    )
  );
}

/**
 * The large bar of the desk: numbered pieces, the mark where the money ends, what is left or too much in words. A piece
 * that is pressed takes another amount by typing; an open item can be dropped on it.
 */
export function TallyBar({
  layout,
  currency,
  digits,
  dashed,
  resize,
  drop,
}: {
  layout: TallyLayout;
  currency: string;
  digits: number;
  dashed: boolean;
  resize?: (itemId: number, text: string) => void;
  drop?: (itemId: number) => void;
}) {
  const [typing, setTyping] = useState<number | null>(null);
  const [over, setOver] = useState(false);
  const words = (minor: number) => grouped(moneyOf(minor, currency, digits));
  const explained = [...layout.pieces, ...layout.beyond].filter(
    (p) => !["applied", "open", "tooMuch"].includes(p.kind),
  );
  const saying =
    layout.left > 0
      ? `${words(layout.left)} left`
      : layout.left < 0
        ? `${words(-layout.left)} more than received`
        : explained.length === 0 && "nothing left";
  const said = [...explained.map((p) => `${p.label} ${words(p.amount)}`), saying].filter(Boolean).join(" · ");
  return (
    <Box
      role="group"
      aria-label={`${layout.pieces.map((p) => `${p.label} ${words(p.amount)}`).join(", ")}; ${said}`}
      onDragOver={(event) => {
        if (drop && event.dataTransfer.types.includes(ITEM_DRAGGED)) {
          event.preventDefault();
          setOver(true);
        }
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        setOver(false);
        const item = Number(event.dataTransfer.getData(ITEM_DRAGGED));
        if (drop && item) {
          event.preventDefault();
          drop(item);
        }
      }}
    >
      <Box
        sx={{
          position: "relative",
          display: "flex",
          height: 42,
          border: "1.5px",
          borderStyle: dashed ? "dashed" : "solid",
          borderColor: over ? "primary.main" : "settled",
          borderRadius: "3px",
          overflow: "hidden",
          bgcolor: over ? "chosenTint" : undefined,
        }}
      >
        {layout.pieces.map((piece, n) => (
          <Box
            key={n}
            title={`${piece.label} ${words(piece.amount)}`}
            sx={{
              width: `${piece.width}%`,
              minWidth: 2,
              containerType: "inline-size",
              py: 0.25,
              overflow: "hidden",
              bgcolor: piece.kind === "applied" ? "settledTint" : over ? "chosenTint" : "background.paper",
              borderRight: n < layout.pieces.length - 1 ? "1.5px solid" : 0,
              borderColor: "settled",
              color: piece.kind === "open" ? "primary.main" : "settled",
            }}
          >
            {piece.itemId !== undefined && piece.itemId === typing && resize ? (
              <SegmentField
                label={piece.label}
                value={words(piece.amount)}
                done={(text) => {
                  setTyping(null);
                  if (text !== null) {
                    resize(typing, text);
                  }
                }}
              />
            ) : (
              <SegmentWords
                press={
                  piece.itemId !== undefined && resize ? () => setTyping(piece.itemId ?? null) : undefined
                }
                label={piece.label}
                amount={words(piece.amount)}
              />
            )}
          </Box>
        ))}
        <Beyond layout={layout} gap={5} ground="background.paper" marked />
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
        {said}
      </Typography>
    </Box>
  );
}

/** What a dragged open item is called between the account and the bar. */
export const ITEM_DRAGGED = "application/x-open-item";

/** About how wide a character of the bar's figures is, and what stands around them, in pixels. */
const CHARACTER = 7.3;
const AROUND = 14;

/** Number and amount of a piece. A number that is too long shows its end, by which numbers differ. An amount that does not fit whole is not shown: a cut one would be a wrong one. */
function SegmentWords({ press, label, amount }: { press?: () => void; label: string; amount: string }) {
  return (
    <Box
      component={press ? "button" : "div"}
      type={press ? "button" : undefined}
      onClick={press}
      aria-label={press ? `Change ${amount} of ${label}` : undefined}
      sx={{
        all: press ? "unset" : undefined,
        display: "block",
        boxSizing: "border-box",
        width: "100%",
        height: "100%",
        px: 0.9,
        cursor: press ? "text" : undefined,
        "&:focus-visible": { outline: 2, outlineOffset: -2, outlineColor: "primary.main" },
        [`@container (max-width: ${Math.ceil(amount.length * CHARACTER) + AROUND}px)`]: {
          "& .amount": { display: "none" },
        },
        "@container (max-width: 32px)": { "& .label": { display: "none" } },
      }}
    >
      <Typography
        component="span"
        className="figure label"
        noWrap
        dir="rtl"
        sx={{ display: "block", fontSize: 12, lineHeight: 1.45, textAlign: "left" }}
      >
        <bdi>{label}</bdi>
      </Typography>
      <Typography
        component="span"
        className="figure amount"
        sx={{ display: "block", fontSize: 12, lineHeight: 1.3 }}
      >
        {amount}
      </Typography>
    </Box>
  );
}

function SegmentField({
  label,
  value,
  done,
}: {
  label: string;
  value: string;
  done: (text: string | null) => void;
}) {
  const [text, setText] = useState(value);
  return (
    <Box
      component="input"
      aria-label={`Amount of ${label}`}
      autoFocus
      value={text}
      className="figure"
      onChange={(event: ChangeEvent<HTMLInputElement>) => setText(event.target.value)}
      onFocus={(event: FocusEvent<HTMLInputElement>) => event.target.select()}
      onBlur={() => done(text)}
      onKeyDown={(event: KeyboardEvent) => {
        if (event.key === "Enter") {
          done(text);
        } else if (event.key === "Escape") {
          done(null);
        }
      }}
      sx={{
        width: "100%",
        minWidth: 70,
        mt: 0.75,
        border: 0,
        borderBottom: "2px solid",
        borderColor: "primary.main",
        bgcolor: "transparent",
        color: "text.primary",
        fontSize: 13,
        outline: 0,
      }}
    />
  );
}

function moneyOf(minor: number, currency: string, digits: number): Money {
  const sign = minor < 0 ? "-" : "";
  const text = String(Math.abs(minor)).padStart(digits + 1, "0");
  const amount = digits === 0 ? text : `${text.slice(0, -digits)}.${text.slice(-digits)}`;
  return { amount: sign + amount, currency };
}
