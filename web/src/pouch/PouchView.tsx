import { Alert, Box, Button, Link, Typography } from "@mui/material";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { Link as RouterLink, useNavigate } from "react-router";
import { api, data } from "../api/client";
import { useBooks, useSession } from "../access/session";
import { Amount } from "../shared/Amount";
import { useKeys } from "../frame/keys";
import { AskWhy } from "../shared/AskWhy";
import { count } from "../shared/dates";
import { grouped, minor, ofMinor } from "../shared/money";
import { Empty, Failed, Loading } from "../shared/States";
import { usePouch, usePouchRefresh } from "./queries";
import { RecordReceipt } from "./RecordReceipt";
import { OnHand } from "./RecordedSoFar";
import { ReceiptTable } from "./ReceiptTable";
import { MANY, ONE, type Held, type Method } from "./words";

/** Receipts in the office: recorded in one line, listed with their age, ticked to be banked together. */
export default function PouchView() {
  const books = useBooks();
  const session = useSession();
  const pouch = usePouch();
  const navigate = useNavigate();
  const refresh = usePouchRefresh();
  const [ticked, setTicked] = useState(new Set<number>());
  const [taking, setTaking] = useState<Held | null>(null);
  const withdraw = useMutation({
    mutationFn: async ({ id, reason }: { id: number; reason: string }) =>
      data(await api.POST("/api/receipts/{id}/withdrawal", { params: { path: { id } }, body: { reason } })),
    onSuccess: () => {
      setTaking(null);
      void refresh();
    },
  });
  const bank = () =>
    ticked.size > 0 && void navigate(`/pouch/deposits/new?receipts=${[...ticked].join(",")}`);
  const carried = (method?: Method) =>
    (pouch.data?.receipts ?? []).filter(
      (r) => (method ? r.method === method : r.method !== "CARD") && !r.heldUntil && !r.depositId,
    );
  const all = (method?: Method) => setTicked(new Set(carried(method).map((r) => r.id)));
  useKeys({ a: () => all(), b: bank });
  if (pouch.error && !pouch.data) {
    return <Failed error={pouch.error} retry={() => void pouch.refetch()} />;
  }
  if (!pouch.data || !session.data) {
    return <Loading />;
  }
  const { receipts, byMethod } = pouch.data;
  const chosen = receipts.filter((r) => ticked.has(r.id));
  const total = ofMinor(
    chosen.reduce((sum, r) => sum + minor(r.amount), 0),
    pouch.data.onHand,
  );
  const tick = (id: number) =>
    setTicked((before) => {
      const now = new Set(before);
      if (!now.delete(id)) {
        now.add(id);
      }
      return now;
    });
  return (
    <Box sx={{ height: "100%", display: "flex", flexDirection: "column" }}>
      {books.mayPost && <RecordReceipt today={session.data.businessDate} />}
      <Box sx={{ flex: 1, overflow: "auto", px: 2.5, py: 1.5 }}>
        {receipts.length === 0 ? (
          <Empty title="The pouch is empty">
            Cheques, cash and card slips stand here from when they are recorded until they are banked.
          </Empty>
        ) : (
          <>
            <Box sx={{ display: "flex", gap: 3, alignItems: "baseline", mb: 1, flexWrap: "wrap" }}>
              {byMethod.map((sum) => (
                <Button
                  key={sum.method}
                  color="inherit"
                  onClick={() => all(sum.method)}
                  title={`Tick all ${MANY[sum.method]}`}
                  sx={{ px: 0.5 }}
                >
                  {sum.receipts === 1 ? ONE[sum.method] : `${sum.receipts} ${MANY[sum.method]}`}&nbsp;
                  <Amount of={sum.amount} />
                </Button>
              ))}
              <Box sx={{ flex: 1 }} />
              <OnHand pouch={pouch.data} />
            </Box>
            <ReceiptTable
              label="In the pouch"
              receipts={receipts}
              ticked={ticked}
              tick={books.mayPost ? tick : undefined}
              locked={(r) => Boolean(r.depositId)}
              byDay={{
                days: pouch.data.byDay,
                press: (on) =>
                  setTicked(new Set(carried().flatMap((r) => (r.receivedOn === on ? [r.id] : [])))),
              }}
              act={
                books.mayPost
                  ? (r) =>
                      r.depositId ? (
                        <Link component={RouterLink} to={`/pouch/deposits/${r.depositId}`}>
                          in an open deposit
                        </Link>
                      ) : (
                        r.status === "WAITING" && (
                          <Button
                            color="inherit"
                            onClick={() => setTaking(r)}
                            aria-label={`Take ${r.name} out`}
                            sx={{ py: 0, fontWeight: 400 }}
                          >
                            Take out…
                          </Button>
                        )
                      )
                  : undefined
              }
            />
          </>
        )}
      </Box>
      {chosen.length > 0 && (
        <Box
          sx={{
            display: "flex",
            gap: 3,
            alignItems: "center",
            px: 2.5,
            py: 1.25,
            borderTop: 1,
            borderColor: "text.primary",
            bgcolor: "background.paper",
          }}
        >
          <Typography>
            {count(chosen.length, "receipt")} ticked, <Amount of={total} />
          </Typography>
          <Button color="inherit" onClick={() => setTicked(new Set())}>
            None
          </Button>
          <Box sx={{ flex: 1 }} />
          <Button variant="contained" onClick={bank}>
            Make a deposit of {grouped(total)}&nbsp;<span className="figure">B</span>
          </Button>
        </Box>
      )}
      {taking && (
        <AskWhy
          title={`Take ${taking.name} of ${grouped(taking.amount)} out of the pouch`}
          doing="Take it out"
          error={withdraw.error}
          ready={!withdraw.isPending}
          go={(reason) => withdraw.mutate({ id: taking.id, reason })}
          close={() => setTaking(null)}
        >
          As if it had never come: it was recorded by mistake, or given back. Its entry in the books is
          mirrored.
        </AskWhy>
      )}
      {pouch.error && <Alert severity="warning">{pouch.error.message}</Alert>}
    </Box>
  );
}
