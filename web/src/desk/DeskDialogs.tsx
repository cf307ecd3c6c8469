import { grouped } from "../shared/money";
import type { Money } from "../api/client";
import { AskWords } from "./AskWords";
import type { Draft, Entry, Preview } from "./drafts";
import { NewInvoice } from "./NewInvoice";
import { PasteList } from "./PasteList";
import { SHELVED } from "./shelving";
import { ToAccount } from "./ToAccount";

/** What the desk can ask for in the middle of the work. */
export type Ask = "paste" | "account" | "invoice" | "shelve" | "handOver";

interface Props {
  ask: Ask | null;
  close: () => void;
  draft: Draft | undefined;
  preview: Preview | undefined;
  entry: Entry | undefined;
  payer: number | undefined;
  /** What is still to be explained. */
  left: Money | undefined;
  change: (draft: Draft, numbers?: ReadonlyMap<number, string>) => void;
  shelve: (note: string, reason: string) => void;
  handOver: (note: string) => void;
}

/** The one question that is open at the desk, if there is one. */
export function DeskDialogs(props: Props) {
  const { ask, close, draft, preview, entry, payer, left, change } = props;
  if (ask === "paste" && draft) {
    return <PasteList draft={draft} customerId={payer} change={change} close={close} />;
  }
  if (ask === "account" && draft && left) {
    return <ToAccount draft={draft} left={left} change={change} close={close} />;
  }
  if (ask === "invoice" && draft && entry && left && payer !== undefined) {
    return (
      <NewInvoice
        draft={draft}
        customerId={payer}
        like={left}
        on={entry.bookedOn}
        change={change}
        close={close}
      />
    );
  }
  if (ask === "shelve" && entry) {
    return (
      <AskWords
        title={`Shelve ${grouped(entry.amount)} from ${entry.payer}`}
        explains="It is set aside, stays in every total, and can be taken back at any time."
        label="Note"
        doing="Shelve it"
        reasons={Object.entries(SHELVED)}
        act={props.shelve}
        close={close}
      />
    );
  }
  if (ask === "handOver") {
    return (
      <AskWords
        title="Hand over to a supervisor"
        explains={preview?.refusal ?? "This is above your own limit."}
        label="Note"
        doing="Hand over"
        act={props.handOver}
        close={close}
      />
    );
  }
  return null;
}
