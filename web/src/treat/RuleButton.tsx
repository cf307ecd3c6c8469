import { Alert, Button, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { useBooks } from "../access/session";
import type { Schemas } from "../api/client";
import { AskDialog } from "../shared/AskDialog";
import { grouped, isZero, positive } from "../shared/money";
import { useFollow } from "./queries";

type Verdict = Schemas["VerdictView"];

/** Where a house rule books an entry, in a sentence. */
export function RuleParts({ verdict }: { verdict: Verdict }) {
  return (
    <>
      {verdict.parts.map((part, n) => (
        <span key={n}>
          {n > 0 && "; "}
          <span className="figure">{grouped(positive(part.amount))}</span> to {part.account}
          {!isZero(part.tax) && (
            <>
              , <span className="figure">{grouped(positive(part.tax))}</span> of it tax
            </>
          )}
        </span>
      ))}
    </>
  );
}

/** Does what a house rule says; where something speaks against it, asks why not first. */
export function RuleButton({
  entryId,
  verdict,
  done,
}: {
  entryId: number;
  verdict: Verdict;
  done: () => void;
}) {
  const books = useBooks();
  const follow = useFollow(entryId);
  const [asking, setAsking] = useState(false);
  const [why, setWhy] = useState("");
  if (!books.mayPost || !verdict.withinCap) {
    return null;
  }
  const go = (despite?: string) =>
    follow.mutate(
      { treatmentId: verdict.treatmentId, despite },
      {
        onSuccess: () => {
          setAsking(false);
          done();
        },
      },
    );
  return (
    <>
      <Button
        variant={verdict.why === "" && verdict.way !== "SUGGESTS" ? "contained" : "outlined"}
        disabled={follow.isPending}
        onClick={() => (verdict.why === "" ? go() : setAsking(true))}
        sx={{ whiteSpace: "nowrap" }}
      >
        {verdict.why === "" ? "Book it so" : "Book it so…"}
      </Button>
      {follow.error && !asking && (
        <Alert severity="error" variant="outlined">
          {follow.error.message}
        </Alert>
      )}
      {asking && (
        <AskDialog
          title={`House rule “${verdict.name}”`}
          doing="Book it all the same"
          ready={why.trim() !== "" && !follow.isPending}
          go={() => go(why.trim())}
          close={() => setAsking(false)}
          error={follow.error}
        >
          <Typography sx={{ mb: 2 }}>{verdict.why}</Typography>
          <TextField
            label="Why it is something else"
            fullWidth
            autoFocus
            value={why}
            onChange={(event) => setWhy(event.target.value)}
            slotProps={{ htmlInput: { maxLength: 400 } }}
          />
        </AskDialog>
      )}
    </>
  );
}
