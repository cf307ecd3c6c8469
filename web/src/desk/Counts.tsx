import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import type { Money, Schemas } from "../api/client";
import { Amount } from "../shared/Amount";
import { FigureField } from "../shared/FigureField";
import { grouped, isNegative, isZero, positive, typedAmount } from "../shared/money";
import { TallyBar } from "../tally/TallyBar";
import { counting, placeOf, takingAmount, tallyIn, type Draft, type Preview } from "./drafts";

interface Props {
  draft: Draft;
  preview: Preview;
  numberOf: (itemId: number) => string;
  change: (draft: Draft) => void;
  drop: (itemId: number) => void;
  readOnly: boolean;
}

/** What of the receipt counts elsewhere: how much, at which rate, and how it divides there. */
export function Counts({ draft, preview, numberOf, change, drop, readOnly }: Props) {
  return preview.exchanges.map((counts) => {
    const { currency } = counts.counted;
    const resize = (itemId: number, text: string) => {
      const amount = typedAmount(text, counts.counted);
      const taken = draft.applications.find((a) => a.itemId === itemId);
      if (amount && taken && amount.amount !== taken.amount.amount) {
        change(takingAmount(draft, itemId, amount));
      }
    };
    return (
      <Box
        key={placeOf(counts)}
        component="section"
        aria-label={`Counts ${counts.company ? "for" : "in"} ${placeOf(counts)}`}
        sx={{ borderLeft: 3, borderColor: "divider", pl: 1.5, mt: 1.5 }}
      >
        <Rate
          key={`${counts.given.amount} ${counts.counted.amount}`}
          counts={counts}
          say={(given) => change(counting(draft, counts, given))}
          readOnly={readOnly}
        />
        <TallyBar
          layout={tallyIn(counts, draft, numberOf)}
          currency={currency}
          digits={counts.counted.amount.split(".")[1]?.length ?? 0}
          dashed
          resize={readOnly ? undefined : resize}
          drop={readOnly ? undefined : drop}
        />
      </Box>
    );
  });
}

function Rate({
  counts,
  say,
  readOnly,
}: {
  counts: Schemas["CountsView"];
  say: (given: Money | undefined) => void;
  readOnly: boolean;
}) {
  const { given, counted, shortage, company } = counts;
  const [text, setText] = useState(grouped(given));
  const typed = typedAmount(text, given);
  if (!counts.rate) {
    return (
      <Box sx={{ mb: 0.5, fontSize: 13 }}>
        <Amount of={given} sx={{ fontWeight: 700 }} /> {given.currency} count for {company?.name} and are owed
        to it
      </Box>
    );
  }
  return (
    <Box sx={{ display: "flex", alignItems: "center", flexWrap: "wrap", gap: 1, mb: 0.5, fontSize: 13 }}>
      <FigureField
        label={`Of the receipt for ${counted.currency}`}
        text={text}
        type={setText}
        valid={typed !== null}
        settle={() => typed && typed.amount !== given.amount && say(typed)}
        disabled={readOnly}
        slim
        strong
        width={90}
      />
      <span>
        {given.currency} count as <Amount of={counted} sx={{ fontWeight: 700 }} /> {counted.currency}
        {company && ` for ${company.name}`}
      </span>
      <Typography variant="body2" color="textSecondary" sx={{ fontSize: 12.5 }}>
        {isZero(shortage) ? "at" : "held against"} {counts.words}
        {!isZero(shortage) && (
          <>
            : <Amount of={positive(shortage)} /> {isNegative(shortage) ? "more" : "less"}
          </>
        )}
      </Typography>
      {!isZero(shortage) && !readOnly && (
        <Button onClick={() => say(undefined)} sx={{ px: 0.5, fontWeight: 400 }}>
          Take it at the rate
        </Button>
      )}
    </Box>
  );
}
