import { Button, TextField } from "@mui/material";
import { useDeferredValue, useState } from "react";
import { grouped } from "../shared/money";
import { Answers } from "./Answers";
import { useOpenItems, type Item, type Kind } from "./queries";

interface Props {
  item: Item;
  belongsTo: (kind: Kind, target?: number) => void;
}

/** What else an item may belong to than was found: an open item that is looked for, or nothing. */
export function Otherwise({ item, belongsTo }: Props) {
  if (item.concerns && (item.join.kind === "SALE" || item.join.kind === "REOPEN")) {
    const reopens = item.join.kind === "REOPEN";
    return (
      <Answers sentence={`Its sale paid ${item.concerns.name}.`}>
        {item.type === "CHARGEBACK" && (
          <Button
            variant="outlined"
            onClick={() => belongsTo(reopens ? "SALE" : "REOPEN", item.join.target ?? undefined)}
          >
            {reopens ? "Make it a claim" : `Open ${item.concerns.name} again`}
          </Button>
        )}
        <Button variant="outlined" onClick={() => belongsTo("LOOSE")}>
          It is of no known sale
        </Button>
      </Answers>
    );
  }
  return <Looked item={item} belongsTo={belongsTo} />;
}

const MOST = 6;

function Looked({ item, belongsTo }: Props) {
  const [typed, setTyped] = useState("");
  const wanted = useDeferredValue(typed.trim());
  const found = useOpenItems(wanted);
  const sale = item.type === "SALE";
  const rows = (found.data ?? []).filter((one) => one.kind === (sale ? "INVOICE" : "CREDIT_NOTE"));
  return (
    <Answers sentence={sale ? "Which invoice does it pay?" : "Which credit note does it pay out?"}>
      <TextField
        label="Number, customer or amount"
        value={typed}
        autoFocus
        onChange={(event) => setTyped(event.target.value)}
        sx={{ width: 220 }}
      />
      {rows.slice(0, MOST).map((one) => (
        <Button key={one.id} variant="outlined" onClick={() => belongsTo("INVOICE", one.id)}>
          {one.number}, {one.customerName}, {grouped(one.open)} open
        </Button>
      ))}
      {wanted !== "" && found.data && rows.length === 0 && <span>Nothing open fits.</span>}
      {found.error && <span role="alert">{found.error.message}</span>}
      <Button variant="outlined" onClick={() => belongsTo(sale ? "NEW" : "LOOSE")}>
        {sale ? "It is a new sale" : "It is of no known sale"}
      </Button>
    </Answers>
  );
}
