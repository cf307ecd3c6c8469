import { Box, Button, Link } from "@mui/material";
import { useMemo, useState } from "react";
import { Link as RouterLink, useNavigate, useParams } from "react-router";
import type { Schemas } from "../api/client";
import { useBooks } from "../access/session";
import { Workbench } from "../desk/Workbench";
import { ViewActions } from "../frame/ViewActions";
import { useNoteMarks } from "../notes/queries";
import { AskWhy } from "../shared/AskWhy";
import { Contradiction } from "../shared/Contradiction";
import { count, onDay } from "../shared/dates";
import { grouped } from "../shared/money";
import { Empty, Failed, Loading } from "../shared/States";
import { ChequeList } from "./ChequeList";
import { ControlTotals } from "./ControlTotals";
import { PostBatch } from "./PostBatch";
import {
  useAccept,
  useBatch,
  useBatchRuns,
  useCheques,
  useReverseBatch,
  type Batch,
  type Show,
} from "./queries";
import { RunNotice } from "./RunNotice";
import { batchName } from "./words";

const NO_MARKS: ReadonlyMap<string, Schemas["Mark"]> = new Map();

/** A lockbox batch: its control totals, its cheques by what is left to do, and the work on each. */
export default function BatchView() {
  const params = useParams();
  const id = Number(params.batchId);
  const books = useBooks();
  const navigate = useNavigate();
  const [show, showOnly] = useState<Show>("ALL");
  const [asking, ask] = useState<"post" | "accept" | "reverse" | null>(null);
  const batch = useBatch(id);
  const cheques = useCheques(id, show);
  const runs = useBatchRuns(id);
  const marks = useNoteMarks();
  const accept = useAccept(id);
  const reverse = useReverseBatch(id);
  const rows = useMemo(() => cheques.data?.pages.flatMap((page) => page.rows) ?? [], [cheques.data]);
  const asked = params.entryId ? Number(params.entryId) : undefined;
  const chosen = asked ?? rows[0]?.entry.id;
  const settlementOf = new Map(rows.map((row) => [row.entry.id, row.settlementId]));

  if (batch.error && !batch.data) {
    return <Failed error={batch.error} retry={() => void batch.refetch()} />;
  }
  if (cheques.error && !cheques.data) {
    return <Failed error={cheques.error} retry={() => void cheques.refetch()} />;
  }
  if (!batch.data || !cheques.data) {
    return <Loading rows={10} />;
  }
  const b = batch.data;
  const mayPost = books.mayPost && !b.batch.blocked && b.ready.cheques > 0;
  const openPost = () => mayPost && ask("post");
  return (
    <Box sx={{ height: "100%", display: "flex", flexDirection: "column" }}>
      <ViewActions>
        {books.mayPost && b.batch.posted > 0 && (
          <Button color="inherit" sx={{ fontWeight: 400 }} onClick={() => ask("reverse")}>
            Take {count(b.batch.posted, "settlement")} back…
          </Button>
        )}
        <Button color="inherit" disabled={!mayPost} onClick={openPost} sx={{ color: "primary.main" }}>
          Post the batch ({b.ready.cheques.toLocaleString()} · {grouped(b.ready.amount)})…
        </Button>
      </ViewActions>
      <Heading batch={b} />
      <ControlTotals batch={b} />
      {b.batch.blocked && (
        <Contradiction
          sentences={b.contradictions}
          supervisor={books.supervisor}
          accept={() => ask("accept")}
          until="Nothing of this batch is posted until a supervisor accepts that with a reason"
          instead="ask one, or have the bank send the file again"
        />
      )}
      <RunNotice runs={runs.data ?? []} />
      <Box sx={{ flex: 1, minHeight: 0 }}>
        <Workbench
          chosen={chosen}
          beside={(by) => rows[rows.findIndex((row) => row.entry.id === chosen) + by]?.entry.id}
          go={(entryId) => void navigate(`/waiting/lockbox/${id}/${entryId}`)}
          goHome={() => void navigate(`/waiting/lockbox/${id}`)}
          keys={{ p: openPost }}
          list={
            <ChequeList
              cheques={rows}
              groups={b.groups}
              hasMore={cheques.hasNextPage}
              loadMore={() => !cheques.isFetchingNextPage && void cheques.fetchNextPage()}
              chosen={chosen}
              choose={(entryId) => void navigate(`/waiting/lockbox/${id}/${entryId}`)}
              marks={marks.data ?? NO_MARKS}
              show={show}
              showOnly={showOnly}
            />
          }
          nothing={<Empty title="No cheque of this batch is so">Choose another filter.</Empty>}
          done={(entry) =>
            settlementOf.get(entry.id) && (
              <Empty title={`${grouped(entry.amount)} from ${entry.payer} is posted`}>
                <Button
                  component={RouterLink}
                  to={`/posted/settlements/${settlementOf.get(entry.id)}`}
                  variant="outlined"
                >
                  See settlement {settlementOf.get(entry.id)}
                </Button>
              </Empty>
            )
          }
        />
      </Box>
      {asking === "post" && <PostBatch batch={b} close={() => ask(null)} />}
      {asking === "accept" && (
        <AskWhy
          title={`Accept what contradicts in ${batchName(b.batch)}?`}
          doing="Accept"
          error={accept.error}
          ready={!accept.isPending}
          go={(reason) => accept.mutate(reason, { onSuccess: () => ask(null) })}
          close={() => ask(null)}
        >
          The batch is banked with the {grouped(b.totals.control)} that its cheques come to, and may be
          posted. Your name and reason stay with it.
        </AskWhy>
      )}
      {asking === "reverse" && (
        <AskWhy
          title={`Take all that is posted of ${batchName(b.batch)} back?`}
          doing={`Take ${count(b.batch.posted, "settlement")} back`}
          error={reverse.error}
          ready={!reverse.isPending}
          go={(reason) => reverse.mutate(reason, { onSuccess: () => ask(null) })}
          close={() => ask(null)}
        >
          Each is reversed with a mirror entry, all of them or none, and the cheques wait again.
        </AskWhy>
      )}
    </Box>
  );
}

function Heading({ batch }: { batch: Batch }) {
  const b = batch.batch;
  return (
    <Box
      sx={{
        display: "flex",
        alignItems: "baseline",
        gap: 1,
        px: 2,
        pt: 1,
        bgcolor: "background.paper",
        fontSize: 13,
      }}
    >
      <Box component="h1" sx={{ m: 0, fontSize: 17, fontWeight: 700 }}>
        {batchName(b).replace(/^b/, "B")}
      </Box>
      <Box sx={{ color: "text.secondary" }}>
        {onDay(b.depositedOn)}, to {b.bankAccount}
        {batch.depositId ? (
          <>
            {" "}
            as{" "}
            <Link component={RouterLink} to={`/pouch/deposits/${batch.depositId}`}>
              deposit {batch.slip}
            </Link>
            {batch.shown ? ", shown by the bank" : ", in transit"}
          </>
        ) : (
          ", not banked until it is accepted"
        )}
        {" · "}
        <Link component={RouterLink} to={`/arrived/intake/${batch.intakeId}`}>
          the file
        </Link>
        {b.posted > 0 && ` · ${b.posted.toLocaleString()} of ${b.cheques.toLocaleString()} posted`}
        {batch.accepted &&
          ` · contradictions accepted by ${batch.accepted.by}: ${batch.accepted.why.replace(/\.$/, "")}`}
      </Box>
    </Box>
  );
}
