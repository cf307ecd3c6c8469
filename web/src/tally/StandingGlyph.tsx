import { Box } from "@mui/material";
import type { Schemas } from "../api/client";

export type Standing = Schemas["EntryRow"]["standing"];

export const STANDING_WORD: Record<Standing, string> = {
  CLEAR: "Clear",
  LEANING: "Leaning",
  TORN: "Torn",
  BLANK: "Blank",
};

/** How firm a proposal is, as a shape: full, half, two prongs, empty. */
export function StandingGlyph({ standing }: { standing: Standing }) {
  return (
    <Box
      component="svg"
      viewBox="0 0 14 14"
      role="img"
      aria-label={STANDING_WORD[standing]}
      sx={{ width: 13, height: 13, flexShrink: 0 }}
    >
      {standing === "CLEAR" && <circle cx="7" cy="7" r="5.2" fill="currentColor" />}
      {standing === "LEANING" && (
        <>
          <circle cx="7" cy="7" r="4.9" fill="none" stroke="currentColor" strokeWidth="1.5" />
          <path d="M7 2.1a4.9 4.9 0 0 1 0 9.8z" fill="currentColor" />
        </>
      )}
      {standing === "TORN" && (
        <path d="M2.5 1.5 7 7v5.5M11.5 1.5 7 7" fill="none" stroke="currentColor" strokeWidth="1.7" />
      )}
      {standing === "BLANK" && (
        <circle cx="7" cy="7" r="4.9" fill="none" stroke="currentColor" strokeWidth="1.5" />
      )}
    </Box>
  );
}
