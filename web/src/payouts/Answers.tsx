import { Box } from "@mui/material";
import type { ReactNode } from "react";

/** What is asked of an item, and the answers to it, under its line. */
export function Answers({ sentence, children }: { sentence: string; children: ReactNode }) {
  return (
    <Box sx={{ pl: 8, pb: 1, borderBottom: 1, borderColor: "divider", fontSize: 13 }}>
      {sentence}
      <Box sx={{ display: "flex", gap: 1, mt: 0.5, flexWrap: "wrap" }}>{children}</Box>
    </Box>
  );
}
