import { Box, ButtonBase, Typography } from "@mui/material";
import type { ReactNode } from "react";
import { Link as RouterLink } from "react-router";
import { Explained } from "../shared/Explained";

/** One part of the sheet: its name, a sentence with the figure that matters, the picture, the figures under it. */
export function Panel({
  title,
  says,
  help,
  children,
  wide,
}: {
  title: string;
  says?: ReactNode;
  /** What its figure is, where that is not plain. */
  help?: string;
  children: ReactNode;
  wide?: boolean;
}) {
  return (
    <Box
      component="section"
      aria-label={title}
      sx={{
        gridColumn: wide ? "span 2" : undefined,
        bgcolor: "background.paper",
        border: 1,
        borderColor: "divider",
        borderRadius: 1,
        px: 2,
        py: 1.25,
        minWidth: 0,
        breakInside: "avoid",
      }}
    >
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 1.5 }}>
        <Typography variant="h3" component="h2">
          {title}
          {help && <Explained what={title.toLowerCase()}>{help}</Explained>}
        </Typography>
        <Box sx={{ ml: "auto", fontSize: 13, textAlign: "right" }}>{says}</Box>
      </Box>
      {children}
    </Box>
  );
}

export interface FigureLine {
  name: string;
  count?: number;
  figure?: ReactNode;
  open?: () => void;
  /** Where it leads, where another view holds what it is made of. */
  to?: string;
}

/** Figures under a picture; each opens what it is made of. */
export function Figures({ label, lines }: { label: string; lines: FigureLine[] }) {
  return (
    <Box role="list" aria-label={label}>
      {lines.map((line) => (
        <Box role="listitem" key={line.name}>
          <ButtonBase
            disabled={!line.open && !line.to}
            {...(line.to ? { component: RouterLink, to: line.to } : { onClick: line.open })}
            sx={{
              display: "grid",
              gridTemplateColumns: "minmax(0, 1fr) 56px 104px",
              width: "100%",
              py: 0.3,
              fontSize: 13,
              fontFamily: "inherit",
              borderBottom: 1,
              borderColor: "divider",
              "&:hover": { bgcolor: "chosenTint" },
            }}
          >
            <Box
              component="span"
              sx={{ textAlign: "left", color: line.open || line.to ? "primary.main" : "text.primary" }}
            >
              {line.name}
            </Box>
            <Box component="span" className="figure" sx={{ textAlign: "right", color: "text.secondary" }}>
              {line.count?.toLocaleString()}
            </Box>
            <Box component="span" sx={{ textAlign: "right", color: "text.primary" }}>
              {line.figure}
            </Box>
          </ButtonBase>
        </Box>
      ))}
    </Box>
  );
}
