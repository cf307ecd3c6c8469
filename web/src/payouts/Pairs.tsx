import { Box, Table, TableBody, TableCell, TableHead, TableRow } from "@mui/material";
import { Fragment } from "react";
import { Amount } from "../shared/Amount";
import { onDay } from "../shared/dates";
import { isZero } from "../shared/money";
import { Failed, Loading } from "../shared/States";
import { usePairs } from "./queries";
import { TYPE } from "./words";

/** Each sale beside what was taken back of it: with its fee, what came back of that, and what it cost in the end. */
export function Pairs({ payoutId }: { payoutId: number }) {
  const pairs = usePairs(payoutId);
  if (pairs.error && !pairs.data) {
    return <Failed error={pairs.error} retry={() => void pairs.refetch()} />;
  }
  if (!pairs.data) {
    return <Loading rows={4} />;
  }
  return (
    <Table size="small" aria-label="Sales and what was taken back" sx={{ "& td, & th": { px: 0.75 } }}>
      <TableHead>
        <TableRow>
          <TableCell>Sale</TableCell>
          <TableCell align="right">Gross</TableCell>
          <TableCell align="right">Fee</TableCell>
          <TableCell>Taken back</TableCell>
          <TableCell align="right">Gross</TableCell>
          <TableCell align="right">Fee</TableCell>
          <TableCell align="right">Left of it</TableCell>
          <TableCell align="right">Kept in the end</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {pairs.data.map((pair, n) => (
          <Fragment key={n}>
            {pair.back.map((back, at) => (
              <TableRow key={at}>
                <TableCell className="figure">{at === 0 ? pair.sale.reference : ""}</TableCell>
                <TableCell align="right">{at === 0 && <Amount of={pair.sale.gross} />}</TableCell>
                <TableCell align="right">{at === 0 && <Amount of={pair.sale.fee} />}</TableCell>
                <TableCell>
                  {TYPE[back.type]}
                  {back.on && (
                    <Box component="span" sx={{ color: "text.secondary" }}>
                      {" "}
                      {onDay(back.on)}
                    </Box>
                  )}
                </TableCell>
                <TableCell align="right">{!isZero(back.gross) && <Amount of={back.gross} />}</TableCell>
                <TableCell align="right">{!isZero(back.fee) && <Amount of={back.fee} />}</TableCell>
                <TableCell align="right">{at === 0 && <Amount of={pair.left} />}</TableCell>
                <TableCell align="right" sx={{ fontWeight: 700 }}>
                  {at === 0 && <Amount of={pair.kept} />}
                </TableCell>
              </TableRow>
            ))}
          </Fragment>
        ))}
      </TableBody>
    </Table>
  );
}
