import {
  Alert,
  Box,
  Button,
  Checkbox,
  FormControlLabel,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Typography,
} from "@mui/material";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useBooks, useOwnCurrency, useSession } from "../access/session";
import { api, data, Refusal, type Schemas } from "../api/client";
import { Files } from "../books/Files";
import { fileAt } from "../books/queries";
import { NoRate } from "../rates/NoRate";
import { useCountingRate } from "../rates/queries";
import { AskWhy } from "../shared/AskWhy";
import { DayField } from "../shared/DayField";
import { atMoment, count, onDayOfYear } from "../shared/dates";
import { Empty, Failed, Loading } from "../shared/States";
import { takeFile } from "./save";

type Format = Schemas["TakeFile"]["format"];
type Export = Schemas["JournalExportView"];

const FORMATS: [Format, string][] = [
  ["CSV", "CSV"],
  ["XLSX", "XLSX"],
  ["LEDGER", "Plain-text ledger"],
];

/** What goes out: the journal, each entry once; what was applied. */
export default function ExportsView() {
  return (
    <Box sx={{ px: 3, pt: 2, pb: 4, maxWidth: 1080 }}>
      <Typography variant="h1">The journal for the general ledger</Typography>
      <Journal />
      <Typography variant="h1" sx={{ mt: 5 }}>
        What was applied
      </Typography>
      <Applications />
    </Box>
  );
}

function useExports() {
  const { company } = useBooks();
  return useQuery({
    queryKey: ["exports", company],
    refetchInterval: 10_000,
    queryFn: async () => data(await api.GET("/api/journal-exports", { params: { query: { company } } })),
  });
}

function Journal() {
  const { company, mayPost } = useBooks();
  const queries = useQueryClient();
  const [until, setUntil] = useState("");
  const exports = useExports();
  const waiting = useQuery({
    queryKey: ["exports", company, "waiting", until],
    refetchInterval: 10_000,
    queryFn: async () =>
      data(
        await api.GET("/api/journal-exports/waiting", {
          params: { query: { company, until: until === "" ? undefined : until } },
        }),
      ),
  });
  const make = useMutation({
    mutationFn: async (day: string) =>
      data(await api.POST("/api/journal-exports", { params: { query: { company } }, body: { until: day } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["exports"] }),
  });
  if (exports.error) {
    return <Failed error={exports.error} retry={() => void exports.refetch()} />;
  }
  if (!exports.data || !waiting.data) {
    return waiting.error ? (
      <Failed error={waiting.error} retry={() => void waiting.refetch()} />
    ) : (
      <Loading rows={6} />
    );
  }
  const w = waiting.data;
  return (
    <>
      <Typography color="textSecondary" sx={{ mb: 1.5 }}>
        Each entry goes out once: an export marks what it holds, and the next one begins after it. Its files
        can be taken again only with a reason, which is kept.
      </Typography>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2, mb: 2 }}>
        <DayField label="Booked until" value={until || w.until} set={setUntil} />
        <span role="status">
          {w.entries === 0
            ? "Every entry until then is exported."
            : `${count(w.entries, "entry", "entries")} of ${onDayOfYear(w.firstOn ?? w.until)} to ${onDayOfYear(w.lastOn ?? w.until)} not exported yet.`}
        </span>
        <Button
          variant="contained"
          disabled={!mayPost || w.entries === 0 || make.isPending}
          onClick={() => make.mutate(w.until)}
        >
          Export {count(w.entries, "entry", "entries")}
        </Button>
      </Box>
      {make.error && <Failed error={make.error} />}
      {exports.data.length === 0 ? (
        <Empty title="Nothing was exported yet">The first export holds the journal from its beginning.</Empty>
      ) : (
        <Table size="small" aria-label="Exports of the journal">
          <TableHead>
            <TableRow>
              <TableCell>Export</TableCell>
              <TableCell>Booked</TableCell>
              <TableCell align="right">Entries</TableCell>
              <TableCell>Made</TableCell>
              <TableCell>Files</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {exports.data.map((one) => (
              <ExportRow key={one.id} of={one} />
            ))}
          </TableBody>
        </Table>
      )}
    </>
  );
}

function ExportRow({ of }: { of: Export }) {
  const queries = useQueryClient();
  const [again, setAgain] = useState<Format | null>(null);
  const take = useMutation({
    mutationFn: ({ format, why }: { format: Format; why?: string }) =>
      takeFile(`/api/journal-exports/${of.id}/files`, { format, again: why }),
    onSettled: () => queries.invalidateQueries({ queryKey: ["exports"] }),
    onError: (error, { format }) => {
      if (error instanceof Refusal && error.code === "EXPORTED_ALREADY") {
        setAgain(format);
      }
    },
  });
  return (
    <TableRow sx={{ verticalAlign: "top" }}>
      <TableCell className="figure">{of.id}</TableCell>
      <TableCell>
        {onDayOfYear(of.firstOn)} to {onDayOfYear(of.lastOn)}
      </TableCell>
      <TableCell align="right">{of.entries.toLocaleString()}</TableCell>
      <TableCell>
        {atMoment(of.madeAt)} by {of.madeBy}
      </TableCell>
      <TableCell>
        <Box sx={{ display: "flex", gap: 1, mb: 0.5 }}>
          {FORMATS.map(([format, name]) => {
            const before = of.taken.some((t) => t.format === format);
            return (
              <Button
                key={format}
                variant="outlined"
                disabled={take.isPending}
                onClick={() => (before ? setAgain(format) : take.mutate({ format }))}
              >
                {name}
                {before && " again…"}
              </Button>
            );
          })}
        </Box>
        {of.taken.map((t, n) => (
          <Box key={n} sx={{ color: "text.secondary", fontSize: 12.5 }}>
            {t.format} taken {atMoment(t.takenAt)} by {t.takenBy}
            {t.why && `: ${t.why}`}
          </Box>
        ))}
        {take.error && again === null && (
          <Alert severity="error" variant="outlined">
            {take.error.message}
          </Alert>
        )}
        {again !== null && (
          <AskWhy
            title={`Take export ${of.id} again`}
            doing="Take it again"
            error={take.error}
            ready={!take.isPending}
            go={(why) => take.mutate({ format: again, why }, { onSuccess: () => setAgain(null) })}
            close={() => setAgain(null)}
          >
            Its {count(of.entries, "entry", "entries")} went out already. Taken in twice, they would count
            twice in the general ledger.
          </AskWhy>
        )}
      </TableCell>
    </TableRow>
  );
}

function Applications() {
  const { company, currency } = useBooks();
  const [from, setFrom] = useState("");
  const [until, setUntil] = useState("");
  const books = useOwnCurrency();
  const [inBooks, setInBooks] = useState(false);
  const today = useSession().data?.businessDate ?? "";
  const asked = inBooks && books !== currency;
  const counts = useCountingRate(currency, asked ? books : "", until || today);
  const at = (ending: string) =>
    fileAt(`/api/applications.${ending}`, {
      company,
      currency,
      from,
      until,
      // where no rate counts, nothing is asked for at it
      inBooks: asked && counts.data && ending !== "edi" ? "true" : "",
    });
  return (
    <>
      <Typography color="textSecondary" sx={{ mb: 1.5 }}>
        What each receipt paid, for whoever needs the remittance back. The last day alone where no first day
        is given; today where none is.
      </Typography>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2 }}>
        <DayField label="From" value={from} set={setFrom} />
        <DayField label="Until" value={until} set={setUntil} />
        {books !== currency && (
          <FormControlLabel
            control={<Checkbox size="small" checked={inBooks} onChange={(_, on) => setInBooks(on)} />}
            label={`tables in ${books} too, at the rate of the last day`}
          />
        )}
        <Files
          name="Applications"
          of={[
            ["CSV", at("csv")],
            ["XLSX", at("xlsx")],
            ["X12 820", at("edi")],
          ]}
        />
      </Box>
      {asked && counts.data === null && (
        <Typography role="status" sx={{ mt: 1 }}>
          <NoRate on={until || today} />
        </Typography>
      )}
    </>
  );
}
