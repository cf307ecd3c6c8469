import { Box, Button, Table, TableBody, TableCell, TableHead, TableRow, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { Fragment } from "react";
import { useBooks } from "../access/session";
import { api, data, type Schemas } from "../api/client";
import { Amount } from "../shared/Amount";
import { count, onDay } from "../shared/dates";
import { Empty, Failed, Loading } from "../shared/States";

type Account = Schemas["AccountStatements"];
type Statement = Schemas["StatementView"];

/** The statements of all accounts. */
export function useStatements() {
  const books = useBooks();
  return useQuery({
    queryKey: ["statements", books.company],
    queryFn: async () =>
      data(await api.GET("/api/statements", { params: { query: { company: books.company } } })),
  });
}

/** The statements of each account, latest first, with what is missing or told twice between them. */
export function Statements() {
  const statements = useStatements();
  if (statements.error) {
    return <Failed error={statements.error} retry={() => void statements.refetch()} />;
  }
  if (!statements.data) {
    return <Loading />;
  }
  if (statements.data.length === 0) {
    return <Empty title="No statement yet">Drop the first one; what follows is held against it.</Empty>;
  }
  return statements.data.map((account) => <OneAccount key={account.bankAccountId} account={account} />);
}

const SAVED = [
  ["camt.053", "camt.053"],
  ["ofx", "OFX"],
  ["csv", "CSV"],
] as const;

function OneAccount({ account }: { account: Account }) {
  return (
    <Box component="section" aria-label={account.bankAccount} sx={{ mt: 2, maxWidth: 1100 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 1.5 }}>
        <Typography variant="h3">{account.bankAccount}</Typography>
        <Box className="figure" sx={{ color: "text.secondary", fontSize: 13 }}>
          {account.number}
        </Box>
        <Box sx={{ flex: 1, fontSize: 13, color: account.gaps > 0 ? "warning.main" : "text.secondary" }}>
          {account.gaps > 0 ? count(account.gaps, "gap") : "no gaps"}
        </Box>
        <Box sx={{ fontSize: 13, color: "text.secondary" }}>Save the entries as</Box>
        {SAVED.map(([format, word]) => (
          <Button
            key={format}
            component="a"
            href={`/api/bank-accounts/${account.bankAccountId}/entries?format=${format}`}
            download
            sx={{ minWidth: 0 }}
          >
            {word}
          </Button>
        ))}
      </Box>
      <Table size="small" aria-label={`Statements of ${account.bankAccount}`}>
        <TableHead>
          <TableRow>
            <TableCell>Days</TableCell>
            <TableCell>File</TableCell>
            <TableCell align="right">Entries</TableCell>
            <TableCell align="right">Opening</TableCell>
            <TableCell align="right">Movements</TableCell>
            <TableCell align="right">Closing</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {account.statements.map((statement) => (
            <Fragment key={statement.id}>
              <StatementRow statement={statement} />
              {statement.before.map((finding) => (
                <TableRow key={finding.sentence}>
                  <TableCell
                    colSpan={6}
                    sx={{
                      borderLeft: 4,
                      borderLeftColor: finding.gap ? "warning.main" : "divider",
                      color: finding.gap ? "text.primary" : "text.secondary",
                      bgcolor: finding.gap ? "chosenTint" : "transparent",
                    }}
                  >
                    {finding.sentence}
                  </TableCell>
                </TableRow>
              ))}
            </Fragment>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

function StatementRow({ statement }: { statement: Statement }) {
  return (
    <TableRow>
      <TableCell sx={{ whiteSpace: "nowrap" }}>{daysOf(statement)}</TableCell>
      <TableCell>
        {statement.fileName}
        <Box sx={{ fontSize: 12, color: "text.secondary" }}>
          {statement.format}
          {statement.number && `, ${statement.number}`}
        </Box>
      </TableCell>
      <TableCell align="right" className="figure">
        {statement.records.toLocaleString()}
      </TableCell>
      <TableCell align="right">
        {statement.opening ? <Amount of={statement.opening} /> : "not said"}
      </TableCell>
      <TableCell align="right">
        <Amount of={statement.movements} />
      </TableCell>
      <TableCell align="right">
        {statement.closing ? <Amount of={statement.closing} /> : "not said"}
        {statement.off && (
          <Box sx={{ fontSize: 12, color: "warning.main", whiteSpace: "nowrap" }}>
            off by <Amount of={statement.off} />
          </Box>
        )}
      </TableCell>
    </TableRow>
  );
}

function daysOf({ from, until }: Statement): string {
  if (!until) {
    return "not said";
  }
  return !from || from === until ? onDay(until) : `${onDay(from)} – ${onDay(until)}`;
}
