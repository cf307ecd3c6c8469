import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle } from "@mui/material";

const DESK: [string, string][] = [
  ["J  K", "next and previous waiting entry"],
  ["X", "select the entry, for posting several at once"],
  ["1 – 5", "take an explanation as the draft"],
  ["+", "take the next oldest open item as well"],
  ["C", "look for another payer, item or amount"],
  ["L", "paste a list of references and amounts"],
  ["N", "write the invoice that is missing"],
  ["A", "to an account, without a customer"],
  ["S", "shelve the entry"],
  ["R", "go to the ways to treat what is left"],
  ["Ctrl + Enter", "post the draft"],
  ["P", "post all that is clear"],
  ["U", "undo the last step, and again the one before"],
  ["/", "search the queue"],
  ["?", "this list"],
];

const POUCH: [string, string][] = [
  ["Enter", "record the receipt; its fields are empty for the next"],
  ["Tab", "the next field; the day and the method stay as they are"],
  ["Space", "tick a receipt where the focus is on its box"],
  ["A", "tick all that can be carried to the bank"],
  ["B", "bank what is ticked: make a deposit of it"],
  ["Ctrl + Enter", "make the deposit, book the till’s day"],
  ["?", "this list"],
];

/** The keys of the view: of the pouch there, of the desk elsewhere. */
export function KeysDialog({ tile, open, close }: { tile: string; open: boolean; close: () => void }) {
  const keys = tile === "pouch" ? POUCH : DESK;
  return (
    <Dialog open={open} onClose={close} maxWidth="xs" fullWidth>
      <DialogTitle>Keys</DialogTitle>
      <DialogContent>
        {keys.map(([key, what]) => (
          <Box key={key} sx={{ display: "flex", py: 0.6, borderBottom: 1, borderColor: "divider" }}>
            <Box className="figure" sx={{ width: 124, flexShrink: 0, fontWeight: 700 }}>
              {key}
            </Box>
            <Box>{what}</Box>
          </Box>
        ))}
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
