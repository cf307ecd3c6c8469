import { Box } from "@mui/material";
import type { Schemas } from "../api/client";
import { Amount } from "../shared/Amount";
import { minor } from "../shared/money";

const BUCKETS: [keyof Schemas["AgeingView"]["amounts"] & string, string][] = [
  ["NOT_DUE", "Not due"],
  ["DAYS_1_TO_30", "1–30 days"],
  ["DAYS_31_TO_60", "31–60"],
  ["DAYS_61_TO_90", "61–90"],
  ["OVER_90", "Over 90"],
];

/** What is owed by age: a bar in proportion, the figures under it. */
export function AgeingBar({ ageing }: { ageing: Schemas["AgeingView"] }) {
  const amounts = BUCKETS.map(([key]) => ageing.amounts[key]);
  const total = amounts.reduce((sum, m) => sum + Math.max(0, m ? minor(m) : 0), 0);
  return (
    <Box sx={{ maxWidth: 760 }} role="group" aria-label={`Ageing in ${ageing.currency}`}>
      <Box aria-hidden sx={{ display: "flex", height: 10, border: 1, borderColor: "settled" }}>
        {amounts.map((m, n) => (
          <Box
            key={n}
            sx={{
              width: `${total > 0 && m ? (100 * Math.max(0, minor(m))) / total : 0}%`,
              bgcolor: n === 0 ? "settledTint" : "settled",
              opacity: n === 0 ? 1 : 0.4 + 0.15 * n,
            }}
          />
        ))}
      </Box>
      <Box sx={{ display: "grid", gridTemplateColumns: "repeat(5, 1fr)", mt: 0.5 }}>
        {BUCKETS.map(([key, name]) => {
          const amount = ageing.amounts[key];
          return (
            <Box key={key}>
              <Box sx={{ fontSize: 12, color: "text.secondary" }}>{name}</Box>
              {amount && <Amount of={amount} />}
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}
