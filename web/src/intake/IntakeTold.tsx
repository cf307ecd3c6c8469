import { Alert, Box, Button } from "@mui/material";
import { Link as RouterLink, useNavigate } from "react-router";
import { useBooks } from "../access/session";
import { explainNext } from "../profiles/sample";
import { Amount } from "../shared/Amount";
import { count } from "../shared/dates";
import { useIntaking } from "./intaking";
import { ProblemLines } from "./ProblemLines";
import type { Outcome } from "./send";

/** Texts and workbooks may be tables whose columns can be explained. */
const TABLE = /\.(csv|txt|tsv|xlsx|xlsm)$/i;

/** Formats whose credits are worked through batch by batch. */
const LOCKBOX = ["lockbox-bai", "x12-823", "lockbox-csv"];

/** What became of one file that was dropped. */
export function Told({ outcome }: { outcome: Outcome }) {
  const books = useBooks();
  const navigate = useNavigate();
  const { take } = useIntaking();
  if (outcome.refusal) {
    const mayMend = books.mayPost && TABLE.test(outcome.file.name) && outcome.refusal.code === "BROKEN_FILE";
    // what is wrong with the file as a whole cannot be left out
    const lines = outcome.refusal.problems.filter((problem) => problem.line > 1).length;
    const rows = lines > 0 && lines === outcome.refusal.problems.length;
    return (
      <Alert
        severity={outcome.refusal.code === "STOPPED" ? "info" : "error"}
        variant="outlined"
        sx={{ mt: 1.5 }}
        action={
          mayMend && (
            <Box sx={{ display: "flex", flexDirection: "column", alignItems: "flex-start" }}>
              {rows && (
                <Button onClick={() => take([outcome.file], true)}>Take in the rest, mend these later</Button>
              )}
              <Button
                onClick={() => {
                  explainNext(outcome.file);
                  void navigate("/arrived/profiles");
                }}
              >
                Explain its columns…
              </Button>
            </Box>
          )
        }
      >
        <strong>{outcome.file.name}</strong>: {outcome.refusal.message}
        <ProblemLines error={outcome.refusal} />
      </Alert>
    );
  }
  const { intake } = outcome;
  if (!intake) {
    return null;
  }
  return (
    <Alert
      severity="info"
      icon={false}
      variant="outlined"
      sx={{ mt: 1.5, borderColor: "settled", color: "text.primary" }}
    >
      <strong>{intake.fileName}</strong>: {count(intake.records, "record")}, {intake.fresh.toLocaleString()}{" "}
      new, {intake.known.toLocaleString()} known already.{" "}
      <Button component={RouterLink} to={`/arrived/intake/${intake.id}`} sx={{ py: 0 }}>
        What it brought
      </Button>
      {intake.waiting.map((part) => (
        <span key={part.currency}>
          {" "}
          {count(part.entries, "credit")} of <Amount of={part.amount} /> {part.currency}{" "}
          {part.entries === 1 ? "waits" : "wait"} at the desk.{" "}
          {LOCKBOX.includes(intake.format) ? (
            <Button component={RouterLink} to="/waiting/lockbox">
              To the lockbox batches
            </Button>
          ) : (
            <Button component={RouterLink} to="/waiting/desk">
              To the desk
            </Button>
          )}
        </span>
      ))}
      {intake.format === "payout-csv" && (
        <Button component={RouterLink} to="/waiting/payouts">
          To the payouts
        </Button>
      )}
      {intake.announced.map((part) => (
        <span key={part.currency}>
          {" "}
          {count(part.entries, "entry", "entries")} of <Amount of={part.amount} /> {part.currency} announced.
        </span>
      ))}
      {intake.problems.map((problem) => (
        <Box key={problem}>{problem}</Box>
      ))}
    </Alert>
  );
}
