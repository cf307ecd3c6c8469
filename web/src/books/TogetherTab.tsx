import {
  Box,
  FormControlLabel,
  Link,
  Switch,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Typography,
} from "@mui/material";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { Link as RouterLink, useSearchParams } from "react-router";
import { useBooks, useSession } from "../access/session";
import { api, data, type Schemas } from "../api/client";
import { Amount } from "../shared/Amount";
import { Choice } from "../shared/Choice";
import { onDayOfYear } from "../shared/dates";
import { DayField } from "../shared/DayField";
import { Explained } from "../shared/Explained";
import { isZero } from "../shared/money";
import { Empty, Failed, Loading } from "../shared/States";
import { Files } from "./Files";
import { fileAt } from "./queries";
import { BUCKETS } from "./words";

type Measure = Schemas["TogetherRow"]["measure"];

const NAMES = {
  BANKS: "On bank accounts, by the books",
  ARRIVED: "Arrived on the day",
  SETTLED: "Settled on the day",
  WAITING: "Waiting",
  TRAIL_GAP: "Gap in the cent trail, now",
  OWED: "Customers owe",
  ON_ACCOUNT: "On account, not applied",
  CLAIMS: "Claims",
  ...Object.fromEntries(BUCKETS),
} as Record<Measure, string>;

const AGES = new Set<string>(BUCKETS.map(([key]) => key));

/** What is asked for, as it stands in the address. */
function useAsked() {
  const books = useBooks();
  const [params, setParams] = useSearchParams();
  const asked = {
    on: params.get("on") ?? "",
    ratesOn: params.get("rates") ?? "",
    into: params.get("in") ?? "",
    group: params.get("group") === "yes",
  };
  const ask = (change: Record<string, string>) => {
    const next = new URLSearchParams(params);
    Object.entries(change).forEach(([key, value]) =>
      value === "" ? next.delete(key) : next.set(key, value),
    );
    setParams(next, { replace: true });
  };
  const query = {
    company: books.company,
    group: asked.group || undefined,
    on: asked.on || undefined,
    ratesOn: asked.ratesOn || undefined,
    currency: asked.into || undefined,
  };
  return { asked, ask, query };
}

/** All currencies of the company, or of all of one's companies, side by side and in one at the rates of a stated day. */
export function TogetherTab() {
  const books = useBooks();
  const session = useSession();
  const { asked, ask, query } = useAsked();
  const report = useQuery({
    queryKey: ["books", "together", query],
    refetchInterval: 10_000,
    placeholderData: keepPreviousData,
    queryFn: async () => data(await api.GET("/api/together", { params: { query } })),
  });
  if (report.error) {
    return <Failed error={report.error} retry={() => void report.refetch()} />;
  }
  if (!report.data) {
    return <Loading rows={10} />;
  }
  const r = report.data;
  const today = session.data?.businessDate ?? "";
  const known = session.data?.companies.flatMap((c) => c.currencies) ?? [];
  const currencies = [...new Set([r.currency, ...known])];
  const file = (ending: string) =>
    fileAt(`/api/together.${ending}`, {
      company: books.company,
      group: asked.group ? "true" : "",
      on: asked.on,
      ratesOn: asked.ratesOn,
      currency: asked.into,
    });
  return (
    <Box sx={{ maxWidth: 1180 }}>
      <Box sx={{ display: "flex", alignItems: "center", flexWrap: "wrap", gap: 2, mb: 1.5 }}>
        <DayField label="On the day" value={asked.on || r.on} max={today} set={(on) => ask({ on })} />
        <Box sx={{ width: 130 }}>
          <Choice
            shown
            label="Totals in"
            value={r.currency}
            options={currencies.map((code): [string, string] => [code, code])}
            choose={(into) => ask({ in: into })}
          />
        </Box>
        <DayField
          label="At the rates of"
          value={asked.ratesOn || r.ratesOn}
          max={today}
          set={(rates) => ask({ rates })}
        />
        {books.group.length > 1 && (
          <FormControlLabel
            control={
              <Switch
                size="small"
                checked={asked.group}
                onChange={(_, on) => ask({ group: on ? "yes" : "" })}
              />
            }
            label="All companies"
          />
        )}
        <Files
          name="All currencies"
          of={[
            ["CSV", file("csv")],
            ["XLSX", file("xlsx")],
          ]}
        />
      </Box>
      <Typography color="textSecondary" sx={{ mb: 1 }}>
        Each in its own currency; the totals in {r.currency} at the rates of {onDayOfYear(r.ratesOn)}.
        <Explained what="the totals">
          Each amount times the rate of its column, rounded half-even to the coin, and then added up. What
          customers owe is the sum of its ages as they are shown. It is no booking: the trial balance has what
          the books are worth.
        </Explained>
      </Typography>
      {r.columns.length === 0 ? (
        <Empty title="Nothing stands in any currency">There is nothing to put side by side yet.</Empty>
      ) : (
        <Figures report={r} group={asked.group} />
      )}
    </Box>
  );
}

function Figures({ report: r, group }: { report: Schemas["TogetherView"]; group: boolean }) {
  return (
    <Table size="small" aria-label="All currencies">
      <TableHead>
        <TableRow sx={{ verticalAlign: "bottom" }}>
          <TableCell />
          {r.columns.map((column) => (
            <TableCell key={`${column.company.id} ${column.currency}`} align="right">
              {group && <Box sx={{ fontWeight: 400 }}>{column.company.name}</Box>}
              {column.currency}
              {column.currency !== r.currency && (
                <Box sx={{ fontSize: 12, fontWeight: 400, color: "text.secondary" }}>
                  {column.rate ? (
                    column.words
                  ) : (
                    <Link component={RouterLink} to="/posted/books/rates" underline="always">
                      no rate counts; type one
                    </Link>
                  )}
                </Box>
              )}
            </TableCell>
          ))}
          <TableCell align="right">Together, {r.currency}</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {r.rows.map((row) => (
          <TableRow key={row.measure} hover>
            <TableCell sx={AGES.has(row.measure) ? { pl: 4, color: "text.secondary" } : undefined}>
              {NAMES[row.measure]}
            </TableCell>
            {row.amounts.map((amount, n) => (
              <TableCell key={n} align="right">
                {isZero(amount) ? <Nothing /> : <Amount of={amount} />}
              </TableCell>
            ))}
            <TableCell align="right" sx={{ fontWeight: AGES.has(row.measure) ? 400 : 700 }}>
              {row.total ? <Amount of={row.total} /> : "a rate is missing"}
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

function Nothing() {
  return (
    <Box component="span" sx={{ color: "text.secondary" }}>
      –
    </Box>
  );
}
