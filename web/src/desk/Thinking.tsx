import { Box, LinearProgress, Typography } from "@mui/material";
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { useFlow } from "../frame/flow";

/** How far it is with entries of which many came at once; nothing where none did. */
export function Thinking() {
  const thinking = useFlow().data?.thinking;
  const queries = useQueryClient();
  const was = useRef(false);
  useEffect(() => {
    if (was.current && !thinking) {
      void queries.invalidateQueries({ queryKey: ["entries"] });
    }
    was.current = Boolean(thinking);
  }, [thinking, queries]);
  if (!thinking) {
    return null;
  }
  return (
    <Box role="status" sx={{ px: 1.75, py: 0.75 }}>
      <LinearProgress
        variant="determinate"
        aria-label="Entries thought about"
        value={(100 * thinking.done) / thinking.of}
      />
      <Typography variant="body2" color="textSecondary" sx={{ fontSize: 12, mt: 0.5 }}>
        Looking for explanations: {thinking.done.toLocaleString()} of {thinking.of.toLocaleString()}
      </Typography>
    </Box>
  );
}
