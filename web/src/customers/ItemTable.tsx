import { Box, Table, TableBody, TableCell, TableHead, TableRow } from "@mui/material";
import type { Schemas } from "../api/client";
import { ItemLink } from "../settle/SettlementStrip";
import { ITEM, REASON } from "../settle/words";
import { Amount } from "../shared/Amount";
import { count, onDay } from "../shared/dates";

type Item = Schemas["OpenItemView"];

/** Items with their dates and balances. */
export function ItemTable({ items, withOwner }: { items: Item[]; withOwner: boolean }) {
  return (
    <Table size="small" aria-label="Open items">
      <TableHead>
        <TableRow>
          <TableCell>Item</TableCell>
          <TableCell>Kind</TableCell>
          {withOwner && <TableCell>Branch</TableCell>}
          <TableCell>Order</TableCell>
          <TableCell>Issued</TableCell>
          <TableCell>Due</TableCell>
          <TableCell align="right">Overdue</TableCell>
          <TableCell align="right">Total</TableCell>
          <TableCell align="right">Open</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {items.map((item) => (
          <TableRow key={item.id}>
            <TableCell>
              <ItemLink id={item.id} number={item.number} />
            </TableCell>
            <TableCell>
              {ITEM[item.kind]}
              {item.claimReason && `, ${REASON[item.claimReason]}`}
              {item.terms && (
                <Box component="span" sx={{ color: "text.secondary" }}>
                  {" "}
                  {item.terms}
                </Box>
              )}
            </TableCell>
            {withOwner && <TableCell>{item.customerName}</TableCell>}
            <TableCell className="figure">{item.orderReference}</TableCell>
            <TableCell>{onDay(item.issuedOn)}</TableCell>
            <TableCell>{onDay(item.dueOn)}</TableCell>
            <TableCell align="right">{item.daysOverdue > 0 && count(item.daysOverdue, "day")}</TableCell>
            <TableCell align="right">
              <Amount of={item.total} />
            </TableCell>
            <TableCell align="right">
              <Amount of={item.open} />
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}
