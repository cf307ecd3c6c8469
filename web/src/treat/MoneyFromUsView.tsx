import { Box, Button, Typography } from "@mui/material";
import { Link as RouterLink, useNavigate, useParams } from "react-router";
import { useEntry } from "../desk/queries";
import { useKeys } from "../frame/keys";
import { Amount } from "../shared/Amount";
import { count, onDay } from "../shared/dates";
import { grouped, positive } from "../shared/money";
import { Empty, Failed, Loading } from "../shared/States";
import { FromUs } from "./FromUs";
import { useMoneyFromUs } from "./queries";
import { ReadyByRule } from "./ReadyByRule";

/** Money from us that nobody has explained yet: charges, transfers, refunds, returns; one decision at a time. */
export default function MoneyFromUsView() {
  const list = useMoneyFromUs();
  const navigate = useNavigate();
  const params = useParams();
  const rows = list.data?.rows ?? [];
  const asked = params.entryId ? Number(params.entryId) : undefined;
  const chosen = asked ?? rows[0]?.id;
  const entry = useEntry(chosen);
  const at = rows.findIndex((row) => row.id === chosen);
  const go = (id: number | undefined) =>
    void navigate(id === undefined ? "/waiting/from-us" : `/waiting/from-us/${id}`);
  const step = (by: number) => rows[at + by] && go(rows[at + by]?.id);
  useKeys({ j: () => step(1), k: () => step(-1) });
  if (list.error) {
    return <Failed error={list.error} retry={() => void list.refetch()} />;
  }
  if (!list.data) {
    return <Loading rows={8} />;
  }
  return (
    <Box sx={{ display: "flex", height: "100%" }}>
      <Box
        component="nav"
        aria-label="Money from us"
        sx={{ width: 340, flexShrink: 0, overflow: "auto", borderRight: 1, borderColor: "divider" }}
      >
        <Typography variant="body2" color="textSecondary" sx={{ px: 2, py: 1 }}>
          {list.data.count === 0
            ? "Nothing waits"
            : `${count(list.data.count, "entry", "entries")}, ${grouped(positive(list.data.amount))}`}
          {list.data.count > rows.length && `; the oldest ${rows.length} stand here`}
        </Typography>
        <ReadyByRule />
        {rows.map((row) => (
          <Box
            key={row.id}
            component={RouterLink}
            to={`/waiting/from-us/${row.id}`}
            aria-current={row.id === chosen ? "true" : undefined}
            sx={{
              display: "block",
              px: 2,
              py: 1,
              color: "text.primary",
              textDecoration: "none",
              borderBottom: 1,
              borderColor: "divider",
              borderLeft: 3,
              borderLeftColor: row.id === chosen ? "primary.main" : "transparent",
              bgcolor: row.id === chosen ? "background.paper" : undefined,
            }}
          >
            <Box sx={{ display: "flex", justifyContent: "space-between", gap: 1 }}>
              <Box
                component="span"
                sx={{ overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" }}
              >
                {row.text || row.counterparty || "Nobody named"}
              </Box>
              <Amount of={positive(row.amount)} />
            </Box>
            <Box sx={{ fontSize: 12, color: "text.secondary" }}>
              {onDay(row.on)} · {row.bankAccount}
              {row.treatment && ` · ${row.treatment}`}
            </Box>
          </Box>
        ))}
      </Box>
      {chosen === undefined ? (
        <Empty title="All that went out is explained">
          Charges, transfers, refunds and returns that the bank books come here, until somebody or a house
          rule says what they are.
        </Empty>
      ) : entry.error ? (
        <Failed error={entry.error} retry={() => void entry.refetch()} />
      ) : !entry.data ? (
        <Loading />
      ) : entry.data.status === "DEBIT" ? (
        <FromUs key={entry.data.id} debit={entry.data} done={() => go((rows[at + 1] ?? rows[at - 1])?.id)} />
      ) : (
        <Empty title={`${grouped(positive(entry.data.amount))} to ${entry.data.payer} is explained`}>
          <Button component={RouterLink} to="/posted/settlements" variant="outlined">
            See the settlements
          </Button>
        </Empty>
      )}
    </Box>
  );
}
