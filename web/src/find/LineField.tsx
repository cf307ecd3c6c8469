import { Autocomplete, Box, TextField } from "@mui/material";
import { useDeferredValue, useState, type RefObject } from "react";
import { useSuggestions } from "./queries";

interface Props {
  label: string;
  q: string;
  search: (q: string) => void;
  field?: RefObject<HTMLInputElement | null>;
  width?: number | string;
  autoFocus?: boolean;
}

/** The search line with suggestions of how it may go on. */
export function LineField({ label, q, search, field, width = 320, autoFocus }: Props) {
  const [here, setHere] = useState(false);
  const typed = useDeferredValue(q);
  const suggestions = useSuggestions(typed, here);
  const options = typed.trim().length > 1 && !typed.endsWith(" ") ? (suggestions.data ?? []) : [];
  return (
    <Autocomplete
      freeSolo
      disableClearable
      options={options}
      filterOptions={(all) => all}
      getOptionLabel={(option) => (typeof option === "string" ? option : option.line)}
      inputValue={q}
      onInputChange={(_, text, reason) => {
        if (reason === "input" || reason === "clear" || reason === "selectOption") {
          // a key is completed to be gone on with, anything else ends a word
          search(reason === "selectOption" && !text.endsWith(":") ? `${text} ` : text);
        }
      }}
      onFocus={() => setHere(true)}
      onBlur={() => setHere(false)}
      renderOption={({ key, ...props }, option) => (
        <Box component="li" key={key} {...props} sx={{ display: "flex", gap: 1.5, fontSize: 13.5 }}>
          <span className="figure">{option.line}</span>
          <Box component="span" sx={{ color: "text.secondary", ml: "auto" }}>
            {option.says}
          </Box>
        </Box>
      )}
      renderInput={(props) => (
        <TextField
          {...props}
          placeholder={label}
          autoFocus={autoFocus}
          inputRef={field}
          slotProps={{
            ...props.slotProps,
            htmlInput: { ...props.slotProps.htmlInput, "aria-label": label, maxLength: 400 },
          }}
        />
      )}
      sx={{ width }}
      slotProps={{ popper: { sx: { minWidth: 420 } } }}
    />
  );
}
