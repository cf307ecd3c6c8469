import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from "@mui/material";
import { keysOf } from "./viewKeys";

/** The keys of the view one looks at. */
export function KeysDialog({ path, open, close }: { path: string; open: boolean; close: () => void }) {
  return (
    <Dialog open={open} onClose={close} maxWidth="xs" fullWidth>
      <DialogTitle>Keys</DialogTitle>
      <DialogContent>
        {keysOf(path).map(({ name, keys }) => (
          <Box key={name} sx={{ mb: 2 }}>
            <Typography variant="h3" component="h3">
              {name}
            </Typography>
            {keys.map(([key, what]) => (
              <Box key={key} sx={{ display: "flex", py: 0.5, borderBottom: 1, borderColor: "divider" }}>
                <Box className="figure" sx={{ width: 124, flexShrink: 0, fontWeight: 700 }}>
                  {key}
                </Box>
                <Box>{what}</Box>
              </Box>
            ))}
          </Box>
        ))}
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
