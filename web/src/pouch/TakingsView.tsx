import { Box, Button, Link, Table, TableBody, TableCell, TableHead, TableRow } from "@mui/material";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { Link as RouterLink } from "react-router";
import { api, data, type Schemas } from "../api/client";
import { useBooks, useSession } from "../access/session";
import { Amount } from "../shared/Amount";
import { onDay } from "../shared/dates";
import { grouped, isZero, minor, positive } from "../shared/money";
import { Empty, Failed, Loading } from "../shared/States";
import { AskWhy } from "../shared/AskWhy";
import { usePouchRefresh, useTakings } from "./queries";
import { TakingsForm } from "./TakingsForm";
import { MANY, type Method } from "./words";

type Takings = Schemas["TakingsView"];

const SHOWN: Method[] = ["CASH", "CHEQUE", "CARD"];

/** What was sold over the counter without an invoice: a day of a till is typed, the last ones stand below. */
export default function TakingsView() {
  const books = useBooks();
  const session = useSession();
  const takings = useTakings();
  const refresh = usePouchRefresh();
  const [done, setDone] = useState<Takings | null>(null);
  const [taking, setTaking] = useState<Takings | null>(null);
  const withdraw = useMutation({
    mutationFn: async ({ id, reason }: { id: number; reason: string }) =>
      data(await api.POST("/api/takings/{id}/withdrawal", { params: { path: { id } }, body: { reason } })),
    onSuccess: () => {
      setTaking(null);
      setDone(null);
      void refresh();
    },
  });
  if (takings.error && !takings.data) {
    return <Failed error={takings.error} retry={() => void takings.refetch()} />;
  }
  if (!takings.data || !session.data) {
    return <Loading />;
  }
  return (
    <Box sx={{ height: "100%", overflow: "auto" }}>
      {books.mayPost && <TakingsForm today={session.data.businessDate} booked={setDone} />}
      <Box sx={{ px: 2.5, py: 1.5 }}>
        <Box role="status" sx={{ fontSize: 13, color: "text.secondary", minHeight: 20, mb: 0.5 }}>
          {done &&
            `Booked: ${grouped(done.sold)} of ${onDay(done.on)}, ${done.name}${isZero(done.difference) ? "" : `, ${difference(done)} in cash`}.`}
        </Box>
        {takings.data.length === 0 ? (
          <Empty title="Nothing was sold over the counter yet">
            The report of a till, or a sale that is paid at once, stands here when it is booked.
          </Empty>
        ) : (
          <Table size="small" aria-label="Takings">
            <TableHead>
              <TableRow>
                <TableCell>Day</TableCell>
                <TableCell>Of</TableCell>
                <TableCell align="right">Sold</TableCell>
                <TableCell align="right">Tax in it</TableCell>
                {SHOWN.map((method) => (
                  <TableCell key={method} align="right">
                    {method === "CASH" ? "Cash" : method === "CARD" ? "Cards" : "Cheques"}
                  </TableCell>
                ))}
                <TableCell>Cash counted</TableCell>
                <TableCell>Banked</TableCell>
                {books.mayPost && <TableCell />}
              </TableRow>
            </TableHead>
            <TableBody>
              {takings.data.map((one) => (
                <TableRow key={one.id}>
                  <TableCell sx={{ whiteSpace: "nowrap" }}>{onDay(one.on)}</TableCell>
                  <TableCell>{one.name}</TableCell>
                  <TableCell align="right">
                    <Amount of={one.sold} />
                  </TableCell>
                  <TableCell align="right">{isZero(one.tax) ? "" : <Amount of={one.tax} />}</TableCell>
                  {SHOWN.map((method) => (
                    <TableCell key={method} align="right">
                      <By takings={one} method={method} />
                    </TableCell>
                  ))}
                  <TableCell>{isZero(one.difference) ? "as it should be" : difference(one)}</TableCell>
                  <TableCell>
                    <Banked takings={one} />
                  </TableCell>
                  {books.mayPost && (
                    <TableCell align="right">
                      {one.paid.every((r) => !r.depositId) && (
                        <Button
                          color="inherit"
                          onClick={() => setTaking(one)}
                          aria-label={`Take ${grouped(one.sold)} of ${one.name} back`}
                          sx={{ py: 0, fontWeight: 400 }}
                        >
                          Take back…
                        </Button>
                      )}
                    </TableCell>
                  )}
                </TableRow>
              ))}
            </TableBody>
          </Table>
        )}
      </Box>
      {taking && (
        <AskWhy
          title={`Take ${grouped(taking.sold)} of ${onDay(taking.on)}, ${taking.name}, back`}
          doing="Take it back"
          error={withdraw.error}
          ready={!withdraw.isPending}
          go={(reason) => withdraw.mutate({ id: taking.id, reason })}
          close={() => setTaking(null)}
        >
          As if it had never been booked: what it put into the pouch is taken out, and its entry in the books
          is mirrored.
        </AskWhy>
      )}
    </Box>
  );
}

function difference(takings: Takings): string {
  return `${grouped(positive(takings.difference))} ${minor(takings.difference) > 0 ? "over" : "short"}`;
}

function By({ takings, method }: { takings: Takings; method: Method }) {
  const sum = takings.byMethod.find((one) => one.method === method);
  return sum ? (
    <span title={`${sum.receipts} ${MANY[method]}`}>
      <Amount of={sum.amount} />
    </span>
  ) : null;
}

/** The deposits in which something of it is. */
function Banked({ takings }: { takings: Takings }) {
  const deposits = [...new Set(takings.paid.flatMap((r) => (r.depositId ? [r.depositId] : [])))];
  return deposits.length === 0
    ? "in the pouch"
    : deposits.map((id, n) => (
        <span key={id}>
          {n > 0 && ", "}
          <Link component={RouterLink} to={`/pouch/deposits/${id}`}>
            deposit {id}
          </Link>
        </span>
      ));
}
