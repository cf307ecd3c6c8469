import { Autocomplete, TextField } from "@mui/material";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, data } from "../api/client";
import { useBooks } from "../access/session";

export interface Picked {
  id: number;
  name: string;
}

/** Finds a customer by what is typed of the name or number. */
export function CustomerPicker({
  label,
  picked,
  pick,
  autoFocus,
}: {
  label: string;
  picked: Picked | null;
  pick: (customer: Picked | null) => void;
  autoFocus?: boolean;
}) {
  const books = useBooks();
  const [q, setQ] = useState("");
  const found = useQuery({
    queryKey: ["lookup", books.company, "customers", q],
    placeholderData: keepPreviousData,
    queryFn: async () =>
      data(await api.GET("/api/customers", { params: { query: { company: books.company, q, limit: 12 } } }))
        .rows,
  });
  return (
    <Autocomplete<Picked>
      options={found.data ?? []}
      value={picked}
      onChange={(_, customer) => pick(customer && { id: customer.id, name: customer.name })}
      onInputChange={(_, text, reason) => reason === "input" && setQ(text.trim())}
      getOptionLabel={(customer) => customer.name}
      getOptionKey={(customer) => customer.id}
      isOptionEqualToValue={(a, b) => a.id === b.id}
      filterOptions={(all) => all}
      noOptionsText={found.isPending ? "Looking…" : "Nobody by that name or number"}
      renderInput={(props) => <TextField {...props} label={label} autoFocus={autoFocus} />}
      size="small"
      fullWidth
    />
  );
}
