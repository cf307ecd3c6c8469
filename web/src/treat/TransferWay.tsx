import { Alert, Box, Button } from "@mui/material";
import { useState } from "react";
import { useBooks } from "../access/session";
import type { Schemas } from "../api/client";
import { Choice } from "../shared/Choice";
import { count, onDay } from "../shared/dates";
import { useBankCorrection, useTransfer, type Ways } from "./queries";
import { WayStrip } from "./WayStrip";

type Side = Schemas["TransferSide"];

function apart(days: number): string {
  return days === 0 ? "the same day" : `${count(Math.abs(days), "day")} ${days > 0 ? "later" : "before"}`;
}

/** How the other side is spoken of. */
export function sideWords(side: Side, fromUs: boolean): string {
  return `${fromUs ? "came to" : "left"} ${side.bankAccount} on ${onDay(side.on)}, ${apart(side.days)}`;
}

/** An entry as one side of a transfer between own accounts: with the other side, or with one that is awaited. */
export function TransferWay({
  entryId,
  fromUs,
  ways,
  done,
}: {
  entryId: number;
  fromUs: boolean;
  ways: Ways;
  done: () => void;
}) {
  const books = useBooks();
  const transfer = useTransfer(entryId);
  const correct = useBankCorrection(entryId);
  const [account, setAccount] = useState("");
  const chosen = account || String(ways.ownAccounts[0]?.id ?? "");
  const go = (other: Schemas["Transfer"]) => transfer.mutate(other, { onSuccess: done });
  return (
    <>
      {ways.transfers.map((side) => (
        <WayStrip
          key={side.entryId}
          title="Between your own accounts"
          action={
            books.mayPost && (
              <Button
                variant={side.named || side.awaitsThis ? "contained" : "outlined"}
                disabled={transfer.isPending}
                onClick={() => go({ otherEntryId: side.entryId })}
              >
                Join both sides
              </Button>
            )
          }
        >
          The same amount {sideWords(side, fromUs)}: {side.text || "nothing said"}.
          {side.awaitsThis && " It awaits this side."}
          {side.named && " One of the two speaks of the other account."}
        </WayStrip>
      ))}
      {ways.transfers.length === 0 && ways.speaksOfOne && (
        <WayStrip
          title="Between your own accounts"
          action={
            books.mayPost && (
              <Box sx={{ display: "flex", gap: 1, alignItems: "center" }}>
                {ways.ownAccounts.length > 1 && (
                  <Choice
                    label="The other account"
                    value={chosen}
                    options={ways.ownAccounts.map((a) => [String(a.id), a.name])}
                    choose={setAccount}
                  />
                )}
                <Button
                  variant="outlined"
                  disabled={transfer.isPending}
                  onClick={() => go({ otherBankAccountId: Number(chosen) })}
                  sx={{ whiteSpace: "nowrap" }}
                >
                  Book it as under way
                </Button>
              </Box>
            )
          }
        >
          It speaks of {ways.ownAccounts[0]?.name}, where the other side has not come yet. It is awaited
          there.
        </WayStrip>
      )}
      {ways.corrections.map((half) => (
        <WayStrip
          key={`put right ${half.entryId}`}
          title="Put right by the bank"
          action={
            books.mayPost && (
              <Button
                variant={half.alike ? "contained" : "outlined"}
                disabled={correct.isPending}
                onClick={() => correct.mutate(half.entryId, { onSuccess: done })}
              >
                Join both
              </Button>
            )
          }
        >
          The same amount {fromUs ? "came back" : "went out"} on {onDay(half.on)}, {apart(half.days)}:{" "}
          {half.text || "nothing said"}. Together they are nothing.
        </WayStrip>
      ))}
      {correct.error && (
        <Alert severity="error" variant="outlined" sx={{ mb: 1 }}>
          {correct.error.message}
        </Alert>
      )}
      {transfer.error && (
        <Alert severity="error" variant="outlined" sx={{ mb: 1 }}>
          {transfer.error.message}
        </Alert>
      )}
    </>
  );
}
