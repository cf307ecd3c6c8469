import { Box, Link, Typography } from "@mui/material";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link as RouterLink } from "react-router";
import { useBooks } from "../access/session";
import { api, data, type Schemas } from "../api/client";
import { Failed, Loading } from "../shared/States";
import { Moods } from "./Moods";
import { Refused } from "./Refused";

type Behaviour = Schemas["RatesBehaviour"];

const MOODS: [keyof Behaviour, string, string][] = [
  ["late", "Late", "a day’s rates come a day later"],
  ["offLine", "Off-line", "it does not answer"],
];

/** The simulated service of daily rates: what it does by itself, and how it misbehaves. */
export function RateService() {
  const { mayPost } = useBooks();
  const queries = useQueryClient();
  const key = ["outside", "rates"];
  const now = useQuery({
    queryKey: key,
    queryFn: async () => data(await api.GET("/api/outside/rates")),
  });
  const behave = useMutation({
    mutationFn: async (body: Behaviour) => data(await api.PUT("/api/outside/rates/behaviour", { body })),
    onSettled: () => queries.invalidateQueries({ queryKey: key }),
  });
  return (
    <Box component="section" aria-label="The rate service" sx={{ mt: 4 }}>
      <Typography variant="h1" sx={{ mb: 1 }}>
        The rate service
      </Typography>
      {now.error && <Failed error={now.error} retry={() => void now.refetch()} />}
      {now.isPending && <Loading rows={2} />}
      {now.data && (
        <Box sx={{ display: "flex", gap: 4, alignItems: "flex-start" }}>
          <Typography variant="body2" sx={{ flex: 1 }}>
            Each working day it says what one EUR is worth in six currencies; the figures are made up.{" "}
            <Link component={RouterLink} to="/posted/books/rates" underline="always">
              Rates
            </Link>{" "}
            are got under Books.
          </Typography>
          <Moods
            moods={MOODS}
            behaviour={behave.variables && behave.isPending ? behave.variables : now.data}
            disabled={!mayPost}
            set={(next) => behave.mutate(next)}
          />
        </Box>
      )}
      {behave.error && <Refused error={behave.error} />}
    </Box>
  );
}
