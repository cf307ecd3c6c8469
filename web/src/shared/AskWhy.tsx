import { TextField, Typography } from "@mui/material";
import { useState, type ReactNode } from "react";
import { AskDialog } from "./AskDialog";

/** Asks for a reason before something is done. */
export function AskWhy({
  title,
  children,
  doing,
  error,
  ready,
  go,
  close,
}: {
  title: string;
  children: ReactNode;
  doing: string;
  error: Error | null;
  ready: boolean;
  go: (reason: string) => void;
  close: () => void;
}) {
  const [reason, setReason] = useState("");
  return (
    <AskDialog
      title={title}
      error={error}
      doing={doing}
      ready={ready && reason.trim() !== ""}
      go={() => go(reason.trim())}
      close={close}
    >
      <Typography sx={{ mb: 2 }}>{children}</Typography>
      <TextField
        label="Why"
        fullWidth
        autoFocus
        value={reason}
        onChange={(event) => setReason(event.target.value)}
      />
    </AskDialog>
  );
}
