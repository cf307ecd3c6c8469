import { Box, Link, Table, TableBody, TableCell, TableHead, TableRow } from "@mui/material";
import { Link as RouterLink } from "react-router";
import type { Schemas } from "../api/client";
import { CustomerLink } from "../customers/CustomerLink";
import { REASON } from "../settle/words";
import { Amount } from "../shared/Amount";
import { count, onDayOfYear } from "../shared/dates";

/** Items of accounts with their age, oldest first; each leads to itself and to its customer. */
export function ReportItems({
  label,
  items,
  desk,
}: {
  label: string;
  items: Schemas["ReportItem"][];
  /** Whether they can be applied at the desk. */
  desk?: boolean;
}) {
  return (
    <Table size="small" aria-label={label}>
      <TableHead>
        <TableRow>
          <TableCell>Item</TableCell>
          <TableCell>Customer</TableCell>
          <TableCell>Since</TableCell>
          <TableCell align="right">Age</TableCell>
          <TableCell align="right">Open</TableCell>
          {desk && <TableCell />}
        </TableRow>
      </TableHead>
      <TableBody>
        {items.map((item) => (
          <TableRow key={item.itemId} hover>
            <TableCell>
              <Link
                component={RouterLink}
                to={`/posted/items/${item.itemId}`}
                color="inherit"
                underline="hover"
                className="figure"
              >
                {item.number}
              </Link>
              {item.reason && (
                <Box component="span" sx={{ color: "text.secondary", ml: 1 }}>
                  {REASON[item.reason]}
                </Box>
              )}
            </TableCell>
            <TableCell>
              <CustomerLink id={item.customerId} name={item.customer} />
            </TableCell>
            <TableCell>{onDayOfYear(item.on)}</TableCell>
            <TableCell align="right">{count(item.age, "day")}</TableCell>
            <TableCell align="right">
              <Amount of={item.open} />
            </TableCell>
            {desk && (
              <TableCell>
                <Link component={RouterLink} to={`/waiting/desk/account/${item.customerId}`}>
                  apply
                </Link>
              </TableCell>
            )}
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}
