import {
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
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link as RouterLink } from "react-router";
import { api, data, type Schemas } from "../api/client";
import { useBooks } from "../access/session";
import { NoRate } from "../rates/NoRate";
import { Amount } from "../shared/Amount";
import { Choice } from "../shared/Choice";
import { DayField } from "../shared/DayField";
import { onDayOfYear } from "../shared/dates";
import { InBooksToo } from "../shared/InBooksToo";
import { isNegative, negated } from "../shared/money";
import { Failed, Loading } from "../shared/States";

/** The account with its running balance between two days; as PDF, CSV or XLSX for the customer. */
export function CustomerStatement({ account }: { account: Schemas["CustomerAccount"] }) {
  const books = useBooks();
  const currencies = [...new Set([books.currency, ...account.owes.map((owed) => owed.currency)])];
  const [currency, setCurrency] = useState(account.owes[0]?.currency ?? books.currency);
  const [from, setFrom] = useState("");
  const [until, setUntil] = useState("");
  const [inBooks, setInBooks] = useState(false);
  const [ratesOn, setRatesOn] = useState("");
  const query = {
    currency,
    from: from === "" ? undefined : from,
    until: until === "" ? undefined : until,
    ratesOn: inBooks && ratesOn !== "" ? ratesOn : undefined,
  };
  const statement = useQuery({
    queryKey: ["customer", account.id, "statement", query],
    placeholderData: keepPreviousData,
    refetchInterval: 5_000,
    queryFn: async () =>
      data(await api.GET("/api/customers/{id}/statement", { params: { path: { id: account.id }, query } })),
  });
  const s = statement.data;
  const asked = inBooks ? (s?.inBooks ?? undefined) : undefined;
  const file = (ending: string) =>
    `/api/customers/${account.id}/statement.${ending}?` +
    new URLSearchParams(
      Object.entries({ ...query, inBooks: asked?.closing ? "true" : undefined }).filter(
        (e): e is [string, string] => e[1] !== undefined,
      ),
    ).toString();
  return (
    <>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2, mb: 1.5 }}>
        <DayField label="From" value={from || (s?.from ?? "")} set={setFrom} />
        <DayField label="Until" value={until || (s?.until ?? "")} set={setUntil} />
        {currencies.length > 1 && (
          <Box sx={{ width: 110 }}>
            <Choice
              shown
              label="Currency"
              value={currency}
              options={currencies.map((c): [string, string] => [c, c])}
              choose={setCurrency}
            />
          </Box>
        )}
        {s?.inBooks && (
          <InBooksToo
            label={`closing balance in ${s.inBooks.currency} too`}
            asked={inBooks}
            ask={setInBooks}
            ratesOn={ratesOn || s.inBooks.ratesOn}
            setRatesOn={setRatesOn}
          />
        )}
        <Box sx={{ flex: 1 }} />
        <Button component="a" href={file("pdf")} variant="outlined">
          PDF
        </Button>
        <Button component="a" href={file("csv")} variant="outlined">
          CSV
        </Button>
        <Button component="a" href={file("xlsx")} variant="outlined">
          XLSX
        </Button>
      </Box>
      {statement.error && <Failed error={statement.error} retry={() => void statement.refetch()} />}
      {!s && !statement.error && <Loading rows={6} />}
      {s && (
        <Table size="small" aria-label="Account with its balance" sx={{ maxWidth: 980 }}>
          <TableHead>
            <TableRow>
              <TableCell>Date</TableCell>
              <TableCell>What</TableCell>
              <TableCell align="right">Charge</TableCell>
              <TableCell align="right">Credit</TableCell>
              <TableCell align="right">Balance, {s.opening.currency}</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            <TableRow>
              <TableCell>{onDayOfYear(s.from)}</TableCell>
              <TableCell>Opening balance</TableCell>
              <TableCell />
              <TableCell />
              <TableCell align="right">
                <Amount of={s.opening} />
              </TableCell>
            </TableRow>
            {s.lines.map((line, n) => (
              <TableRow key={n}>
                <TableCell>{onDayOfYear(line.on)}</TableCell>
                <TableCell>
                  {line.settlementId ? (
                    <Link
                      component={RouterLink}
                      to={`/posted/settlements/${line.settlementId}`}
                      color="inherit"
                      underline="hover"
                    >
                      {line.text}
                    </Link>
                  ) : (
                    line.text
                  )}
                </TableCell>
                <TableCell align="right">{!isNegative(line.amount) && <Amount of={line.amount} />}</TableCell>
                <TableCell align="right">
                  {isNegative(line.amount) && <Amount of={negated(line.amount)} />}
                </TableCell>
                <TableCell align="right">
                  <Amount of={line.balance} />
                </TableCell>
              </TableRow>
            ))}
            <TableRow>
              <TableCell>{onDayOfYear(s.until)}</TableCell>
              <TableCell>
                <b>Closing balance</b>
              </TableCell>
              <TableCell align="right">
                <Amount of={s.charged} />
              </TableCell>
              <TableCell align="right">
                <Amount of={s.credited} />
              </TableCell>
              <TableCell align="right">
                <Amount of={s.closing} sx={{ fontWeight: 700 }} />
              </TableCell>
            </TableRow>
            {asked && (
              <TableRow>
                <TableCell>in {asked.currency}</TableCell>
                <TableCell colSpan={3}>
                  {asked.closing ? asked.words : <NoRate on={asked.ratesOn} />}
                </TableCell>
                <TableCell align="right">{asked.closing && <Amount of={asked.closing} />}</TableCell>
              </TableRow>
            )}
          </TableBody>
        </Table>
      )}
      {s && s.lines.length === 0 && (
        <Typography color="textSecondary" sx={{ mt: 1 }}>
          Nothing moved between these days.
        </Typography>
      )}
    </>
  );
}
