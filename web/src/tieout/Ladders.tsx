import { Box, Button, Link, Typography } from "@mui/material";
import { useState } from "react";
import { Link as RouterLink } from "react-router";
import type { Money } from "../api/client";
import { Amount } from "../shared/Amount";
import { onDay } from "../shared/dates";
import { grouped, isNegative, isZero, positive } from "../shared/money";
import type { Figures, Way } from "./queries";
import { KIND, placeOf } from "./words";

const MOST = 6;

/**
 * Bank and books as two ladders that come down to one figure: each begins with its own balance and takes the steps that
 * only the other knows of. Where they do not meet, the gap stands between them in red.
 */
export function Ladders({ figures, right }: { figures: Figures; right?: (way: Way) => void }) {
  const gap = !isZero(figures.gap);
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", columnGap: 4, mt: 2 }}>
      <Ladder
        title="The bank"
        first={figures.statement}
        steps={figures.ways.filter((w) => w.side === "BANK")}
        sums={figures.sums}
        last={figures.adjustedStatement}
        right={right}
      />
      <Ladder
        title="The books"
        first={figures.books}
        steps={figures.ways.filter((w) => w.side === "BOOKS")}
        sums={figures.sums}
        last={figures.adjustedBooks}
        right={right}
      />
      <Box
        role="status"
        sx={{
          gridColumn: "1 / -1",
          mt: 1,
          py: 1,
          px: 2,
          textAlign: "center",
          borderTop: 2,
          borderColor: gap ? "error.main" : "settled",
          color: gap ? "error.main" : "settled",
          fontWeight: 700,
          borderTopStyle: gap ? "dashed" : "solid",
        }}
      >
        {gap
          ? `The bank shows ${grouped(positive(figures.gap))} ${isNegative(figures.gap) ? "less" : "more"} than the books, and nothing explains it`
          : "Bank and books agree to the cent"}
      </Box>
    </Box>
  );
}

function Ladder({
  title,
  first,
  steps,
  sums,
  last,
  right,
}: {
  title: string;
  first: Money;
  steps: Way[];
  sums: Figures["sums"];
  last: Money;
  right?: (way: Way) => void;
}) {
  const kinds = [...new Set(steps.map((way) => way.kind))];
  return (
    <Box
      component="section"
      aria-label={title}
      sx={{ display: "flex", flexDirection: "column", minWidth: 0 }}
    >
      <Rung words={`${title}, balance`} amount={first} />
      {kinds.map((kind) => (
        <Steps
          key={kind}
          steps={steps.filter((way) => way.kind === kind)}
          sum={sums.find((one) => one.kind === kind)?.amount}
          right={right}
        />
      ))}
      {steps.length === 0 && (
        <Typography variant="body2" color="textSecondary" sx={{ py: 0.75 }}>
          Nothing that only the other knows of.
        </Typography>
      )}
      <Box sx={{ flex: 1 }} />
      <Rung words="Adjusted" amount={last} />
    </Box>
  );
}

/** The steps of one kind, with what they come to. */
function Steps({ steps, sum, right }: { steps: Way[]; sum?: Money; right?: (way: Way) => void }) {
  const [all, setAll] = useState(false);
  const [one] = steps;
  if (!one) {
    return null;
  }
  return (
    <>
      <Box
        sx={{
          display: "flex",
          justifyContent: "space-between",
          fontSize: 12.5,
          color: "text.secondary",
          pt: 1,
          pb: 0.25,
        }}
      >
        <span>
          {KIND[one.kind]}
          {steps.length > 1 && `, ${steps.length}`}
        </span>
        {steps.length > 1 && sum && <Amount of={sum} />}
      </Box>
      {(all ? steps : steps.slice(0, MOST)).map((way) => (
        <Box
          key={way.id}
          sx={{
            display: "grid",
            gridTemplateColumns: "58px 1fr auto auto",
            gap: 1,
            alignItems: "baseline",
            py: 0.4,
            borderBottom: 1,
            borderColor: "divider",
            fontSize: 13,
          }}
        >
          <Box component="span" sx={{ color: "text.secondary" }}>
            {onDay(way.on)}
          </Box>
          <Box
            sx={{ overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap", minWidth: 0 }}
            title={way.words}
          >
            {placeOf(way) ? (
              <Link component={RouterLink} to={placeOf(way) ?? ""} underline="hover" color="inherit">
                {way.words}
              </Link>
            ) : (
              way.words
            )}
          </Box>
          {right && way.id.startsWith("error-") ? (
            <Button size="small" onClick={() => right(way)}>
              It is right now…
            </Button>
          ) : (
            <span />
          )}
          <Amount of={way.amount} />
        </Box>
      ))}
      {steps.length > MOST && (
        <Button size="small" onClick={() => setAll(!all)} sx={{ alignSelf: "start" }}>
          {all ? "Fewer" : `All ${steps.length}`}
        </Button>
      )}
    </>
  );
}

function Rung({ words, amount }: { words: string; amount: Money }) {
  return (
    <Box
      sx={{
        display: "flex",
        justifyContent: "space-between",
        gap: 2,
        py: 0.75,
        fontWeight: 700,
        borderBottom: 1.5,
        borderColor: "settled",
      }}
    >
      <span>{words}</span>
      <Amount of={amount} />
    </Box>
  );
}
