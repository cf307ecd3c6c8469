import { Alert, Box, Button, Typography } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { Link as RouterLink } from "react-router";
import { useBooks } from "../access/session";
import { api, data, type Schemas } from "../api/client";
import { useRefresh } from "../desk/queries";
import { Amount } from "../shared/Amount";
import { onDay } from "../shared/dates";
import { Failed } from "../shared/States";

type Correction = Schemas["CorrectionView"];

/** What corrected statements say otherwise of entries that are known; each is accepted or refused. */
export function Corrections() {
  const books = useBooks();
  const refresh = useRefresh();
  const open = useQuery({
    queryKey: ["corrections", books.company],
    queryFn: async () =>
      data(await api.GET("/api/corrections", { params: { query: { company: books.company } } })),
  });
  const decide = useMutation({
    mutationFn: async ({ id, accept }: { id: number; accept: boolean }) =>
      data(
        await api.POST("/api/corrections/{id}/decision", {
          params: { path: { id } },
          body: { accept },
        }),
      ),
    onSettled: refresh,
  });
  if (open.error) {
    return <Failed error={open.error} retry={() => void open.refetch()} />;
  }
  if (!open.data || open.data.length === 0) {
    return null;
  }
  return (
    <Box component="section" aria-label="Differences to decide" sx={{ mt: 3 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        Differences to decide
      </Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        A later statement tells these entries otherwise. They stay as they are until you accept.
      </Typography>
      {decide.error && (
        <Alert severity="error" variant="outlined" sx={{ mb: 1 }}>
          {decide.error.message}
        </Alert>
      )}
      {open.data.map((correction) => (
        <Difference
          key={correction.id}
          correction={correction}
          mayDecide={books.mayPost}
          busy={decide.isPending}
          decide={(accept) => decide.mutate({ id: correction.id, accept })}
        />
      ))}
    </Box>
  );
}

function Difference({
  correction,
  mayDecide,
  busy,
  decide,
}: {
  correction: Correction;
  mayDecide: boolean;
  busy: boolean;
  decide: (accept: boolean) => void;
}) {
  const { before, after } = correction;
  return (
    <Box
      sx={{
        display: "flex",
        alignItems: "center",
        gap: 2,
        borderTop: 1,
        borderColor: "divider",
        py: 1,
      }}
    >
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Box sx={{ overflowWrap: "anywhere" }}>{correction.payer}</Box>
        <Box sx={{ fontSize: 12, color: "text.secondary" }}>
          {correction.bankAccount}, told by {correction.fileName}
        </Box>
      </Box>
      <Told what="We have" day={before.bookedOn}>
        <Amount of={before.amount} />
      </Told>
      <Told what="The statement has" day={after?.bookedOn}>
        {after ? <Amount of={after.amount} /> : "nothing"}
      </Told>
      {correction.entryStatus === "SETTLED" ? (
        <Box sx={{ fontSize: 13, color: "text.secondary", width: 250 }}>
          It is settled; <RouterLink to="/posted/settlements">reverse its settlement</RouterLink> to accept.
        </Box>
      ) : (
        mayDecide && (
          <Button variant="contained" disabled={busy} onClick={() => decide(true)}>
            {after ? "Take the statement's" : "Take it out"}
          </Button>
        )
      )}
      {mayDecide && (
        <Button disabled={busy} onClick={() => decide(false)}>
          Keep ours
        </Button>
      )}
    </Box>
  );
}

function Told({ what, day, children }: { what: string; day?: string; children: React.ReactNode }) {
  return (
    <Box sx={{ width: 175, textAlign: "right" }}>
      <Box sx={{ fontSize: 12, color: "text.secondary" }}>
        {what}
        {day && `, ${onDay(day)}`}
      </Box>
      <Box>{children}</Box>
    </Box>
  );
}
