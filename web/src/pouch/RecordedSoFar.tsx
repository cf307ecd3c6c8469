import { Box, Link, Typography } from "@mui/material";
import { Link as RouterLink } from "react-router";
import type { Schemas } from "../api/client";
import { Amount } from "../shared/Amount";
import { onDay } from "../shared/dates";
import { grouped, isZero, minor } from "../shared/money";

type Found = Schemas["Looked"];

/** What the numbers name, and whether the amount pays it. */
export function Pays({ found, amount }: { found: Found; amount: Schemas["MoneyView"] | null }) {
  const discount = minor(found.open) - minor(found.net);
  const agrees =
    amount !== null && (minor(amount) === minor(found.net) || minor(amount) === minor(found.open));
  return (
    <>
      {found.items.map((item, n) => (
        <span key={item.itemId}>
          {n > 0 && ", "}
          <span className="figure">{item.number}</span> {grouped(item.open)} {item.customerName}
        </span>
      ))}
      {found.items.length > 0 && discount > 0 && (
        <>
          {" · "}
          {grouped(found.open)} less discount is <Amount of={found.net} />
        </>
      )}
      {found.items.length > 1 && discount === 0 && (
        <>
          {" · together "}
          <Amount of={found.open} />
        </>
      )}
      {found.unknown.length > 0 && (
        <Box component="span" sx={{ color: "error.main" }}>
          {found.items.length > 0 && " · "}
          {found.unknown.join(", ")} names nothing that is open
        </Box>
      )}
      {found.items.length > 0 && amount !== null && !agrees && (
        <Box component="span" sx={{ color: "primary.main" }}>
          {" · "}
          {grouped(amount)} is not that; it will wait on the desk
        </Box>
      )}
    </>
  );
}

export function Recorded({ recorded }: { recorded: Schemas["RecordedView"] }) {
  const { receipt, left } = recorded;
  return (
    <>
      Recorded: {receipt.name} of {grouped(receipt.amount)} from {receipt.from}
      {receipt.settlementId ? `, pays ${receipt.pays.join(", ")}` : ", waits on the desk"}
      {receipt.heldUntil && `, held until ${onDay(receipt.heldUntil)}`}.{left && ` ${left}`}
    </>
  );
}

/** A sentence under the list: the books say the same. */
export function OnHand({ pouch }: { pouch: Schemas["PouchView"] }) {
  const same = minor(pouch.onHand) + minor(pouch.inMailRoom) === minor(pouch.inBooks);
  return (
    <Typography
      variant="body2"
      role={same ? undefined : "alert"}
      sx={{ color: same ? "text.secondary" : "error.main" }}
    >
      Receipts on hand in the books: <Amount of={pouch.inBooks} />
      {!isZero(pouch.inMailRoom) && (
        <>
          , of these <Amount of={pouch.inMailRoom} /> in{" "}
          <Link component={RouterLink} to="/waiting/lockbox">
            lockbox batches that wait to be accepted
          </Link>
        </>
      )}
      {same ? ", the same as here." : `, though ${grouped(pouch.onHand)} is here.`}
    </Typography>
  );
}
