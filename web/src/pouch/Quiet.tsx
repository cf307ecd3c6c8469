import { Button } from "@mui/material";

/** Something that is seldom wanted, beside the sentence below the line. */
export function Quiet({ onClick, children }: { onClick: () => void; children: string }) {
  return (
    <Button
      color="inherit"
      onClick={onClick}
      sx={{ p: 0, minWidth: 0, fontWeight: 400, fontSize: 13, whiteSpace: "nowrap" }}
    >
      {children}
    </Button>
  );
}
