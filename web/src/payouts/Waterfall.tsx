import { Box } from "@mui/material";
import { Amount } from "../shared/Amount";
import { isNegative, isZero, minor } from "../shared/money";
import type { Payout } from "./queries";
import { STEP, type StepKind } from "./words";

interface Props {
  payout: Payout;
  chosen: StepKind | undefined;
  choose: (kind: StepKind | undefined) => void;
}

const STEP_LINE = {
  display: "grid",
  gridTemplateColumns: "150px 1fr 92px",
  alignItems: "center",
  gap: 1.25,
  width: "100%",
  px: 0.75,
  py: 0.5,
  fontSize: 13,
} as const;

/**
 * The way from the previous balance to the net: each step is a bar from what it had come to before to what it comes to
 * with it. What is taken is hatched; the mark at the end is the net.
 */
export function Waterfall({ payout, chosen, choose }: Props) {
  const ends = [0, ...payout.steps.map((step) => minor(step.after))];
  const least = Math.min(...ends);
  const span = Math.max(...ends) - least || 1;
  const at = (value: number) => ((value - least) / span) * 100;
  return (
    <Box component="section" aria-label="How it adds up">
      {payout.steps.map((step, n) => {
        const before = ends[n] ?? 0;
        const after = ends[n + 1] ?? 0;
        const here = chosen === step.kind;
        const taken = isNegative(step.amount);
        return (
          <Box
            key={step.kind}
            component="button"
            type="button"
            aria-pressed={here}
            disabled={step.kind === "PREVIOUS_BALANCE"}
            onClick={() => choose(here ? undefined : step.kind)}
            sx={{
              all: "unset",
              boxSizing: "border-box",
              cursor: step.kind === "PREVIOUS_BALANCE" ? "default" : "pointer",
              ...STEP_LINE,
              bgcolor: here ? "chosenTint" : undefined,
              "&:focus-visible": { outline: 2, outlineColor: "primary.main" },
            }}
          >
            <span>
              {STEP[step.kind]}
              {step.items > 0 && (
                <Box component="span" className="figure" sx={{ color: "text.secondary", fontSize: 11.5 }}>
                  {" "}
                  {step.items.toLocaleString()}
                </Box>
              )}
            </span>
            <Box aria-hidden sx={{ position: "relative", height: 16, borderLeft: 1, borderColor: "divider" }}>
              <Box
                sx={{
                  position: "absolute",
                  top: 2,
                  bottom: 2,
                  left: `${at(Math.min(before, after))}%`,
                  width: `${Math.max(at(Math.max(before, after)) - at(Math.min(before, after)), 0.4)}%`,
                  bgcolor: taken ? undefined : "settled",
                  border: 1,
                  borderColor: "settled",
                  backgroundImage: taken
                    ? (theme) =>
                        `repeating-linear-gradient(135deg, transparent 0 3px, ${theme.palette.settled} 3px 4px)`
                    : undefined,
                }}
              />
            </Box>
            <Box sx={{ textAlign: "right" }}>
              <Amount of={step.amount} />
            </Box>
          </Box>
        );
      })}
      <Box sx={{ ...STEP_LINE, fontWeight: 700, borderTop: 1, borderColor: "text.primary" }}>
        <span>Net</span>
        <Box aria-hidden sx={{ position: "relative", height: 16 }}>
          <Box
            sx={{
              position: "absolute",
              top: 4,
              bottom: 4,
              left: `${Math.min(at(0), at(minor(payout.payout.net)))}%`,
              width: `${Math.abs(at(minor(payout.payout.net)) - at(0))}%`,
              bgcolor: "text.primary",
            }}
          />
        </Box>
        <Box sx={{ textAlign: "right" }}>
          <Amount of={payout.payout.net} />
        </Box>
      </Box>
      <Line name="Sent to the bank">
        <Amount of={payout.payout.paidOut} />
      </Line>
      {!isZero(payout.carried) && (
        <Line name="Stays with the processor">
          <Amount of={payout.carried} />
        </Line>
      )}
    </Box>
  );
}

function Line({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <Box
      sx={{
        display: "flex",
        justifyContent: "space-between",
        px: 0.75,
        py: 0.4,
        fontSize: 13,
      }}
    >
      <span>{name}</span>
      {children}
    </Box>
  );
}
