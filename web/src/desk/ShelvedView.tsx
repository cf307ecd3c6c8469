import { Box, Button, Table, TableBody, TableCell, TableHead, TableRow, Typography } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { api, data } from "../api/client";
import { useBooks } from "../access/session";
import { Amount } from "../shared/Amount";
import { atMoment, onDay } from "../shared/dates";
import { Empty, Failed, Loading } from "../shared/States";
import { useRefresh } from "./queries";
import { SHELVED } from "./shelving";

/** What was set aside, why and by whom; it can be taken back. */
export default function ShelvedView() {
  const books = useBooks();
  const refresh = useRefresh();
  const shelved = useQuery({
    queryKey: ["shelved", books.company],
    refetchInterval: 10_000,
    queryFn: async () =>
      data(await api.GET("/api/shelved", { params: { query: { company: books.company } } })),
  });
  const takeBack = useMutation({
    mutationFn: async (id: number) =>
      data(await api.DELETE("/api/entries/{id}/shelving", { params: { path: { id } } })),
    onSuccess: refresh,
  });
  if (shelved.error) {
    return <Failed error={shelved.error} retry={() => void shelved.refetch()} />;
  }
  if (!shelved.data) {
    return <Loading />;
  }
  if (shelved.data.length === 0) {
    return (
      <Empty title="Nothing is on the shelf">
        Money that is a duplicate, private or not ours is set aside at the desk (S). It stays in every total.
      </Empty>
    );
  }
  return (
    <Box sx={{ p: 3, maxWidth: 1100 }}>
      <Typography variant="h1">Shelved</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 2 }}>
        Set aside with a reason; it stays in every total and in the cent trail.
      </Typography>
      {takeBack.error && <Failed error={takeBack.error} />}
      <Table size="small" aria-label="Shelved">
        <TableHead>
          <TableRow>
            <TableCell>Booked</TableCell>
            <TableCell>Payer</TableCell>
            <TableCell align="right">Amount</TableCell>
            <TableCell>Why</TableCell>
            <TableCell>By</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {shelved.data.map((row) => (
            <TableRow key={row.entryId}>
              <TableCell>{onDay(row.bookedOn)}</TableCell>
              <TableCell>{row.payer}</TableCell>
              <TableCell align="right">
                <Amount of={row.amount} />
              </TableCell>
              <TableCell>
                {SHELVED[row.reason]}
                {row.note && `: ${row.note}`}
              </TableCell>
              <TableCell>
                {row.by}, {atMoment(row.at)}
              </TableCell>
              <TableCell align="right">
                <Button disabled={!books.mayPost} onClick={() => takeBack.mutate(row.entryId)}>
                  Take back
                </Button>
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}
