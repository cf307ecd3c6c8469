import { Box, Typography } from "@mui/material";
import { useState } from "react";
import { useBooks, useSession } from "../access/session";
import { AskDialog } from "../shared/AskDialog";
import { Choice } from "../shared/Choice";
import { count } from "../shared/dates";
import { grouped, isNegative, isZero } from "../shared/money";
import { useBook, type Payout } from "./queries";

/** Asks once before a payout is booked, and to which account the money was sent. */
export function BookPayout({
  payout,
  eachSale,
  close,
}: {
  payout: Payout;
  eachSale: boolean;
  close: () => void;
}) {
  const books = useBooks();
  const session = useSession();
  const { paidOut, words } = payout.payout;
  const accounts = (session.data?.companies.find((c) => c.id === books.company)?.bankAccounts ?? []).filter(
    (account) => account.currency === paidOut.currency,
  );
  const [account, setAccount] = useState(String(accounts[0]?.id ?? ""));
  const book = useBook(payout.payout.id);
  const sent = !isZero(paidOut) && !isNegative(paidOut);
  const said = payout.joins.filter((one) => one.kind !== "SALE");
  return (
    <AskDialog
      title={`Book ${words}`}
      error={book.error}
      doing={`Book ${grouped(paidOut)}`}
      ready={!book.isPending && (!sent || account !== "")}
      go={() =>
        book.mutate({ bankAccountId: sent ? Number(account) : undefined, eachSale }, { onSuccess: close })
      }
      close={close}
    >
      {said.map((one) => (
        <Typography key={one.kind} sx={{ mb: 0.5 }}>
          {SAYS[one.kind]?.(count(one.items, "item"), grouped(one.gross))}
        </Typography>
      ))}
      <Typography sx={{ my: 1 }}>
        It is one settlement through the clearing account, and can be taken back as a whole.
      </Typography>
      {sent && (
        <Box sx={{ mt: 2 }}>
          <Choice
            shown
            label="Sent to"
            value={account}
            options={accounts.map((one) => [String(one.id), `${one.name}, ${one.bank}`])}
            choose={setAccount}
          />
        </Box>
      )}
    </AskDialog>
  );
}

const SAYS: Partial<Record<Payout["joins"][number]["kind"], (items: string, gross: string) => string>> = {
  INVOICE: (items, gross) => `${items} with ${gross} settle invoices in full.`,
  RECEIPT: (items, gross) => `${items} with ${gross} are recorded already and are not recorded again.`,
  NEW: (items, gross) => `${items} with ${gross} are recorded as sales.`,
  REOPEN: (items, gross) => `${items} with ${gross} open invoices again.`,
  LOOSE: (items, gross) => `${items} with ${gross} take back sales that are not known here.`,
};
