import { Box, Typography } from "@mui/material";
import { Amount } from "../shared/Amount";
import { Empty, Failed, Loading } from "../shared/States";
import { useUnapplied } from "./queries";
import { ReportItems } from "./ReportItems";

/** Money on account and credit notes that nobody has applied. */
export function UnappliedTab() {
  const unapplied = useUnapplied();
  if (unapplied.error) {
    return <Failed error={unapplied.error} retry={() => void unapplied.refetch()} />;
  }
  if (!unapplied.data) {
    return <Loading rows={8} />;
  }
  const u = unapplied.data;
  if (u.items.length === 0) {
    return (
      <Empty title={`Everything in ${u.currency} is applied`}>
        Money that stays on account, and credit notes, stand here until they are set against invoices.
      </Empty>
    );
  }
  return (
    <Box sx={{ maxWidth: 1000 }}>
      <Typography sx={{ mb: 1 }}>
        On account <Amount of={u.onAccount} sx={{ fontWeight: 700 }} />, credit notes{" "}
        <Amount of={u.creditNotes} sx={{ fontWeight: 700 }} /> {u.currency}
      </Typography>
      <ReportItems label="Not applied" items={u.items} desk />
    </Box>
  );
}
