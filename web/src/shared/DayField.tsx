import { TextField } from "@mui/material";

interface Props {
  label: string;
  /** ISO; empty where none is chosen. */
  value: string;
  set: (day: string) => void;
  max?: string;
}

/** A day, typed or picked as the system does it. */
export function DayField({ label, value, set, max }: Props) {
  return (
    <TextField
      type="date"
      label={label}
      value={value}
      onChange={(event) => set(event.target.value)}
      slotProps={{ inputLabel: { shrink: true }, htmlInput: { max } }}
      sx={{ width: 150 }}
    />
  );
}
