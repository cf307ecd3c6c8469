import { Box, type SxProps, type Theme } from "@mui/material";
import type { Money } from "../api/client";
import { grouped } from "./money";

/** An amount: figures of one width, so that a column lines up on its decimal point. */
export function Amount({ of, sx }: { of: Money; sx?: SxProps<Theme> }) {
  return (
    <Box component="span" className="figure" sx={sx}>
      {grouped(of)}
    </Box>
  );
}
