import { Box } from "@mui/material";
import type { Schemas } from "../api/client";

/** Why it may be so, and what would fill a gap, in sentences. */
export function Reasons({ match }: { match: Schemas["MatchView"] }) {
  return (
    <Box component="ul" sx={{ listStyle: "none", pl: 0, my: 0.75, fontSize: 13 }}>
      {[...match.reasons, ...match.fixes.map((fix) => fix.says)].map((sentence) => (
        <Box component="li" key={sentence} sx={{ pl: 1.75, textIndent: "-14px" }}>
          –&ensp;{sentence}
        </Box>
      ))}
    </Box>
  );
}
