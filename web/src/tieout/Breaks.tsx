import { Box, Link, Typography } from "@mui/material";
import { Link as RouterLink } from "react-router";
import type { Schemas } from "../api/client";
import { Amount } from "../shared/Amount";
import { count, onDay } from "../shared/dates";
import { grouped, isNegative, positive } from "../shared/money";

type Break = Schemas["BreakView"];

/** Where the trail breaks, thing by thing; nothing where it is whole. */
export function Breaks({ breaks }: { breaks: Break[] }) {
  if (breaks.length === 0) {
    return null;
  }
  return (
    <Box
      component="section"
      aria-label="Where the trail breaks"
      sx={{ border: 1.5, borderColor: "error.main", borderRadius: "3px", p: 2, mb: 2 }}
    >
      <Typography variant="h3" sx={{ color: "error.main" }}>
        It breaks in {count(breaks.length, "place")}
      </Typography>
      {breaks.map((one, n) => (
        <Box
          key={n}
          sx={{
            display: "grid",
            gridTemplateColumns: "1fr 130px auto",
            gap: 2,
            py: 0.75,
            borderTop: 1,
            borderColor: "divider",
          }}
        >
          <Box sx={{ minWidth: 0 }}>
            {one.entryId ? (
              <>
                <Link component={RouterLink} to={`/waiting/desk/${one.entryId}`} underline="always">
                  {one.words || "Nobody named"}
                </Link>
                {one.on && `, booked ${onDay(one.on)}`}: it came with {grouped(one.told)}, and{" "}
                {grouped(one.found)} of it is somewhere.
              </>
            ) : (
              <>
                {one.intakeId ? (
                  <Link component={RouterLink} to={`/arrived/intake/${one.intakeId}`} underline="always">
                    {one.intake}
                  </Link>
                ) : (
                  one.intake
                )}
                : it told of {grouped(one.told)}, and its entries come to {grouped(one.found)}.
              </>
            )}
            <Box component="span" sx={{ color: "text.secondary" }}>
              {" "}
              {one.bankAccount}
              {one.entryId && `, ${one.intake}`}
            </Box>
          </Box>
          <Amount of={positive(one.gap)} sx={{ textAlign: "right", color: "error.main", fontWeight: 700 }} />
          <span>{isNegative(one.gap) ? "counted twice" : "missing"}</span>
        </Box>
      ))}
    </Box>
  );
}
