import { Box, Link, Table, TableBody, TableCell, TableHead, TableRow } from "@mui/material";
import { Link as RouterLink } from "react-router";
import type { Schemas } from "../api/client";
import { atMoment, onWeekday } from "../shared/dates";
import { Empty } from "../shared/States";

type Delivery = Schemas["DeliveryView"];

/** The files that lie ready outside, and what became of each. */
export function Deliveries({
  of,
  deliveries,
  day,
  passing = "day",
}: {
  of: string;
  deliveries: Delivery[];
  day?: string;
  /** What goes by there at a time. */
  passing?: string;
}) {
  if (deliveries.length === 0) {
    return day ? <Empty title="No file yet">Let a {passing} go by, then fetch what lies ready.</Empty> : null;
  }
  return (
    <Table size="small" aria-label={`Files of the simulated ${of}`} sx={{ mt: 3 }}>
      <TableHead>
        <TableRow>
          <TableCell>File</TableCell>
          <TableCell>Of</TableCell>
          <TableCell>Ready from</TableCell>
          <TableCell>What became of it</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {deliveries.map((one) => (
          <TableRow key={one.id}>
            <TableCell className="figure">{one.fileName}</TableCell>
            <TableCell sx={{ whiteSpace: "nowrap" }}>{onWeekday(one.madeOn)}</TableCell>
            <TableCell sx={{ whiteSpace: "nowrap" }}>{onWeekday(one.readyOn)}</TableCell>
            <TableCell>{became(one, day)}</TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

function became(one: Delivery, day?: string) {
  if (one.intakeId && one.fetchedAt) {
    return (
      <>
        <Link component={RouterLink} to={`/arrived/intake/${one.intakeId}`}>
          taken in
        </Link>
        , {atMoment(one.fetchedAt)}
      </>
    );
  }
  if (one.refused) {
    return (
      <Box component="span" sx={{ color: "error.main" }}>
        not taken in: {one.refused}
      </Box>
    );
  }
  return day && one.readyOn <= day ? "lies ready" : "is late";
}
