import { Box, Button, Table, TableBody, TableCell, TableHead, TableRow, Typography } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { Link as RouterLink } from "react-router";
import { useBooks } from "../access/session";
import { api, data, type Schemas } from "../api/client";
import { useRefresh } from "../desk/queries";
import { atMoment, onDay } from "../shared/dates";
import { Empty, Failed, Loading } from "../shared/States";

type Past = Schemas["PastView"];

/** How an explanation that was taken differs from the first. */
const CHOSEN: Record<Schemas["ChosenView"]["manner"], string> = {
  SEVERAL: "what pays several items together",
  ONE: "what pays a single item",
  LATER: "what is due later",
  EARLIER: "what is due earlier",
};

/** Who is known to pay for a customer: what somebody said to remember, and whose money it was before; each to be forgotten. */
export function KnownPayers({ id }: { id: number }) {
  const books = useBooks();
  const refresh = useRefresh();
  const payers = useQuery({
    queryKey: ["payers", id],
    queryFn: async () => data(await api.GET("/api/customers/{id}/payers", { params: { path: { id } } })),
  });
  const after = {
    onSuccess: () => {
      void payers.refetch();
      void refresh();
    },
  };
  const forgetAlias = useMutation({
    mutationFn: async (alias: number) =>
      data(await api.DELETE("/api/payer-aliases/{id}", { params: { path: { id: alias } } })),
    ...after,
  });
  const forgetPast = useMutation({
    mutationFn: async ({ payerName, payerAccount }: Past) =>
      data(
        await api.POST("/api/customers/{id}/payers/forgetting", {
          params: { path: { id } },
          body: { payerName, payerAccount },
        }),
      ),
    ...after,
  });
  if (payers.error && !payers.data) {
    return <Failed error={payers.error} retry={() => void payers.refetch()} />;
  }
  if (!payers.data) {
    return <Loading rows={4} />;
  }
  const { aliases, past, chosen } = payers.data;
  const busy = forgetAlias.isPending || forgetPast.isPending || !books.mayPost;
  if (aliases.length + past.length + chosen.length === 0) {
    return (
      <Empty title="Nothing is known of who pays">
        What is settled here teaches whose money it was. Where somebody else pays, the desk offers to remember
        it.
      </Empty>
    );
  }
  const failed = forgetAlias.error ?? forgetPast.error;
  return (
    <Box sx={{ maxWidth: 860 }}>
      {failed && <Failed error={failed} />}
      {aliases.length > 0 && (
        <>
          <Typography variant="h3" sx={{ mt: 1 }}>
            Remembered
          </Typography>
          <Table size="small" aria-label="Remembered payers" sx={{ mb: 2 }}>
            <TableBody>
              {aliases.map((alias) => (
                <TableRow key={alias.id}>
                  <TableCell className="figure">{alias.payerText || alias.payerAccount}</TableCell>
                  <TableCell>{alias.payerText ? "name" : "account"}</TableCell>
                  <TableCell sx={{ color: "text.secondary" }}>
                    by {alias.by}, {atMoment(alias.at)}
                  </TableCell>
                  <TableCell>
                    {alias.settlementId && (
                      <Button
                        component={RouterLink}
                        to={`/posted/settlements/${alias.settlementId}`}
                        color="inherit"
                      >
                        Settlement {alias.settlementId}
                      </Button>
                    )}
                  </TableCell>
                  <TableCell align="right">
                    <Button disabled={busy} onClick={() => forgetAlias.mutate(alias.id)}>
                      Forget
                    </Button>
                  </TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </>
      )}
      {past.length > 0 && (
        <>
          <Typography variant="h3" sx={{ mt: 1 }}>
            Whose money it was before
          </Typography>
          <Table size="small" aria-label="Earlier payers">
            <TableHead>
              <TableRow>
                <TableCell>Payer</TableCell>
                <TableCell>Account</TableCell>
                <TableCell align="right">Times</TableCell>
                <TableCell>Last</TableCell>
                <TableCell />
              </TableRow>
            </TableHead>
            <TableBody>
              {past.map((one) => (
                <TableRow key={`${one.payerName} ${one.payerAccount}`}>
                  <TableCell className="figure">{one.payerName}</TableCell>
                  <TableCell className="figure">{one.payerAccount}</TableCell>
                  <TableCell className="figure" align="right">
                    {one.times.toLocaleString()}
                  </TableCell>
                  <TableCell>{onDay(one.last)}</TableCell>
                  <TableCell align="right">
                    <Button
                      disabled={busy}
                      onClick={() => forgetPast.mutate(one)}
                      aria-label={`Forget ${one.payerName || one.payerAccount}`}
                    >
                      Forget
                    </Button>
                  </TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
          {chosen.length > 0 && (
            <Box component="ul" aria-label="What was chosen" sx={{ pl: 2.5, my: 1, fontSize: 13.5 }}>
              {chosen.map((one) => (
                <li key={`${one.payerName} ${one.payerAccount} ${one.manner}`}>
                  For {one.payerName || one.payerAccount}, {CHOSEN[one.manner]} was taken where another
                  explanation stood first, {one.times === 1 ? "once" : `${one.times.toLocaleString()} times`}.
                </li>
              ))}
            </Box>
          )}
          <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
            What is forgotten no longer speaks for this customer when money comes; what was posted stays
            posted.
          </Typography>
        </>
      )}
    </Box>
  );
}
