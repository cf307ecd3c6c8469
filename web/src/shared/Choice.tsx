import { TextField } from "@mui/material";

interface Props {
  label: string;
  value: string;
  options: [string, string][];
  choose: (value: string) => void;
  disabled?: boolean;
  /** Whether the label stands above it; else only screen readers are told. */
  shown?: boolean;
}

/** A short list to choose from, as the system draws it: quick by keyboard. */
export function Choice({ label, value, options, choose, disabled, shown }: Props) {
  return (
    <TextField
      select
      value={value}
      disabled={disabled}
      label={shown ? label : undefined}
      onChange={(event) => choose(event.target.value)}
      variant={shown ? "outlined" : "standard"}
      fullWidth={shown}
      slotProps={{
        select: { native: true },
        inputLabel: { shrink: true },
        htmlInput: {
          "aria-label": label,
          style: shown ? undefined : { padding: "0 20px 0 0", fontSize: 13 },
        },
      }}
    >
      {options.map(([key, words]) => (
        <option key={key} value={key}>
          {words}
        </option>
      ))}
    </TextField>
  );
}
