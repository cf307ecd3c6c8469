import { Box, type SxProps, type Theme } from "@mui/material";
import type { ReactNode } from "react";

interface Props {
  /** The widths, as a grid takes them; head and lines of one list share them. */
  columns: string;
  children: ReactNode;
  sx?: SxProps<Theme>;
}

/** The names above the columns of a list that draws only its rows in sight. */
export function ColumnHead({ columns, children, sx }: Props) {
  return (
    <Box
      sx={[
        {
          display: "grid",
          gridTemplateColumns: columns,
          gap: 1.5,
          fontSize: 12,
          color: "text.secondary",
          pb: 0.5,
          borderBottom: 1,
          borderColor: "divider",
        },
        ...(Array.isArray(sx) ? sx : [sx ?? {}]),
      ]}
    >
      {children}
    </Box>
  );
}

/** One line of such a list. */
export function ColumnLine({ columns, children, sx }: Props) {
  return (
    <Box
      sx={[
        {
          display: "grid",
          gridTemplateColumns: columns,
          gap: 1.5,
          py: 0.8,
          borderBottom: 1,
          borderColor: "divider",
          fontSize: 13.5,
        },
        ...(Array.isArray(sx) ? sx : [sx ?? {}]),
      ]}
    >
      {children}
    </Box>
  );
}
