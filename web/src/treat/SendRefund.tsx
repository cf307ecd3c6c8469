import { Box, Checkbox, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { useBooks, useSession } from "../access/session";
import type { Schemas } from "../api/client";
import { AskDialog } from "../shared/AskDialog";
import { Choice } from "../shared/Choice";
import { FigureField } from "../shared/FigureField";
import { grouped, isNegative, minor, negated, ofMinor, positive, typedAmount, zero } from "../shared/money";
import { useSendRefund } from "./queries";

type Item = Schemas["OpenItemView"];

/** Sends a customer what he has in credit: the books owe it no more, and it is outstanding until the bank shows it. */
export function SendRefund({ name, items, close }: { name: string; items: Item[]; close: () => void }) {
  const books = useBooks();
  const session = useSession();
  const send = useSendRefund();
  const credits = items.filter((item) => isNegative(item.open) && item.open.currency === books.currency);
  const [taken, setTaken] = useState<Record<number, string>>(() =>
    credits.length === 1 && credits[0] ? { [credits[0].id]: grouped(positive(credits[0].open)) } : {},
  );
  const [account, setAccount] = useState("");
  const [words, setWords] = useState("");
  const accounts =
    session.data?.companies
      .find((c) => c.id === books.company)
      ?.bankAccounts.filter((a) => a.currency === books.currency) ?? [];
  const chosen = account || String(accounts[0]?.id ?? "");
  const parts = credits.flatMap((item) => {
    const text = taken[item.id];
    return text === undefined ? [] : [{ item, amount: typedAmount(text, item.open) }];
  });
  const good = parts.every(
    ({ item, amount }) => amount !== null && minor(amount) > 0 && minor(amount) <= -minor(item.open),
  );
  const nothing = zero(books.currency);
  const total = ofMinor(
    parts.reduce((sum, { amount }) => sum + (amount ? minor(amount) : 0), 0),
    nothing,
  );
  return (
    <AskDialog
      title={`A refund sent to ${name}`}
      doing={`Note ${grouped(total)} as sent`}
      ready={good && parts.length > 0 && chosen !== "" && !send.isPending}
      go={() =>
        send.mutate(
          {
            bankAccountId: Number(chosen),
            items: parts.flatMap(({ item, amount }) =>
              amount ? [{ itemId: item.id, amount: negated(amount), itemVersion: item.version }] : [],
            ),
            words: words.trim() || undefined,
          },
          { onSuccess: close },
        )
      }
      close={close}
      error={send.error}
    >
      <Typography sx={{ mb: 1 }}>
        Say what was sent, by transfer or cheque: the books owe it no more. It is outstanding until the bank
        shows it.
      </Typography>
      {credits.map((item) => (
        <Box key={item.id} sx={{ display: "flex", alignItems: "center", gap: 1 }}>
          <Checkbox
            checked={taken[item.id] !== undefined}
            onChange={(event) => {
              const others = Object.entries(taken).filter(([id]) => id !== String(item.id));
              const chosenNow: [string, string][] = event.target.checked
                ? [...others, [String(item.id), grouped(positive(item.open))]]
                : others;
              setTaken(Object.fromEntries(chosenNow));
            }}
            slotProps={{ input: { "aria-label": `Pay out ${item.number}` } }}
          />
          <Box sx={{ flex: 1 }}>
            <span className="figure">{item.number}</span>, {grouped(positive(item.open))} owed
          </Box>
          {taken[item.id] !== undefined && (
            <FigureField
              slim
              label="Amount"
              named={`Amount of ${item.number}`}
              text={taken[item.id] ?? ""}
              type={(text) => setTaken({ ...taken, [item.id]: text })}
              valid={parts.find((p) => p.item === item)?.amount !== null}
              width={110}
            />
          )}
        </Box>
      ))}
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1.4fr", gap: 1.5, mt: 2 }}>
        <Choice
          shown
          label="From"
          value={chosen}
          options={accounts.map((a) => [String(a.id), a.name])}
          choose={setAccount}
        />
        <TextField
          label="Such as the cheque's number"
          value={words}
          onChange={(event) => setWords(event.target.value)}
          slotProps={{ htmlInput: { maxLength: 200 } }}
        />
      </Box>
    </AskDialog>
  );
}
