import { Box, Checkbox, FormControlLabel } from "@mui/material";

interface Props<B> {
  /** What it can do wrong: the name, in a word, and what that means. */
  moods: [keyof B & string, string, string][];
  behaviour: B;
  disabled: boolean;
  set: (behaviour: B) => void;
}

/** How something simulated misbehaves from now on. */
export function Moods<B extends Record<string, boolean>>({ moods, behaviour, disabled, set }: Props<B>) {
  return (
    <Box component="fieldset" sx={{ border: 0, p: 0, m: 0, width: 420 }}>
      <Box component="legend" sx={{ fontWeight: 700, fontSize: 13, mb: 0.5 }}>
        How it misbehaves from now on
      </Box>
      {moods.map(([mood, word, means]) => (
        <FormControlLabel
          key={mood}
          sx={{ display: "flex", mr: 0, "& .MuiFormControlLabel-label": { fontSize: 13 } }}
          control={
            <Checkbox
              size="small"
              sx={{ py: 0.25 }}
              checked={behaviour[mood]}
              disabled={disabled}
              onChange={(event) => set({ ...behaviour, [mood]: event.target.checked })}
            />
          }
          label={
            <>
              {word}
              <Box component="span" sx={{ color: "text.secondary" }}>
                : {means}
              </Box>
            </>
          }
        />
      ))}
    </Box>
  );
}
