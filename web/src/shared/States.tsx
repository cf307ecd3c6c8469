import { Alert, Box, Button, Skeleton, Typography } from "@mui/material";
import type { ReactNode } from "react";

/** What stands where something is still on its way. */
export function Loading({ rows = 6 }: { rows?: number }) {
  return (
    <Box role="status" aria-label="Loading" sx={{ p: 2 }}>
      {Array.from({ length: rows }, (_, n) => (
        <Skeleton key={n} variant="text" sx={{ fontSize: "1.4rem", maxWidth: 720 - (n % 3) * 90 }} />
      ))}
    </Box>
  );
}

/** What stands where something could not be had, with a way out. */
export function Failed({ error, retry }: { error: Error; retry?: () => void }) {
  return (
    <Alert
      severity="error"
      variant="outlined"
      sx={{ m: 2 }}
      action={
        retry && (
          <Button color="inherit" size="small" onClick={retry}>
            Try again
          </Button>
        )
      }
    >
      {error.message}
    </Alert>
  );
}

/** What stands where there is nothing, and what to do about it. */
export function Empty({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <Box sx={{ p: 4, color: "text.secondary", maxWidth: 520 }}>
      <Typography variant="h3" sx={{ color: "text.primary", mb: 1 }}>
        {title}
      </Typography>
      {children}
    </Box>
  );
}
