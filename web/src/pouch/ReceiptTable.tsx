import { Box, Checkbox, Link, Table, TableBody, TableCell, TableHead, TableRow } from "@mui/material";
import type { ReactNode } from "react";
import { Link as RouterLink } from "react-router";
import { useBooks } from "../access/session";
import { Amount } from "../shared/Amount";
import { onDay } from "../shared/dates";
import type { Held } from "./words";

/** Receipts, each with what it pays; to be ticked where something is to be done with several. */
export function ReceiptTable({
  receipts,
  ticked,
  tick,
  locked,
  act,
  label,
}: {
  receipts: Held[];
  ticked?: Set<number>;
  tick?: (id: number) => void;
  /** Which cannot be ticked. */
  locked?: (receipt: Held) => boolean;
  /** What can be done with one. */
  act?: (receipt: Held) => ReactNode;
  label: string;
}) {
  const books = useBooks();
  return (
    <Table size="small" aria-label={label}>
      <TableHead>
        <TableRow>
          {tick && <TableCell padding="checkbox" />}
          <TableCell>Receipt</TableCell>
          <TableCell>From</TableCell>
          <TableCell>Received</TableCell>
          <TableCell>Pays</TableCell>
          <TableCell align="right">Amount</TableCell>
          {act && <TableCell />}
        </TableRow>
      </TableHead>
      <TableBody>
        {receipts.map((r) => (
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
              {onDay(r.receivedOn)}
              {r.heldUntil ? (
                <Box component="span" sx={{ color: "primary.main" }}>
                  , held until {onDay(r.heldUntil)}
                </Box>
              ) : (
                r.days > 0 && (
                  <Box component="span" sx={{ color: "text.secondary" }}>
                    , {r.days === 1 ? "a day ago" : `${r.days} days ago`}
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
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

function pays(r: Held): string {
  const [first, ...more] = r.pays;
  if (!first) {
    return "on account";
  }
  return more.length > 0 ? `${first}, ${more.length} more` : first;
}
