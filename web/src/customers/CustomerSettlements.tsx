import { Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { api, data } from "../api/client";
import { useBooks } from "../access/session";
import { SettlementStrip } from "../settle/SettlementStrip";
import { Failed, Loading } from "../shared/States";

/** The latest settlements of a customer, reversed ones too. */
export function CustomerSettlements({ id }: { id: number }) {
  const books = useBooks();
  const settlements = useQuery({
    queryKey: ["settlements", books.company, "of", id],
    refetchInterval: 5_000,
    queryFn: async () =>
      data(
        await api.GET("/api/settlements", {
          params: { query: { company: books.company, customer: id, limit: 30 } },
        }),
      ),
  });
  if (settlements.error && !settlements.data) {
    return <Failed error={settlements.error} retry={() => void settlements.refetch()} />;
  }
  if (!settlements.data) {
    return <Loading rows={4} />;
  }
  if (settlements.data.rows.length === 0) {
    return <Typography color="textSecondary">Nothing was settled yet.</Typography>;
  }
  return settlements.data.rows.map((s) => <SettlementStrip key={s.id} settlement={s} />);
}
