import { Alert, Button, Snackbar } from "@mui/material";

/** What was just done or refused. */
export interface Notice {
  severity: "success" | "error" | "info";
  text: string;
  /** Whether it can be taken back from here. */
  undo?: boolean;
}

/** What was just done, with the way back; a refusal stays until it is put away. */
export function DeskNotice({
  notice,
  undo,
  putAway,
}: {
  notice: Notice | null;
  undo: () => void;
  putAway: () => void;
}) {
  const refused = notice?.severity === "error";
  return (
    <Snackbar
      open={notice !== null}
      autoHideDuration={refused ? null : 12_000}
      onClose={(_, reason) => reason !== "clickaway" && !notice?.undo && putAway()}
      anchorOrigin={{ vertical: "bottom", horizontal: "center" }}
      sx={{ mb: 8, zIndex: (theme) => theme.zIndex.modal - 1 }}
    >
      <Alert
        severity={refused ? "error" : "info"}
        icon={false}
        role={refused ? "alert" : "status"}
        variant="outlined"
        onClose={putAway}
        action={
          notice?.undo ? (
            <Button color="inherit" onClick={undo}>
              Undo (U)
            </Button>
          ) : undefined
        }
        sx={{
          bgcolor: "background.paper",
          color: "text.primary",
          borderColor: refused ? "error.main" : "settled",
          maxWidth: 760,
        }}
      >
        {notice?.text}
      </Alert>
    </Snackbar>
  );
}
