import { Box, ButtonBase, Link, Popover, Typography } from "@mui/material";
import { useState, type ReactNode } from "react";
import { Link as RouterLink } from "react-router";

/** A mark beside a figure that says, when it is pressed, what the figure is and where it comes from. */
export function Explained({ what, children }: { what: string; children: ReactNode }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <ButtonBase
        aria-label={`What is ${what}`}
        onClick={(event) => setAnchor(event.currentTarget)}
        sx={{
          width: 16,
          height: 16,
          borderRadius: "50%",
          border: 1,
          borderColor: "text.secondary",
          color: "text.secondary",
          fontSize: 10.5,
          fontFamily: "inherit",
          ml: 0.75,
          verticalAlign: "text-bottom",
          displayPrint: "none",
        }}
      >
        i
      </ButtonBase>
      <Popover
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        anchorOrigin={{ vertical: "bottom", horizontal: "left" }}
      >
        <Box sx={{ p: 2, maxWidth: 340, fontSize: 13.5 }}>
          {children}
          <Typography sx={{ mt: 1, fontSize: 13 }}>
            <Link component={RouterLink} to="/money-rules">
              All money rules
            </Link>
          </Typography>
        </Box>
      </Popover>
    </>
  );
}
