import { TextField } from "@mui/material";

interface Props {
  label: string;
  /** What it is called where the label alone is not enough: one of several alike. */
  named?: string;
  text: string;
  type: (text: string) => void;
  valid: boolean;
  /** Why it is not valid, or what it comes to. */
  says?: string;
  /** What a blank field stands for. */
  hint?: string;
  /** Called when one leaves the field or presses Enter. */
  settle?: () => void;
  disabled?: boolean;
  /** Without a frame, among other figures; its label is only for screen readers. */
  slim?: boolean;
  strong?: boolean;
  width?: number;
  autoFocus?: boolean;
}

/** An amount or another figure that is typed: to the right, in even digits, chosen whole when one comes to it. */
export function FigureField(props: Props) {
  const { label, text, valid, settle, slim, strong, width } = props;
  return (
    <TextField
      label={slim ? undefined : label}
      value={text}
      disabled={props.disabled}
      autoFocus={props.autoFocus}
      error={!valid}
      helperText={props.says}
      placeholder={props.hint}
      variant={slim ? "standard" : "outlined"}
      onChange={(event) => props.type(event.target.value)}
      onFocus={(event) => event.target.select()}
      onBlur={settle}
      onKeyDown={(event) => event.key === "Enter" && settle?.()}
      sx={{ width }}
      slotProps={{
        inputLabel: { shrink: props.hint !== undefined || undefined },
        htmlInput: {
          "aria-label": props.named ?? label,
          className: "figure",
          style: {
            textAlign: "right",
            ...(slim && { padding: 0, fontSize: 13 }),
            ...(strong && { fontWeight: 700 }),
          },
        },
      }}
    />
  );
}
