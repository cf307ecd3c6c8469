import { Box, Button, Typography } from "@mui/material";
import type { ReactNode } from "react";
import { api, data, type Money, type Schemas } from "../api/client";
import { Notes } from "../notes/Notes";
import { Differences } from "./Differences";
import type { Draft, Preview } from "./drafts";
import { DraftBar, Sheet, Writes } from "./ReceiptPane";

/** Setting what a customer has in credit against what he owes, without any money arriving. */
export function AccountSheet({
  account,
  draft,
  preview,
  zero,
  numberOf,
  change,
  drop,
  readOnly,
  notice,
  say,
}: {
  account: Schemas["CustomerAccount"];
  draft: Draft;
  preview: Preview | undefined;
  zero: Money;
  numberOf: (itemId: number) => string;
  change: (draft: Draft) => void;
  drop: (itemId: number) => void;
  readOnly: boolean;
  notice: ReactNode;
  say: (sentence: string) => void;
}) {
  const oldestFirst = async () => {
    try {
      const proposed = data(
        await api.GET("/api/customers/{id}/oldest-first", { params: { path: { id: account.id } } }),
      );
      change({ ...draft, ...proposed });
    } catch (error) {
      say((error as Error).message);
    }
  };
  return (
    <Sheet>
      <Box>
        <Typography variant="h1">{account.name}</Typography>
        <Typography variant="body2" color="textSecondary">
          No money comes in: credit notes and money on account are set against invoices.
        </Typography>
      </Box>
      <Box>
        <Button
          variant="outlined"
          color="inherit"
          disabled={readOnly}
          onClick={() => void oldestFirst()}
          sx={{ borderColor: "divider" }}
        >
          Apply oldest first
        </Button>
      </Box>
      <Notes about={`customer-${account.id}`} />
      {notice}
      <DraftBar
        says={draft.applications.length > 0 ? "Draft made by hand" : "Nothing in the draft yet"}
        received={zero}
        draft={draft}
        preview={preview}
        numberOf={numberOf}
        change={change}
        drop={drop}
        readOnly={readOnly}
      />
      <Differences draft={draft} change={change} readOnly={readOnly} />
      <Writes preview={preview} />
    </Sheet>
  );
}
