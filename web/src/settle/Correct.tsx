import {
  Button,
  Menu,
  MenuItem,
  Radio,
  RadioGroup,
  FormControlLabel,
  TextField,
  Typography,
} from "@mui/material";
import { useState } from "react";
import { useNavigate } from "react-router";
import { AskDialog } from "../shared/AskDialog";
import { CustomerPicker, type Picked } from "../shared/CustomerPicker";
import { grouped } from "../shared/money";
import { useMove, useRedo, useTakeBack, type Settlement } from "./queries";
import { ReturnDialog, type Returned } from "./ReturnDialog";

type Which = "redo" | "one" | "move" | "return";

/** The ways to put right what is posted and wrong, each one step. */
export function Correct({ settlement: s, disabled }: { settlement: Settlement; disabled: boolean }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [asked, setAsked] = useState<Which | null>(null);
  const ask = (which: Which) => {
    setAnchor(null);
    setAsked(which);
  };
  const close = () => setAsked(null);
  return (
    <>
      <Button
        color="inherit"
        disabled={disabled}
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        Correct…
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        <MenuItem onClick={() => ask("redo")}>Reverse and redo</MenuItem>
        {s.applications.length > 0 && (
          <MenuItem onClick={() => ask("one")}>
            {s.applications.length === 1
              ? `Take ${s.applications[0]?.number} back`
              : `Take one of ${s.applications.length} back`}
          </MenuItem>
        )}
        {s.entryId && <MenuItem onClick={() => ask("move")}>Move to another customer</MenuItem>}
        {s.entryId && <MenuItem onClick={() => ask("return")}>Returned by the bank</MenuItem>}
      </Menu>
      {asked === "redo" && <RedoDialog settlement={s} close={close} />}
      {asked === "one" && <TakeBackDialog settlement={s} close={close} />}
      {asked === "move" && <MoveDialog settlement={s} close={close} />}
      {asked === "return" && <ReturnDialog receipt={returned(s)} close={close} />}
    </>
  );
}

function returned(s: Settlement): Returned {
  return {
    entryId: s.entryId ?? 0,
    received: s.received,
    payer: s.payer,
    receivedOn: s.receivedOn,
    owners: [...new Map(s.applications.map((a) => [a.customerId, a.customerName]))],
  };
}

/** The word why, which every correction keeps. */
export function Why({
  why,
  setWhy,
  go,
  autoFocus,
}: {
  why: string;
  setWhy: (why: string) => void;
  go: () => void;
  autoFocus?: boolean;
}) {
  return (
    <TextField
      label="Why"
      fullWidth
      autoFocus={autoFocus}
      value={why}
      onChange={(event) => setWhy(event.target.value)}
      onKeyDown={(event) => event.key === "Enter" && go()}
      slotProps={{ htmlInput: { maxLength: 400 } }}
      sx={{ mt: 2 }}
    />
  );
}

function RedoDialog({ settlement: s, close }: { settlement: Settlement; close: () => void }) {
  const redo = useRedo(s.id);
  const navigate = useNavigate();
  const [why, setWhy] = useState("");
  const ready = why.trim() !== "" && !redo.isPending;
  const go = () => {
    if (ready) {
      redo.mutate(why.trim(), {
        onSuccess: ({ draft }) => {
          const [kind, id] = draft.split("-");
          void navigate(kind === "entry" ? `/waiting/desk/${id}` : `/waiting/desk/account/${id}`);
        },
      });
    }
  };
  return (
    <AskDialog
      title={`Reverse and redo ${grouped(s.received)} from ${s.payer}`}
      error={redo.error}
      doing="Reverse and redo"
      ready={ready}
      go={go}
      close={close}
      leave="Keep it"
    >
      <Typography>
        Every balance goes back to what it was, and the same stands at the desk as your draft, to be changed
        and posted again.
      </Typography>
      <Why why={why} setWhy={setWhy} go={go} autoFocus />
    </AskDialog>
  );
}

function TakeBackDialog({ settlement: s, close }: { settlement: Settlement; close: () => void }) {
  const takeBack = useTakeBack(s.id);
  const [itemId, setItemId] = useState<number | null>(
    s.applications.length === 1 ? (s.applications[0]?.itemId ?? null) : null,
  );
  const [why, setWhy] = useState("");
  const chosen = s.applications.find((a) => a.itemId === itemId);
  const ready = chosen !== undefined && why.trim() !== "" && !takeBack.isPending;
  const go = () => {
    if (ready && itemId !== null) {
      takeBack.mutate({ itemId, reason: why.trim() }, { onSuccess: close });
    }
  };
  return (
    <AskDialog
      title={`Take one back of ${grouped(s.received)} from ${s.payer}`}
      error={takeBack.error}
      doing={chosen ? `Take ${chosen.number} back` : "Take it back"}
      ready={ready}
      go={go}
      close={close}
      leave="Keep it"
    >
      <Typography sx={{ mb: 1 }}>
        The item is open again as before; its money stays on account, everything else stays as it is.
      </Typography>
      <RadioGroup
        aria-label="Which one"
        value={itemId ?? ""}
        onChange={(event) => setItemId(Number(event.target.value))}
        sx={{ maxHeight: 300, overflow: "auto", flexWrap: "nowrap" }}
      >
        {s.applications.map((a) => (
          <FormControlLabel
            key={a.itemId}
            value={a.itemId}
            control={<Radio size="small" sx={{ py: 0.25 }} />}
            label={
              <>
                <span className="figure">{a.number}</span> {a.customerName},{" "}
                <span className="figure">{grouped(a.amount)}</span>
              </>
            }
          />
        ))}
      </RadioGroup>
      <Why why={why} setWhy={setWhy} go={go} />
    </AskDialog>
  );
}

function MoveDialog({ settlement: s, close }: { settlement: Settlement; close: () => void }) {
  const move = useMove(s.id);
  const [to, setTo] = useState<Picked | null>(null);
  const [why, setWhy] = useState("");
  const ready = to !== null && why.trim() !== "" && !move.isPending;
  const go = () => {
    if (ready) {
      move.mutate({ customerId: to.id, reason: why.trim() }, { onSuccess: close });
    }
  };
  return (
    <AskDialog
      title={`Move ${grouped(s.received)} from ${s.payer}`}
      error={move.error}
      doing={to ? `Move to ${to.name}` : "Move"}
      ready={ready}
      go={go}
      close={close}
      leave="Keep it"
    >
      <Typography sx={{ mb: 2 }}>
        What it paid is open again, and the whole receipt stands on the other customer&apos;s account, to be
        applied there.
      </Typography>
      <CustomerPicker label="To which customer" picked={to} pick={setTo} autoFocus />
      <Why why={why} setWhy={setWhy} go={go} />
    </AskDialog>
  );
}
