import { Alert } from "@mui/material";

/** Why something simulated did not do what it was asked. */
export function Refused({ error }: { error: Error }) {
  return (
    <Alert severity="error" variant="outlined" sx={{ mt: 1.5 }}>
      {error.message}
    </Alert>
  );
}
