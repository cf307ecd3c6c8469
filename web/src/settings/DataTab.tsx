import { Alert, Box, Button, Table, TableBody, TableCell, TableRow, Typography } from "@mui/material";
import { useMutation } from "@tanstack/react-query";
import { useSession } from "../access/session";
import { api, data } from "../api/client";
import { takeFile } from "../exports/save";
import { count } from "../shared/dates";

/** Everything in one file while people work, and whether every rule holds in the books as they are stored. */
export function DataTab() {
  const session = useSession();
  const role = session.data?.role;
  const backup = useMutation({ mutationFn: () => takeFile("/api/backups", {}) });
  const check = useMutation({ mutationFn: async () => data(await api.GET("/api/check")) });
  const broken = check.data?.filter((rule) => rule.broken.length > 0).length ?? 0;
  return (
    <Box sx={{ maxWidth: 900 }}>
      <Typography variant="h2">Backup</Typography>
      <Typography sx={{ mb: 1 }} color="textSecondary">
        All companies in one file, as of one moment; nobody has to stop working.{" "}
        <code>bin/sumbrel restore FILE --data DIR</code> puts it into an empty folder.
      </Typography>
      <Button
        variant="outlined"
        disabled={backup.isPending || (role !== "ADMINISTRATOR" && role !== "SUPERVISOR")}
        onClick={() => backup.mutate()}
      >
        {backup.isPending ? "Copying…" : "Back up now"}
      </Button>
      {backup.error && (
        <Alert severity="error" variant="outlined" sx={{ mt: 1 }}>
          {backup.error.message}
        </Alert>
      )}
      {backup.isSuccess && <span role="status"> The backup is saved.</span>}
      <Typography variant="h2" sx={{ mt: 4 }}>
        Check
      </Typography>
      <Typography sx={{ mb: 1 }} color="textSecondary">
        Reads all that is stored anew and holds it against every rule that may never break. Nothing is
        changed.
      </Typography>
      <Button variant="outlined" disabled={check.isPending} onClick={() => check.mutate()}>
        {check.isPending ? "Checking…" : "Check the books"}
      </Button>
      {check.error && (
        <Alert severity="error" variant="outlined" sx={{ mt: 1 }}>
          {check.error.message}
        </Alert>
      )}
      {check.data && (
        <>
          <Typography role="status" color={broken === 0 ? undefined : "error"} sx={{ mt: 1.5 }}>
            {broken === 0
              ? `All ${count(check.data.length, "rule")} hold.`
              : `${broken} of ${count(check.data.length, "rule")} are broken.`}
          </Typography>
          <Table size="small" aria-label="Rules">
            <TableBody>
              {check.data.map((rule) => (
                <TableRow key={rule.rule} sx={{ verticalAlign: "top" }}>
                  <TableCell sx={{ width: 70, color: rule.broken.length > 0 ? "error.main" : undefined }}>
                    {rule.broken.length > 0 ? "broken" : "holds"}
                  </TableCell>
                  <TableCell>
                    {rule.rule}
                    {rule.broken.map((fault) => (
                      <Box key={fault} sx={{ color: "error.main", fontSize: 12.5 }}>
                        {fault}
                      </Box>
                    ))}
                  </TableCell>
                  <TableCell align="right" className="figure" sx={{ color: "text.secondary" }}>
                    {rule.looked.toLocaleString()}
                  </TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </>
      )}
    </Box>
  );
}
