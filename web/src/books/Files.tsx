import { Box, Button } from "@mui/material";

/** Buttons that save a file, by the ending of its name. */
export function Files({ of, name }: { of: [ending: string, address: string][]; name: string }) {
  return (
    <Box sx={{ display: "flex", gap: 1, ml: "auto" }}>
      {of.map(([ending, address]) => (
        <Button
          key={ending}
          component="a"
          href={address}
          variant="outlined"
          aria-label={`${name} as ${ending}`}
        >
          {ending}
        </Button>
      ))}
    </Box>
  );
}
