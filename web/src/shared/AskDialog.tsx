import { Alert, Box, Button, Dialog, DialogActions, DialogContent, DialogTitle } from "@mui/material";
import type { ReactNode } from "react";

interface Props {
  title: ReactNode;
  children: ReactNode;
  /** Why it was refused; what was typed stays. */
  error?: Error | null;
  /** What the one button does, and whether it can be done yet. */
  doing: ReactNode;
  ready: boolean;
  go: () => void;
  close: () => void;
  /** The word on the way out. */
  leave?: string;
  /** A sentence or a second button before the two. */
  aside?: ReactNode;
  wide?: boolean;
}

/** Asks for something in the middle of the work: a question, what is to be filled in, one way to do it and one way out. */
export function AskDialog({ title, children, error, doing, ready, go, close, leave, aside, wide }: Props) {
  return (
    <Dialog open onClose={close} maxWidth={wide ? "md" : "sm"} fullWidth>
      <DialogTitle sx={{ overflowWrap: "anywhere" }}>{title}</DialogTitle>
      <DialogContent>
        {children}
        {error && (
          <Alert severity="error" variant="outlined" sx={{ mt: 2 }}>
            {error.message}
          </Alert>
        )}
      </DialogContent>
      <DialogActions>
        {typeof aside === "string" ? (
          <Box sx={{ flex: 1, pl: 2, color: "text.secondary", fontSize: 13 }}>{aside}</Box>
        ) : null}
        <Button color="inherit" onClick={close}>
          {leave ?? "Cancel"}
        </Button>
        {typeof aside === "string" ? null : aside}
        <Button variant="contained" disabled={!ready} onClick={go}>
          {doing}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
