import { Box, Button, Typography } from "@mui/material";
import type { Draft, Entry } from "./drafts";
import { useElsewhere } from "./queries";

interface Props {
  entry: Entry;
  change: (draft: Draft, numbers?: ReadonlyMap<number, string>) => void;
  readOnly: boolean;
  /** Whether what the text names is what the draft begins with. */
  taken?: boolean;
}

/** What the money may pay in other currencies or for other companies: each with its rate, to be taken as a draft. */
export function Elsewhere({ entry, change, readOnly, taken = false }: Props) {
  const found = useElsewhere(entry);
  if (!found.data || found.data.length === 0) {
    return null;
  }
  return (
    <Box component="section" aria-label="In other currencies or companies">
      <Typography variant="body2" color="textSecondary" sx={{ mb: 0.5 }}>
        In other currencies or companies
      </Typography>
      {found.data.map((one) => (
        <Box
          key={one.why}
          sx={{
            display: "flex",
            alignItems: "center",
            gap: 1.5,
            border: 1,
            borderLeft: taken && one.named ? 4 : 1,
            borderColor: taken && one.named ? "primary.main" : "divider",
            borderRadius: 1,
            px: 1.25,
            py: 0.75,
            mb: 0.75,
            fontSize: 13,
          }}
        >
          <Box sx={{ flex: 1, minWidth: 0, overflowWrap: "anywhere" }}>{one.why}</Box>
          {!(taken && one.named) && (
            <Button
              variant="outlined"
              disabled={readOnly}
              aria-label={`Take ${one.items.map((i) => i.number).join(", ")} for it`}
              onClick={() =>
                change(
                  // what an explanation said of the money does not hold for this
                  { ...one.draft, entryVersion: entry.version },
                  new Map(one.items.map((i): [number, string] => [i.itemId, i.number])),
                )
              }
              sx={{ flexShrink: 0 }}
            >
              Take
            </Button>
          )}
        </Box>
      ))}
    </Box>
  );
}
