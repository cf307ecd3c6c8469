import { Box, TextField, Typography } from "@mui/material";
import { useState } from "react";
import type { Money } from "../api/client";
import { AskDialog } from "../shared/AskDialog";
import { Choice } from "../shared/Choice";
import { count, onDayOfYear } from "../shared/dates";
import { FigureField } from "../shared/FigureField";
import { grouped, isNegative, isZero, negated, typedAmount, zero } from "../shared/money";
import { useCloseTieOut, useNoteError, useRightError, type Account, type Figures, type Way } from "./queries";

/** Asks once, with the figures, before a day is closed. */
export function CloseDialog({
  account,
  figures,
  typed,
  close,
}: {
  account: Account;
  figures: Figures;
  typed: Money | undefined;
  close: () => void;
}) {
  const closing = useCloseTieOut(account.bankAccountId);
  const carried = figures.ways.length;
  return (
    <AskDialog
      title={`Close ${account.name} at the end of ${onDayOfYear(figures.asOf)}?`}
      doing="Close it"
      ready={!closing.isPending}
      go={() => closing.mutate({ asOf: figures.asOf, balance: typed }, { onSuccess: close })}
      close={close}
      error={closing.error}
    >
      <Typography>
        Bank <span className="figure">{grouped(figures.statement)}</span> and books{" "}
        <span className="figure">{grouped(figures.books)}</span> both come to{" "}
        <span className="figure">{grouped(figures.adjustedBooks)}</span>.
      </Typography>
      <Typography sx={{ mt: 1 }}>
        {carried === 0
          ? "Nothing is left between them."
          : `${count(carried, "thing")} between them ${carried === 1 ? "goes" : "go"} on into the next one.`}{" "}
        From then on nothing is booked on this account up to that day; what is posted later goes to the day
        after.
      </Typography>
    </AskDialog>
  );
}

/** Writes down an error of the bank or the books that explains what is left. */
export function ErrorDialog({
  account,
  figures,
  close,
}: {
  account: Account;
  figures: Figures;
  close: () => void;
}) {
  const note = useNoteError(account.bankAccountId);
  const [whose, setWhose] = useState<"BANK" | "BOOKS">("BANK");
  const [text, setText] = useState(
    isZero(figures.gap) ? "" : (whose === "BANK" ? negated(figures.gap) : figures.gap).amount,
  );
  const [words, setWords] = useState("");
  const amount = typedAmount(text, zero(account.currency));
  const choose = (side: string) => {
    setWhose(side as "BANK" | "BOOKS");
    if (amount && side !== whose) {
      setText(negated(amount).amount);
    }
  };
  return (
    <AskDialog
      title="An error of the bank or of the books"
      doing="Write it down"
      ready={amount !== null && !isZero(amount) && words.trim() !== "" && !note.isPending}
      go={() =>
        amount && note.mutate({ whose, on: figures.asOf, amount, words: words.trim() }, { onSuccess: close })
      }
      close={close}
      error={note.error}
    >
      <Typography sx={{ mb: 2 }}>
        It explains its amount from {onDayOfYear(figures.asOf)} on, until somebody says that it is right.
        Nothing is booked by it.
      </Typography>
      <Box sx={{ display: "grid", gap: 1.5, gridTemplateColumns: "1fr 200px" }}>
        <Choice
          shown
          label="Who was wrong"
          value={whose}
          options={[
            ["BANK", "the bank; it will put it right"],
            ["BOOKS", "the books; we will put it right"],
          ]}
          choose={choose}
        />
        <FigureField
          label="The balance has to change by"
          text={text}
          type={setText}
          valid={text === "" || amount !== null}
          says={
            amount && !isZero(amount)
              ? `the ${whose === "BANK" ? "bank" : "books"} ${isNegative(amount) ? "less" : "more"}`
              : undefined
          }
        />
      </Box>
      <TextField
        label="What happened"
        fullWidth
        value={words}
        onChange={(event) => setWords(event.target.value)}
        slotProps={{ htmlInput: { maxLength: 400 } }}
        sx={{ mt: 1.5 }}
      />
    </AskDialog>
  );
}

/** From which day on an error stands between the two no more. */
export function RightDialog({ way, today, close }: { way: Way; today: string; close: () => void }) {
  const right = useRightError();
  const [since, setSince] = useState(today);
  return (
    <AskDialog
      title={`“${way.words}” is right now`}
      doing="It is right"
      ready={since !== "" && !right.isPending}
      go={() => right.mutate({ id: Number(way.id.slice("error-".length)), since }, { onSuccess: close })}
      close={close}
      error={right.error}
    >
      <Typography sx={{ mb: 2 }}>On the days before, it goes on explaining its amount.</Typography>
      <TextField
        type="date"
        label="From"
        value={since}
        onChange={(event) => setSince(event.target.value)}
        slotProps={{ inputLabel: { shrink: true } }}
      />
    </AskDialog>
  );
}
