import { Typography } from "@mui/material";
import type { ReactNode } from "react";

/** What stands where a picture has nothing to show. */
export function Nothing({ children }: { children: ReactNode }) {
  return (
    <Typography color="textSecondary" sx={{ fontSize: 13, py: 2 }}>
      {children}
    </Typography>
  );
}
