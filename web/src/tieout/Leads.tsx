import { Box, Link, Typography } from "@mui/material";
import { Link as RouterLink } from "react-router";
import type { Schemas } from "../api/client";

type Lead = Schemas["LeadView"];

const SLIP: Record<Lead["slip"], string> = {
  TRANSPOSED: "two digits changed places",
  TWICE: "once too often",
  MISSING: "not counted",
  TOO_MANY: "one too many",
  ONE_MORE: "one more like it",
  WRONG_SIGN: "wrong sign",
  SHIFTED: "point in another place",
  ADDS_UP: "adds up to it",
};

/** Where a gap may come from, each with the figures; nothing is changed by looking. */
export function Leads({ leads }: { leads: Lead[] }) {
  return (
    <Box component="section" aria-label="Where the gap may come from" sx={{ mt: 2, maxWidth: 900 }}>
      <Typography variant="h3">Where the gap may come from</Typography>
      {leads.length === 0 && (
        <Typography color="textSecondary">
          No figure that is known would close it: no transposition, nothing twice, missing or with the wrong
          sign, and no amounts that add up to it. A statement may be missing; see Intake.
        </Typography>
      )}
      {leads.map((lead, n) => (
        <Box
          key={n}
          sx={{
            display: "grid",
            gridTemplateColumns: "170px 1fr auto",
            gap: 2,
            py: 0.75,
            borderBottom: 1,
            borderColor: "divider",
          }}
        >
          <Box component="span" sx={{ color: "text.secondary" }}>
            {SLIP[lead.slip]}
          </Box>
          <span>{lead.sentence}</span>
          <span>
            {lead.ids
              .filter((id) => id.startsWith("entry-"))
              .map((id) => (
                <Link
                  key={id}
                  component={RouterLink}
                  to={`/waiting/desk/${id.slice("entry-".length)}`}
                  sx={{ ml: 1 }}
                >
                  look
                </Link>
              ))}
          </span>
        </Box>
      ))}
    </Box>
  );
}
