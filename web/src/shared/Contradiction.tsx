import { Alert, Button } from "@mui/material";
import type { ReactNode } from "react";

interface Props {
  /** In what it contradicts itself, a sentence each. */
  sentences: string[];
  supervisor: boolean;
  accept: () => void;
  /** What cannot be done until somebody answers for it, without its full stop. */
  until: ReactNode;
  /** What whoever cannot accept it may do. */
  instead: ReactNode;
}

/** What contradicts itself in what somebody sent, and who can answer for it. */
export function Contradiction({ sentences, supervisor, accept, until, instead }: Props) {
  return (
    <Alert
      severity="warning"
      variant="outlined"
      sx={{ mx: 2, my: 1 }}
      action={
        supervisor ? (
          <Button color="inherit" onClick={accept}>
            Accept…
          </Button>
        ) : undefined
      }
    >
      {sentences.map((sentence) => (
        <div key={sentence}>{sentence}</div>
      ))}
      <div>
        {until}
        {supervisor ? "." : <>; {instead}.</>}
      </div>
    </Alert>
  );
}
