import { Alert, Box, Link, Typography } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { Link as RouterLink } from "react-router";
import { useBooks } from "../access/session";
import { api, data, type Schemas } from "../api/client";
import { useRefresh } from "../desk/queries";
import { Amount } from "../shared/Amount";
import { onDay } from "../shared/dates";
import { Failed } from "../shared/States";
import { DecideRow, Side } from "./DecideRow";

type Correction = Schemas["CorrectionView"];
type ItemUpdate = Schemas["ItemUpdateView"];

interface Decision {
  id: number;
  accept: boolean;
}

/** What later files say otherwise of entries and items that are known; each is accepted or refused. */
export function Corrections() {
  const books = useBooks();
  const refresh = useRefresh();
  const query = { params: { query: { company: books.company } } };
  const entries = useQuery({
    queryKey: ["corrections", books.company],
    queryFn: async () => data(await api.GET("/api/corrections", query)),
  });
  const items = useQuery({
    queryKey: ["item-updates", books.company],
    queryFn: async () => data(await api.GET("/api/item-updates", query)),
  });
  const decideEntry = useMutation({
    mutationFn: async ({ id, accept }: Decision) =>
      data(
        await api.POST("/api/corrections/{id}/decision", {
          params: { path: { id } },
          body: { accept },
        }),
      ),
    onSettled: refresh,
  });
  const decideItem = useMutation({
    mutationFn: async ({ id, accept }: Decision) =>
      data(
        await api.POST("/api/item-updates/{id}/decision", {
          params: { path: { id } },
          body: { accept },
        }),
      ),
    onSettled: refresh,
  });
  const failed = entries.error ?? items.error;
  if (failed) {
    return (
      <Failed
        error={failed}
        retry={() => {
          void entries.refetch();
          void items.refetch();
        }}
      />
    );
  }
  if (!entries.data || !items.data || entries.data.length + items.data.length === 0) {
    return null;
  }
  const refused = decideEntry.error ?? decideItem.error;
  return (
    <Box component="section" aria-label="Differences to decide" sx={{ mt: 3 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        Differences to decide
      </Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        A later file tells these otherwise. They stay as they are until you accept.
      </Typography>
      {refused && (
        <Alert severity="error" variant="outlined" sx={{ mb: 1 }}>
          {refused.message}
        </Alert>
      )}
      {entries.data.map((correction) => (
        <EntryDifference
          key={correction.id}
          correction={correction}
          mayDecide={books.mayPost}
          busy={decideEntry.isPending}
          decide={(accept) => decideEntry.mutate({ id: correction.id, accept })}
        />
      ))}
      {items.data.map((update) => (
        <ItemDifference
          key={update.id}
          update={update}
          mayDecide={books.mayPost}
          busy={decideItem.isPending}
          decide={(accept) => decideItem.mutate({ id: update.id, accept })}
        />
      ))}
    </Box>
  );
}

interface Deciding {
  mayDecide: boolean;
  busy: boolean;
  decide: (accept: boolean) => void;
}

function EntryDifference({ correction, ...deciding }: { correction: Correction } & Deciding) {
  const { before, after } = correction;
  return (
    <DecideRow
      {...deciding}
      title={correction.payer}
      from={`${correction.bankAccount}, told by ${correction.fileName}`}
      before={
        <Side what="We have" day={before.bookedOn}>
          <Amount of={before.amount} />
        </Side>
      }
      after={
        <Side what="The statement has" day={after?.bookedOn}>
          {after ? <Amount of={after.amount} /> : "nothing"}
        </Side>
      }
      against={
        correction.entryStatus === "SETTLED" && (
          <>
            It is settled;{" "}
            <Link component={RouterLink} to="/posted/settlements">
              reverse its settlement
            </Link>{" "}
            to accept.
          </>
        )
      }
      accept={after ? "Take the statement's" : "Take it out"}
    />
  );
}

const ACCEPT: Record<ItemUpdate["kind"], string> = {
  DUE_DATE: "Take its due date",
  CANCELLED: "Take it away",
  PAID_ELSEWHERE: "Take its balance",
};

function ItemDifference({ update, ...deciding }: { update: ItemUpdate } & Deciding) {
  const side = (state: ItemUpdate["before"]): ReactNode =>
    update.kind === "DUE_DATE" ? `due ${onDay(state.dueOn)}` : <Amount of={state.open} />;
  return (
    <DecideRow
      {...deciding}
      title={
        <>
          <span className="figure">{update.number}</span>,{" "}
          <Link component={RouterLink} to={`/posted/customers/${update.customerId}`}>
            {update.customerName}
          </Link>
        </>
      }
      from={`told by ${update.fileName}`}
      before={<Side what={update.kind === "DUE_DATE" ? "We have" : "Open here"}>{side(update.before)}</Side>}
      after={
        <Side what={update.kind === "PAID_ELSEWHERE" ? "Open there, paid elsewhere" : "The list has"}>
          {update.after ? side(update.after) : "cancelled it"}
        </Side>
      }
      against={update.against}
      accept={ACCEPT[update.kind]}
    />
  );
}
