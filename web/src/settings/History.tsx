import { Alert, Box, Button, Typography } from "@mui/material";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useBooks } from "../access/session";
import { api, data } from "../api/client";
import { atMoment } from "../shared/dates";
import { Failed } from "../shared/States";

/** What was made by mistake and is used nowhere can go again; users and companies stay. */
const REMOVABLE = ["bank_account", "ledger_account", "tax_code", "number_range", "claim_reason_word"];

/** What was changed of settings of one kind, by whom; the administrator takes a wrong change back. */
export function History({ what, may }: { what: string; may: boolean }) {
  const { company } = useBooks();
  const queries = useQueryClient();
  const history = useQuery({
    queryKey: ["audit", company, "settings", what],
    queryFn: async () =>
      data(await api.GET("/api/audit-records", { params: { query: { company, what, limit: 30 } } })),
  });
  const back = useMutation({
    mutationFn: async (recordId: number) =>
      data(await api.POST("/api/settings-history/{recordId}/reversal", { params: { path: { recordId } } })),
    onSuccess: () => queries.invalidateQueries(),
  });
  if (history.error) {
    return <Failed error={history.error} retry={() => void history.refetch()} />;
  }
  const rows = history.data?.rows ?? [];
  return (
    <Box sx={{ mt: 4 }} role="group" aria-label="History">
      <Typography variant="h2">What was changed</Typography>
      {rows.length === 0 && (
        <Typography color="textSecondary" sx={{ fontSize: 13 }}>
          Nothing so far.
        </Typography>
      )}
      {back.error && (
        <Alert severity="error" variant="outlined" sx={{ my: 1 }}>
          {back.error.message}
        </Alert>
      )}
      {rows.map((record) => (
        <Box
          key={record.id}
          sx={{
            display: "grid",
            gridTemplateColumns: "110px 110px minmax(0, 1fr) auto",
            gap: 1.5,
            py: 0.5,
            fontSize: 13,
            borderBottom: 1,
            borderColor: "divider",
            alignItems: "baseline",
          }}
        >
          <span>{atMoment(record.at)}</span>
          <span>{record.actor}</span>
          <Box sx={{ overflowWrap: "anywhere" }}>
            {record.kind === "MADE" ? "new: " : ""}
            {record.values
              .filter((value) => record.kind === "CHANGED" || value.after !== "")
              .map((value) =>
                record.kind === "CHANGED"
                  ? `${value.name}: ${value.before || "nothing"} → ${value.after || "nothing"}`
                  : `${value.name} ${value.after}`,
              )
              .join(", ")}
          </Box>
          {may && (record.kind === "CHANGED" || (record.kind === "MADE" && REMOVABLE.includes(what))) ? (
            <Button
              disabled={back.isPending}
              aria-label={`Take back the change of ${atMoment(record.at)} by ${record.actor}`}
              onClick={() => back.mutate(record.id)}
            >
              Take back
            </Button>
          ) : (
            <span />
          )}
        </Box>
      ))}
    </Box>
  );
}
