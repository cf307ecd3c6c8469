import { Box, Typography } from "@mui/material";
import type { ReactNode } from "react";

/** One thing that an entry may be: what speaks for it, and the button that books it so. */
export function WayStrip({
  title,
  action,
  children,
}: {
  title: string;
  action?: ReactNode;
  children: ReactNode;
}) {
  return (
    <Box
      component="section"
      aria-label={title}
      sx={{
        display: "grid",
        gridTemplateColumns: "1fr auto",
        gap: 2,
        alignItems: "center",
        border: 1,
        borderColor: "divider",
        borderLeft: 3,
        borderLeftColor: "primary.main",
        borderRadius: "3px",
        px: 2,
        py: 1.25,
        mb: 1,
        bgcolor: "background.paper",
      }}
    >
      <Box sx={{ minWidth: 0 }}>
        <Typography sx={{ fontWeight: 700 }}>{title}</Typography>
        <Typography variant="body2">{children}</Typography>
      </Box>
      {action}
    </Box>
  );
}
