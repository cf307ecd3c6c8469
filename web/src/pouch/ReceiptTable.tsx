import { Box, Button, Checkbox, Link, Table, TableBody, TableCell, TableHead, TableRow } from "@mui/material";
import type { ReactNode } from "react";
import { Link as RouterLink } from "react-router";
import { useBooks } from "../access/session";
import { Amount } from "../shared/Amount";
import { count, onDay, onWeekday } from "../shared/dates";
import type { DaySum, Held } from "./words";

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
  /** Stand under a heading for each of these days, which is called when it is pressed. */
  byDay?: { days: DaySum[]; press: (receivedOn: string) => void };
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
              day={byDay.days.find((day) => day.receivedOn === r.receivedOn)}
              columns={columns}
              more={act !== undefined}
              press={tick && byDay.press}
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
  day,
  columns,
  more,
  press,
}: {
  day: DaySum | undefined;
  columns: number;
  more: boolean;
  press?: (receivedOn: string) => void;
}) {
  if (!day) {
    return null;
  }
  const words = `${onWeekday(day.receivedOn)}, ${day.days === 0 ? "today" : ago(day.days)}`;
  return (
    <TableRow>
      <TableCell colSpan={columns} sx={{ pt: 1.5, fontWeight: 700 }}>
        {press ? (
          <Button
            color="inherit"
            onClick={() => press(day.receivedOn)}
            title={`Tick what came on ${onWeekday(day.receivedOn)}`}
            sx={{ p: 0, minWidth: 0 }}
          >
            {words}
          </Button>
        ) : (
          words
        )}
        <Box component="span" sx={{ fontWeight: 400, color: "text.secondary", ml: 1.5 }}>
          {count(day.receipts, "receipt")}
        </Box>
      </TableCell>
      <TableCell align="right" sx={{ pt: 1.5 }}>
        <Amount of={day.amount} sx={{ fontWeight: 700 }} />
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
