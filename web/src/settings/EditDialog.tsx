import { FormControlLabel, Checkbox, TextField } from "@mui/material";
import { useState } from "react";
import { AskDialog } from "../shared/AskDialog";
import { Choice } from "../shared/Choice";

export interface Field {
  name: string;
  label: string;
  value: string;
  hint?: string;
  /** What may be chosen; without it the field is typed. */
  options?: [string, string][];
  /** Ticked or not: "true" or "false". */
  tick?: boolean;
  optional?: boolean;
  /** Not to be read by whoever looks over a shoulder. */
  secret?: boolean;
}

interface Props {
  title: string;
  fields: Field[];
  doing: string;
  error: Error | null;
  busy: boolean;
  save: (values: Record<string, string>) => void;
  close: () => void;
}

/** Fields of one setting, to be changed together. */
export function EditDialog({ title, fields, doing, error, busy, save, close }: Props) {
  const [values, setValues] = useState(() => Object.fromEntries(fields.map((f) => [f.name, f.value])));
  const set = (name: string, value: string) => setValues({ ...values, [name]: value });
  const ready = fields.every((f) => f.optional || (values[f.name] ?? "").trim() !== "");
  return (
    <AskDialog
      title={title}
      doing={doing}
      error={error}
      ready={ready && !busy}
      go={() => save(values)}
      close={close}
    >
      {fields.map((field, n) =>
        field.tick ? (
          <FormControlLabel
            key={field.name}
            control={
              <Checkbox
                checked={values[field.name] === "true"}
                onChange={(event) => set(field.name, String(event.target.checked))}
              />
            }
            label={field.label}
          />
        ) : field.options ? (
          <Choice
            key={field.name}
            shown
            label={field.label}
            value={values[field.name] ?? ""}
            options={field.options}
            choose={(value) => set(field.name, value)}
          />
        ) : (
          <TextField
            key={field.name}
            label={field.label}
            value={values[field.name] ?? ""}
            autoFocus={n === 0}
            fullWidth
            helperText={field.hint}
            type={field.secret ? "password" : "text"}
            autoComplete={field.secret ? "new-password" : "off"}
            onChange={(event) => set(field.name, event.target.value)}
            sx={{ my: 1 }}
          />
        ),
      )}
    </AskDialog>
  );
}
