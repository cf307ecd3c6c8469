import {
  Alert,
  Box,
  Button,
  Link,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Typography,
} from "@mui/material";
import { useInfiniteQuery, useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link as RouterLink, useParams } from "react-router";
import { useBooks } from "../access/session";
import { api, data, type Schemas } from "../api/client";
import { useRefresh } from "../desk/queries";
import { useBatches } from "../lockbox/queries";
import { batchName } from "../lockbox/words";
import { usePayouts } from "../payouts/queries";
import { Amount } from "../shared/Amount";
import { atMoment, count, onDay } from "../shared/dates";
import { Empty, Failed, Loading } from "../shared/States";
import { LeftOutRows } from "./LeftOutRows";

type One = Schemas["OneIntakeView"];

/** What became of a record, in words. */
const STATES: Record<string, string> = {
  WAITING: "waits",
  SETTLED: "settled",
  SHELVED: "on the shelf",
  DEBIT: "from us",
  PENDING: "announced",
  WITHDRAWN: "taken out",
  OPEN: "open",
  PARTLY_OPEN: "open in part",
  LOOSE: "waits for its money",
  TIED: "tied to its money",
};

/** One file taken in: its totals, the records that it brought, the file itself, and the way back. */
export default function IntakeSheet() {
  const id = Number(useParams().intakeId);
  const one = useQuery({
    queryKey: ["intake", id],
    queryFn: async () => data(await api.GET("/api/intakes/{id}", { params: { path: { id } } })),
  });
  if (one.error) {
    return <Failed error={one.error} retry={() => void one.refetch()} />;
  }
  return one.data ? <Sheet one={one.data} /> : <Loading />;
}

function Sheet({ one }: { one: One }) {
  const { intake } = one;
  return (
    <Box sx={{ p: 3, maxWidth: 1180 }}>
      <Box sx={{ display: "flex", alignItems: "flex-start", gap: 2 }}>
        <Box sx={{ flex: 1, minWidth: 0 }}>
          <Typography variant="h1" sx={{ overflowWrap: "anywhere" }}>
            {intake.fileName}
          </Typography>
          <Typography variant="body2" color="textSecondary">
            {intake.format}
            {intake.profile && `, read by “${intake.profile}”`}, {bytes(one.sizeBytes)}, taken in{" "}
            {atMoment(intake.takenAt)} by {intake.takenBy}
          </Typography>
          <Typography variant="body2" sx={{ mt: 0.5 }}>
            {count(intake.records, "record")}: {intake.fresh.toLocaleString()} new,{" "}
            {intake.known.toLocaleString()} known already
            {intake.passedOver > 0 && `, ${intake.passedOver.toLocaleString()} not taken in`}.
          </Typography>
        </Box>
        <Button component={RouterLink} to="/arrived/intake">
          Back to the intakes
        </Button>
      </Box>
      <Box sx={{ my: 1.5, display: "flex", alignItems: "center", gap: 2 }}>
        <Link href={`/api/intakes/${intake.id}/file`} download>
          The file as it came
        </Link>
        <Back one={one} />
      </Box>
      <BatchesOf intakeId={intake.id} />
      <PayoutsOf intakeId={intake.id} />
      {intake.problems.map((problem) => (
        <Box
          key={problem}
          sx={{ borderLeft: 4, borderColor: "warning.main", pl: 1.5, py: 0.5, mb: 0.5, fontSize: 13 }}
        >
          {problem}
        </Box>
      ))}
      <LeftOutRows intakeId={intake.id} />
      <Records id={intake.id} />
      {intake.known > 0 && <Known id={intake.id} count={intake.known} />}
    </Box>
  );
}

/** The payouts that it brought. */
function PayoutsOf({ intakeId }: { intakeId: number }) {
  const payouts = usePayouts(intakeId);
  const rows = payouts.data?.pages.flatMap((page) => page.rows) ?? [];
  return rows.map((payout) => (
    <Typography key={payout.id} variant="body2" sx={{ mb: 1 }}>
      <Link component={RouterLink} to={`/waiting/payouts/${payout.id}`}>
        {payout.words.replace(/^p/, "P")}
      </Link>
      : {count(payout.items, "item")}, <Amount of={payout.paidOut} /> sent to the bank
      {payout.postedBy ? `, booked by ${payout.postedBy}` : ", not booked yet"}
    </Typography>
  ));
}

/** The lockbox batches that it brought. */
function BatchesOf({ intakeId }: { intakeId: number }) {
  const batches = useBatches(intakeId);
  const rows = batches.data?.pages.flatMap((page) => page.rows) ?? [];
  return rows.map((batch) => (
    <Typography key={batch.id} variant="body2" sx={{ mb: 1 }}>
      <Link component={RouterLink} to={`/waiting/lockbox/${batch.id}`}>
        {batchName(batch).replace(/^b/, "B")}
      </Link>
      : {count(batch.cheques, "cheque")} with <Amount of={batch.total} />, <Amount of={batch.waiting} /> not
      posted yet
    </Typography>
  ));
}

function bytes(size: number): string {
  return size < 10_000 ? `${size.toLocaleString()} bytes` : `${Math.round(size / 1000).toLocaleString()} kB`;
}

/** Takes the intake back, or says why that cannot be. */
function Back({ one: { intake, against } }: { one: One }) {
  const books = useBooks();
  const refresh = useRefresh();
  const [asked, setAsked] = useState(false);
  const back = useMutation({
    mutationFn: async () =>
      data(await api.POST("/api/intakes/{id}/taking-back", { params: { path: { id: intake.id } } })),
    onSettled: refresh,
  });
  if (intake.takenBackBy && intake.takenBackAt) {
    return (
      <Typography variant="body2">
        Taken back by {intake.takenBackBy}, {atMoment(intake.takenBackAt)}.
      </Typography>
    );
  }
  if (!books.mayPost) {
    return null;
  }
  if (against.length > 0) {
    return (
      <Typography variant="body2" color="textSecondary">
        It cannot be taken back: {against.join(" ")}
      </Typography>
    );
  }
  return (
    <>
      {asked ? (
        <>
          <Button variant="contained" disabled={back.isPending} onClick={() => back.mutate()}>
            Take {count(intake.fresh, "record")} out again
          </Button>
          <Button onClick={() => setAsked(false)}>Leave them</Button>
        </>
      ) : (
        <Button onClick={() => setAsked(true)}>Take it back…</Button>
      )}
      {back.error && (
        <Alert severity="error" variant="outlined">
          {back.error.message}
        </Alert>
      )}
    </>
  );
}

/** What was known already, and where from; shown when asked for. */
function Known({ id, count: all }: { id: number; count: number }) {
  const [shown, setShown] = useState(false);
  const known = useQuery({
    queryKey: ["intake-known", id],
    enabled: shown,
    queryFn: async () => data(await api.GET("/api/intakes/{id}/known", { params: { path: { id } } })),
  });
  if (!shown) {
    return (
      <Button onClick={() => setShown(true)} sx={{ mt: 1 }}>
        Show {all === 1 ? "the one that was" : `the ${all.toLocaleString()} that were`} known already
      </Button>
    );
  }
  if (known.error) {
    return <Failed error={known.error} retry={() => void known.refetch()} />;
  }
  if (!known.data) {
    return <Loading />;
  }
  return (
    <>
      <Typography variant="h3" sx={{ mt: 3 }}>
        Known already
      </Typography>
      {known.data.length < all && (
        <Typography variant="body2" color="textSecondary">
          {known.data.length === 0
            ? "They came before it was kept which they are."
            : `The first ${known.data.length.toLocaleString()} of them.`}
        </Typography>
      )}
      <Table size="small" aria-label="Known records">
        <TableBody>
          {known.data.map(({ record, broughtBy, fileName }) => (
            <TableRow key={`${record.kind} ${record.id}`}>
              <Cells record={record} />
              <TableCell sx={{ overflowWrap: "anywhere" }}>
                {broughtBy ? (
                  <>
                    by{" "}
                    <Link component={RouterLink} to={`/arrived/intake/${broughtBy}`}>
                      {fileName}
                    </Link>
                  </>
                ) : (
                  "written here"
                )}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </>
  );
}

/** A record, cell by cell. */
function Cells({ record }: { record: Schemas["RecordView"] }) {
  return (
    <>
      <TableCell sx={{ whiteSpace: "nowrap" }}>{onDay(record.day)}</TableCell>
      <TableCell>{record.title || "Nobody named"}</TableCell>
      <TableCell sx={{ color: "text.secondary", overflowWrap: "anywhere" }}>{record.text}</TableCell>
      <TableCell align="right">
        <Amount of={record.amount} />
      </TableCell>
      <TableCell sx={{ whiteSpace: "nowrap" }}>
        {record.state === "WAITING" ? (
          <Link component={RouterLink} to={`/waiting/desk/${record.id}`}>
            waits
          </Link>
        ) : (
          (STATES[record.state] ?? record.state)
        )}
      </TableCell>
    </>
  );
}

function Records({ id }: { id: number }) {
  const records = useInfiniteQuery({
    queryKey: ["intake-records", id],
    initialPageParam: "",
    queryFn: async ({ pageParam }) =>
      data(
        await api.GET("/api/intakes/{id}/records", {
          params: { path: { id }, query: { cursor: pageParam || undefined, limit: 100 } },
        }),
      ),
    getNextPageParam: (page) => page.next,
  });
  if (records.error) {
    return <Failed error={records.error} retry={() => void records.refetch()} />;
  }
  if (!records.data) {
    return <Loading />;
  }
  const rows = records.data.pages.flatMap((page) => page.rows);
  if (rows.length === 0) {
    return <Empty title="No record of its own">What it told is known from other files.</Empty>;
  }
  return (
    <>
      <Table size="small" aria-label="Records">
        <TableHead>
          <TableRow>
            <TableCell>Day</TableCell>
            <TableCell>Who or what</TableCell>
            <TableCell>Text</TableCell>
            <TableCell align="right">Amount</TableCell>
            <TableCell>State</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map((row) => (
            <TableRow key={`${row.kind} ${row.id}`}>
              <Cells record={row} />
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {records.hasNextPage && (
        <Button disabled={records.isFetchingNextPage} onClick={() => void records.fetchNextPage()}>
          More
        </Button>
      )}
    </>
  );
}
