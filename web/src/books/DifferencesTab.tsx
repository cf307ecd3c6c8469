import { Box, Link, Table, TableBody, TableCell, TableHead, TableRow, Typography } from "@mui/material";
import { useMemo, useState } from "react";
import { Link as RouterLink } from "react-router";
import type { Money, Schemas } from "../api/client";
import { Amount } from "../shared/Amount";
import { Bars } from "../shared/Bars";
import { Choice } from "../shared/Choice";
import { DayField } from "../shared/DayField";
import { onDayOfYear } from "../shared/dates";
import { grouped, ofValue } from "../shared/money";
import { Empty, Failed, Loading } from "../shared/States";
import { useDifferences } from "./queries";
import { usePeriod } from "./usePeriod";
import { DIFFERENCE, type DifferenceKind } from "./words";

const month = new Intl.DateTimeFormat(undefined, { month: "short", year: "2-digit", timeZone: "UTC" });

/** What differences cost: by kind and month in a picture, by customer and each of them under it. */
export function DifferencesTab() {
  const [period, setPeriod] = usePeriod();
  const [kind, setKind] = useState<DifferenceKind | "">("");
  const costs = useDifferences(period);
  if (costs.error) {
    return <Failed error={costs.error} retry={() => void costs.refetch()} />;
  }
  if (!costs.data) {
    return <Loading rows={10} />;
  }
  const c = costs.data;
  const items = c.items.filter((item) => kind === "" || item.kind === kind);
  return (
    <Box sx={{ maxWidth: 1150 }}>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2, mb: 1.5 }}>
        <DayField label="From" value={period.from || c.from} set={(from) => setPeriod({ from })} />
        <DayField label="Until" value={period.until || c.until} set={(until) => setPeriod({ until })} />
        <Typography>
          Lost by differences: <Amount of={c.total} sx={{ fontWeight: 700 }} /> {c.currency}
        </Typography>
      </Box>
      {c.items.length === 0 ? (
        <Empty title="Nothing differed in these days">
          Fees, discounts and what was written off stand here, each with its settlement.
        </Empty>
      ) : (
        <>
          <Box sx={{ display: "grid", gridTemplateColumns: "minmax(0, 1fr) 380px", gap: 4 }}>
            <Months report={c} />
            <Kinds lines={c.kinds} />
          </Box>
          <Box sx={{ display: "grid", gridTemplateColumns: "minmax(0, 1fr) 380px", gap: 4, mt: 3 }}>
            <Box>
              <Box sx={{ display: "flex", alignItems: "center", gap: 2 }}>
                <Typography variant="h2">Each of them</Typography>
                <Box sx={{ width: 200 }}>
                  <Choice
                    label="Kind of difference"
                    value={kind}
                    options={[
                      ["", "every kind"],
                      ...c.kinds.map((line): [string, string] => [line.kind, DIFFERENCE[line.kind]]),
                    ]}
                    choose={(chosen) => setKind(chosen as DifferenceKind | "")}
                  />
                </Box>
              </Box>
              <Items items={items} />
            </Box>
            <Customers lines={c.customers} />
          </Box>
        </>
      )}
    </Box>
  );
}

function Months({ report }: { report: Schemas["CostReport"] }) {
  const zero = useMemo(() => ({ ...report.total, amount: "0" }), [report.total]);
  const sums = report.months.map((m) => Number(m.total.amount));
  return (
    <Box>
      <Typography variant="h2">By month</Typography>
      <Bars
        label="What differences cost by month"
        names={report.months.map((m) => month.format(new Date(m.month)))}
        series={[{ name: "Lost", values: sums }]}
        say={(value) => grouped(ofValue(value, zero))}
      />
    </Box>
  );
}

function Kinds({ lines }: { lines: Schemas["CostLine"][] }) {
  return (
    <Box>
      <Typography variant="h2">By kind</Typography>
      <Table size="small" aria-label="Differences by kind">
        <TableBody>
          {lines.map((line) => (
            <Row key={line.kind} name={DIFFERENCE[line.kind]} n={line.count} amount={line.amount} />
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

function Customers({ lines }: { lines: Schemas["CostCustomer"][] }) {
  return (
    <Box>
      <Typography variant="h2">Who costs most</Typography>
      <Table size="small" aria-label="Differences by customer">
        <TableBody>
          {lines.map((line) => (
            <Row
              key={line.customerId ?? 0}
              name={line.customer}
              to={line.customerId ? `/posted/customers/${line.customerId}` : undefined}
              n={line.count}
              amount={line.amount}
            />
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

function Row({ name, to, n, amount }: { name: string; to?: string; n: number; amount: Money }) {
  return (
    <TableRow>
      <TableCell sx={{ pl: 0 }}>
        {to ? (
          <Link component={RouterLink} to={to} color="inherit" underline="hover">
            {name}
          </Link>
        ) : (
          name
        )}
      </TableCell>
      <TableCell align="right" sx={{ color: "text.secondary" }}>
        {n.toLocaleString()} ×
      </TableCell>
      <TableCell align="right">
        <Amount of={amount} />
      </TableCell>
    </TableRow>
  );
}

function Items({ items }: { items: Schemas["CostItem"][] }) {
  return (
    <Table size="small" aria-label="Differences">
      <TableHead>
        <TableRow>
          <TableCell>Day</TableCell>
          <TableCell>Kind</TableCell>
          <TableCell>Customer</TableCell>
          <TableCell>Of</TableCell>
          <TableCell align="right">Amount</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {items.slice(0, 200).map((item, n) => (
          <TableRow key={n} hover>
            <TableCell>{onDayOfYear(item.on)}</TableCell>
            <TableCell>{DIFFERENCE[item.kind]}</TableCell>
            <TableCell>{item.customer}</TableCell>
            <TableCell>
              <Link component={RouterLink} to={`/posted/settlements/${item.settlementId}`}>
                settlement {item.settlementId}
              </Link>{" "}
              <Box component="span" sx={{ color: "text.secondary" }}>
                {item.words}
              </Box>
            </TableCell>
            <TableCell align="right">
              <Amount of={item.amount} />
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}
