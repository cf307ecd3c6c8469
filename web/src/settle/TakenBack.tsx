import { Box, Button } from "@mui/material";
import { useState } from "react";
import { useBooks } from "../access/session";
import type { Money, Schemas } from "../api/client";
import { Amount } from "../shared/Amount";
import { onDay } from "../shared/dates";
import { Failed } from "../shared/States";
import { useTakenBack } from "./queries";
import { ReturnDialog } from "./ReturnDialog";

type Taken = Schemas["TakenBackView"];

interface Debit {
  id: number;
  bookedOn: string;
  amount: Money;
  text: string;
  payer: string;
}

/** The receipts that money from us may have taken back again; nothing where there is none. */
export function TakenBack({ debit }: { debit: Debit }) {
  const books = useBooks();
  const found = useTakenBack(debit.id);
  const [noting, setNoting] = useState<Taken | null>(null);
  return (
    <>
      {found.error && <Failed error={found.error} retry={() => void found.refetch()} />}
      {found.data && found.data.length > 0 && (
        <Box component="ul" aria-label="What it may take back" sx={{ listStyle: "none", p: 0, m: 0, mb: 1 }}>
          {found.data.map((one) => (
            <Box
              component="li"
              key={one.entryId}
              sx={{
                display: "flex",
                gap: 2,
                alignItems: "baseline",
                py: 1,
                borderBottom: 1,
                borderColor: "divider",
              }}
            >
              <Box sx={{ flex: 1 }}>
                {one.checkNumber ? (
                  <>
                    Cheque <span className="figure">{one.checkNumber}</span> from {one.payer}
                  </>
                ) : (
                  one.payer
                )}
                <Box component="span" sx={{ color: "text.secondary" }}>
                  , received {onDay(one.receivedOn)}
                </Box>
              </Box>
              <Amount of={one.amount} />
              {books.mayPost && (
                <Button variant="outlined" onClick={() => setNoting(one)}>
                  It came back…
                </Button>
              )}
            </Box>
          ))}
        </Box>
      )}
      {noting && (
        <ReturnDialog
          by={debit.id}
          receipt={{
            entryId: noting.entryId,
            received: noting.amount,
            payer: noting.payer,
            receivedOn: noting.receivedOn,
            owners: noting.owners.map((o): [number, string] => [o.customerId, o.name]),
          }}
          close={() => setNoting(null)}
        />
      )}
    </>
  );
}
