import { TextField, Typography } from "@mui/material";
import { useState } from "react";
import { AskDialog } from "../shared/AskDialog";
import { Choice } from "../shared/Choice";

/** Asks once for a reason or a note before something is passed on or set aside. */
export function AskWords({
  title,
  explains,
  label,
  doing,
  reasons,
  needed,
  act,
  close,
}: {
  title: string;
  explains: string;
  label: string;
  doing: string;
  /** Reasons to choose from, first the usual one. */
  reasons?: [string, string][];
  needed?: boolean;
  act: (words: string, reason: string) => void;
  close: () => void;
}) {
  const [words, setWords] = useState("");
  const [reason, setReason] = useState(reasons?.[0]?.[0] ?? "");
  const ready = !needed || words.trim() !== "";
  const go = () => {
    act(words.trim(), reason);
    close();
  };
  return (
    <AskDialog title={title} doing={doing} ready={ready} go={go} close={close}>
      <Typography sx={{ mb: 2 }}>{explains}</Typography>
      {reasons && <Choice shown label="Reason" value={reason} options={reasons} choose={setReason} />}
      <TextField
        label={label}
        fullWidth
        autoFocus
        value={words}
        onChange={(event) => setWords(event.target.value)}
        onKeyDown={(event) => event.key === "Enter" && ready && go()}
        slotProps={{ htmlInput: { maxLength: 400 } }}
        sx={{ mt: 2 }}
      />
    </AskDialog>
  );
}
