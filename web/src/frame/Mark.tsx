import { Box, Typography } from "@mui/material";

/** The name with its small tally bar. */
export function Mark() {
  return (
    <Box sx={{ width: 80 }}>
      <Typography sx={{ fontWeight: 700, fontSize: 18, lineHeight: 1.3 }}>Sumbrel</Typography>
      <Box aria-hidden sx={{ display: "flex", gap: "2px", height: 6 }}>
        <Box sx={{ width: 38, bgcolor: "settled" }} />
        <Box sx={{ width: 22, bgcolor: "settled", opacity: 0.5 }} />
        <Box sx={{ width: 14, bgcolor: "primary.main" }} />
      </Box>
    </Box>
  );
}
