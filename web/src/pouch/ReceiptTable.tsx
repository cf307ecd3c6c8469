import { Box, Button, Checkbox, Link, Table, TableBody, TableCell, TableHead, TableRow } from "@mui/material";
import type { ReactNode } from "react";
import { Link as RouterLink } from "react-router";
import { useBooks } from "../access/session";
import { Amount } from "../shared/Amount";
import { count, onDay, onWeekday } from "../shared/dates";
import { minor, ofMinor } from "../shared/money";
import type { Held } from "./words";

/** Receipts, each with what it pays; to be ticked where something is to be done with several. */
export function ReceiptTable({
  receipts,
  ticked,
  tick,
  locked,
  act,
  byDay,
  label,
}: {
  receipts: Held[];
  ticked?: Set<number>;
  tick?: (id: number) => void;
  /** Which cannot be ticked. */
  locked?: (receipt: Held) => boolean;
  /** What can be done with one. */
  act?: (receipt: Held) => ReactNode;
  /** Under a heading for each day, with its age and sum; called with what came on it when that is pressed. */
  byDay?: (those: Held[]) => void;
  label: string;
}) {
  const books = useBooks();
  const columns = 4 + (tick ? 1 : 0);
  return (
    <Table size="small" aria-label={label}>
      <TableHead>
        <TableRow>
          {tick && <TableCell padding="checkbox" />}
          <TableCell>Receipt</TableCell>
          <TableCell>From</TableCell>
          <TableCell>{byDay ? "" : "Received"}</TableCell>
          <TableCell>Pays</TableCell>
          <TableCell align="right">Amount</TableCell>
          {act && <TableCell />}
        </TableRow>
      </TableHead>
      <TableBody>
        {receipts.map((r, n) => [
          byDay && receipts[n - 1]?.receivedOn !== r.receivedOn && (
            <Day
              key={r.receivedOn}
              those={receipts.filter((other) => other.receivedOn === r.receivedOn)}
              columns={columns}
              more={act !== undefined}
              press={tick && byDay}
            />
          ),
          <TableRow
            key={r.id}
            selected={ticked?.has(r.id)}
            onClick={(event) => {
              if (
                tick &&
                !locked?.(r) &&
                (event.target as HTMLElement).closest("a, button, input") === null
              ) {
                tick(r.id);
              }
            }}
          >
            {tick && (
              <TableCell padding="checkbox">
                <Checkbox
                  size="small"
                  checked={ticked?.has(r.id) ?? false}
                  disabled={locked?.(r)}
                  onChange={() => tick(r.id)}
                  slotProps={{ input: { "aria-label": `${r.name} from ${r.from}` } }}
                />
              </TableCell>
            )}
            <TableCell className="figure" sx={{ whiteSpace: "nowrap" }}>
              {r.name}
              {r.pictureId && (
                <>
                  {" "}
                  <Link
                    href={`/api/receipts/pictures/${r.pictureId}?company=${books.company}`}
                    target="_blank"
                    rel="noreferrer"
                    aria-label={`Picture of ${r.name}`}
                    sx={{ fontSize: 12 }}
                  >
                    picture
                  </Link>
                </>
              )}
            </TableCell>
            <TableCell>{r.from}</TableCell>
            <TableCell sx={{ whiteSpace: "nowrap" }}>
              {!byDay && onDay(r.receivedOn)}
              {r.heldUntil ? (
                <Box component="span" sx={{ color: "primary.main" }}>
                  {byDay ? "" : ", "}held until {onDay(r.heldUntil)}
                </Box>
              ) : (
                !byDay &&
                r.days > 0 && (
                  <Box component="span" sx={{ color: "text.secondary" }}>
                    , {ago(r.days)}
                  </Box>
                )
              )}
            </TableCell>
            <TableCell>
              {r.settlementId ? (
                <Link
                  component={RouterLink}
                  to={`/posted/settlements/${r.settlementId}`}
                  color="inherit"
                  underline="hover"
                  className="figure"
                >
                  {pays(r)}
                </Link>
              ) : r.takingsId ? (
                <Link component={RouterLink} to="/pouch/takings" color="inherit" underline="hover">
                  a sale on the spot
                </Link>
              ) : (
                <Link component={RouterLink} to={`/waiting/desk/${r.id}`}>
                  {r.status === "SHELVED" ? "on the shelf" : "waits on the desk"}
                </Link>
              )}
            </TableCell>
            <TableCell align="right">
              <Amount of={r.amount} />
            </TableCell>
            {act && <TableCell align="right">{act(r)}</TableCell>}
          </TableRow>,
        ])}
      </TableBody>
    </Table>
  );
}

function ago(days: number): string {
  return days === 1 ? "a day ago" : `${days} days ago`;
}

/** What came on one day: its age, how many, how much. */
function Day({
  those,
  columns,
  more,
  press,
}: {
  those: Held[];
  columns: number;
  more: boolean;
  press?: (those: Held[]) => void;
}) {
  const first = those[0];
  if (!first) {
    return null;
  }
  const words = `${onWeekday(first.receivedOn)}, ${first.days === 0 ? "today" : ago(first.days)}`;
  return (
    <TableRow>
      <TableCell colSpan={columns} sx={{ pt: 1.5, fontWeight: 700 }}>
        {press ? (
          <Button
            color="inherit"
            onClick={() => press(those)}
            title={`Tick what came on ${onWeekday(first.receivedOn)}`}
            sx={{ p: 0, minWidth: 0 }}
          >
            {words}
          </Button>
        ) : (
          words
        )}
        <Box component="span" sx={{ fontWeight: 400, color: "text.secondary", ml: 1.5 }}>
          {count(those.length, "receipt")}
        </Box>
      </TableCell>
      <TableCell align="right" sx={{ pt: 1.5 }}>
        <Amount
          of={ofMinor(
            those.reduce((sum, r) => sum + minor(r.amount), 0),
            first.amount,
          )}
          sx={{ fontWeight: 700 }}
        />
      </TableCell>
      {more && <TableCell />}
    </TableRow>
  );
}

function pays(r: Held): string {
  const [first, ...more] = r.pays;
  if (!first) {
    return "on account";
  }
  return more.length > 0 ? `${first}, ${more.length} more` : first;
}
