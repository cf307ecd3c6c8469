import { Box, Button } from "@mui/material";
import type { Ask } from "./DeskDialogs";

/** What can be done with a receipt besides applying it to open items. */
export function ReceiptTools({
  disabled,
  withPayer,
  ask,
}: {
  disabled: boolean;
  withPayer: boolean;
  ask: (what: Ask) => void;
}) {
  const tools: [Ask, string, string, boolean][] = [
    ["paste", "Paste a list", "L", true],
    ["invoice", "New invoice", "N", withPayer],
    ["account", "To an account", "A", true],
    ["shelve", "Shelve", "S", true],
  ];
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 1.5, mt: -0.75, ml: -0.75 }}>
      {tools.map(([what, name, key, possible]) => (
        <Button
          key={what}
          color="inherit"
          disabled={disabled || !possible}
          onClick={() => ask(what)}
          sx={{ fontWeight: 400, color: "text.secondary", minWidth: 0, px: 0.75, py: 0 }}
        >
          {name}…
          <Box component="span" className="figure" aria-hidden sx={{ ml: 0.75, fontSize: 11 }}>
            {key}
          </Box>
        </Button>
      ))}
    </Box>
  );
}
