import { Box, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { api, data } from "../api/client";
import { Failed, Loading } from "../shared/States";
import { SettlementStrip } from "./SettlementStrip";

/** One settlement under its own address. */
export default function SettlementSheet() {
  const id = Number(useParams().settlementId);
  const found = useQuery({
    queryKey: ["settlements", "one", id],
    refetchInterval: 5_000,
    queryFn: async () => data(await api.GET("/api/settlements/{id}", { params: { path: { id } } })),
  });
  if (found.error && !found.data) {
    return <Failed error={found.error} retry={() => void found.refetch()} />;
  }
  if (!found.data) {
    return <Loading />;
  }
  return (
    <Box sx={{ p: 3 }}>
      <Typography variant="h1" sx={{ mb: 1 }}>
        Settlement {id}
      </Typography>
      <SettlementStrip settlement={found.data} open />
    </Box>
  );
}
