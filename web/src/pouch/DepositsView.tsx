import {
  Box,
  Button,
  Checkbox,
  FormControlLabel,
  Link,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
} from "@mui/material";
import { useState } from "react";
import { Link as RouterLink } from "react-router";
import { useBooks } from "../access/session";
import { Amount } from "../shared/Amount";
import { onDay } from "../shared/dates";
import { Empty, Failed, Loading } from "../shared/States";
import { useDeposits } from "./queries";
import { STATUS } from "./words";

/** What was taken to the bank: in transit and open again; on request all. */
export default function DepositsView() {
  const books = useBooks();
  const [tied, setTied] = useState(false);
  const deposits = useDeposits(tied);
  if (deposits.error && !deposits.data) {
    return <Failed error={deposits.error} retry={() => void deposits.refetch()} />;
  }
  return (
    <Box sx={{ p: 2.5, maxWidth: 1000 }}>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2, mb: 1 }}>
        {books.mayPost && (
          <Button component={RouterLink} to="/pouch/deposits/new" variant="outlined">
            Make a deposit
          </Button>
        )}
        <FormControlLabel
          control={
            <Checkbox size="small" checked={tied} onChange={(event) => setTied(event.target.checked)} />
          }
          label="Tied ones too"
        />
      </Box>
      {!deposits.data ? (
        <Loading />
      ) : deposits.data.length === 0 ? (
        <Empty title={tied ? "No deposit was made yet" : "No deposit is on its way"}>
          Tick receipts in hand to bank them together; the deposit stands here until the bank shows it.
        </Empty>
      ) : (
        <Table size="small" aria-label="Deposits">
          <TableHead>
            <TableRow>
              <TableCell>Taken to the bank</TableCell>
              <TableCell>Slip</TableCell>
              <TableCell>Bank account</TableCell>
              <TableCell align="right">Receipts</TableCell>
              <TableCell align="right">Total</TableCell>
              <TableCell align="right">In transit</TableCell>
              <TableCell>State</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {deposits.data.map((d) => (
              <TableRow key={d.id}>
                <TableCell>{onDay(d.on)}</TableCell>
                <TableCell>
                  <Link component={RouterLink} to={`/pouch/deposits/${d.id}`} className="figure">
                    {d.slip}
                  </Link>
                </TableCell>
                <TableCell>{d.bankAccount}</TableCell>
                <TableCell align="right" className="figure">
                  {d.receipts}
                </TableCell>
                <TableCell align="right">
                  <Amount of={d.total} />
                </TableCell>
                <TableCell align="right">
                  <Amount of={d.left} />
                </TableCell>
                <TableCell>{STATUS[d.status]}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
    </Box>
  );
}
