import { Box, Link, Table, TableBody, TableCell, TableHead, TableRow, Typography } from "@mui/material";
import { Link as RouterLink } from "react-router";
import { useBooks } from "../access/session";
import { Amount } from "../shared/Amount";
import { onDay } from "../shared/dates";
import { grouped, isZero } from "../shared/money";
import { Empty, Failed, Loading } from "../shared/States";
import { useAtTheBank, useClearing, useCost, type Cost, type Proof } from "./queries";

/** What processors owe us, item by item, and what they cost. */
export default function ProcessorsView() {
  const clearing = useClearing();
  const cost = useCost();
  const error = clearing.error ?? cost.error;
  if (error && !(clearing.data && cost.data)) {
    return (
      <Failed
        error={error}
        retry={() => {
          void clearing.refetch();
          void cost.refetch();
        }}
      />
    );
  }
  if (!clearing.data || !cost.data) {
    return <Loading rows={8} />;
  }
  return (
    <Box sx={{ p: 3, maxWidth: 1180 }}>
      <WithoutFile />
      {clearing.data.length === 0 && (
        <Empty title="No processor yet">
          The first payout file of a card processor or a marketplace makes one.
        </Empty>
      )}
      {clearing.data.map((proof) => (
        <Clearing key={`${proof.processorId} ${proof.currency}`} proof={proof} />
      ))}
      {clearing.data.length > 0 && <CostOfPayment rows={cost.data} />}
    </Box>
  );
}

/** Money at the bank that looks like a payout and of which no file tells; nothing where there is none. */
function WithoutFile() {
  const rows = (useAtTheBank().data ?? []).filter((one) => !one.payoutId);
  if (rows.length === 0) {
    return null;
  }
  return (
    <Box component="section" aria-label="Payouts without a file" sx={{ mb: 4 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        At the bank, and no file tells what it is made of
      </Typography>
      <Table size="small" aria-label="Payouts without a file" sx={{ maxWidth: 760 }}>
        <TableBody>
          {rows.map((one) => (
            <TableRow key={one.entryId}>
              <TableCell sx={{ width: 70, pl: 0 }}>{onDay(one.bookedOn)}</TableCell>
              <TableCell>
                <Link component={RouterLink} to={`/waiting/desk/${one.entryId}`} underline="hover">
                  {one.says}
                </Link>
              </TableCell>
              <TableCell align="right">
                <Amount of={one.amount} />
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

function Clearing({ proof }: { proof: Proof }) {
  const other = useOther()(proof.currency);
  return (
    <Box component="section" aria-label={`What ${proof.processor} owes${other}`} sx={{ mb: 4 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        What {proof.processor} owes us{other}
      </Typography>
      <Typography sx={{ mb: 1 }}>
        <Amount of={proof.books} /> {proof.currency} on its clearing account by the books,{" "}
        <Amount of={proof.explained} /> by its items
        {isZero(proof.difference) ? (
          "."
        ) : (
          <Box component="span" sx={{ color: "error.main" }}>
            ; {grouped(proof.difference)} were booked there by hand.
          </Box>
        )}{" "}
        It holds back <Amount of={proof.reserve} />
        {proof.reserve.amount !== proof.reserveExplained.amount &&
          ` by the books, ${grouped(proof.reserveExplained)} by its payouts`}
        .
      </Typography>
      <Table size="small" aria-label={`Clearing of ${proof.processor}`} sx={{ maxWidth: 760 }}>
        <TableBody>
          {proof.items.map((item) => (
            <TableRow key={`${item.why} ${item.id}`}>
              <TableCell sx={{ width: 70, pl: 0 }}>{onDay(item.on)}</TableCell>
              <TableCell>
                <Link
                  component={RouterLink}
                  to={item.why === "RECEIPT" ? "/pouch" : `/waiting/payouts/${item.id}`}
                  underline="hover"
                >
                  {item.words}
                </Link>
              </TableCell>
              <TableCell align="right">
                <Amount of={item.amount} />
              </TableCell>
            </TableRow>
          ))}
          {proof.items.length === 0 && (
            <TableRow>
              <TableCell colSpan={3} sx={{ pl: 0, color: "text.secondary" }}>
                Everything that is known of was sent.
              </TableCell>
            </TableRow>
          )}
          {proof.onItsWay.map((one) => (
            <TableRow key={`sent ${one.payoutId}`}>
              <TableCell sx={{ width: 70, pl: 0 }}>{onDay(one.sentOn)}</TableCell>
              <TableCell>
                sent with{" "}
                <Link component={RouterLink} to={`/waiting/payouts/${one.payoutId}`} underline="always">
                  payout {one.number}
                </Link>
                {one.bankAccount ? `, not on ${one.bankAccount} yet` : ", which is not booked yet"}
              </TableCell>
              <TableCell align="right" sx={{ color: "text.secondary" }}>
                <Amount of={one.left} />
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

/** Says a currency that is not the company's own. */
function useOther(): (currency: string) => string {
  const books = useBooks();
  return (currency) => (currency === books.currency ? "" : ` in ${currency}`);
}

function CostOfPayment({ rows }: { rows: Cost[] }) {
  const other = useOther();
  const highest = Math.max(...rows.map((row) => row.percent ?? 0), 0.01);
  return (
    <Box component="section" aria-label="What payment cost">
      <Typography variant="h2" sx={{ mb: 1 }}>
        What payment cost
      </Typography>
      {rows.length === 0 && (
        <Typography color="textSecondary">It counts the payouts that are booked; none is yet.</Typography>
      )}
      {rows.length > 0 && (
        <Table size="small" aria-label="What payment cost, by month, processor and method">
          <TableHead>
            <TableRow>
              <TableCell sx={{ pl: 0 }}>Month</TableCell>
              <TableCell>Processor</TableCell>
              <TableCell>Method</TableCell>
              <TableCell align="right">Sales</TableCell>
              <TableCell align="right">Sold</TableCell>
              <TableCell align="right">Kept</TableCell>
              <TableCell align="right">Rate</TableCell>
              <TableCell sx={{ width: 260 }} />
            </TableRow>
          </TableHead>
          <TableBody>
            {rows.map((row) => (
              <TableRow key={`${row.month} ${row.processor} ${row.method} ${row.kept.currency}`}>
                <TableCell sx={{ pl: 0 }} className="figure">
                  {row.month}
                </TableCell>
                <TableCell>
                  {row.processor}
                  {other(row.sold.currency)}
                </TableCell>
                <TableCell>{row.method || (row.sales > 0 ? "not told" : "of the period")}</TableCell>
                <TableCell align="right" className="figure">
                  {row.sales.toLocaleString()}
                </TableCell>
                <TableCell align="right">
                  <Amount of={row.sold} />
                </TableCell>
                <TableCell align="right">
                  <Amount of={row.kept} />
                </TableCell>
                <TableCell align="right" className="figure">
                  {row.percent ? `${row.percent.toFixed(2)} %` : ""}
                </TableCell>
                <TableCell>
                  <Box
                    aria-hidden
                    sx={{
                      height: 8,
                      width: `${(Math.max(row.percent ?? 0, 0) / highest) * 100}%`,
                      bgcolor: "settled",
                    }}
                  />
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
    </Box>
  );
}
