import { Box, Button } from "@mui/material";
import { useRef, useState, type ReactNode } from "react";
import { Link as RouterLink } from "react-router";
import { useBooks } from "../access/session";
import { useKeys } from "../frame/keys";
import { useSoon } from "../frame/useSoon";
import { FromUs } from "../treat/FromUs";
import type { Reason } from "../settle/words";
import { grouped, isNegative, isZero, zero } from "../shared/money";
import { Empty, Failed, Loading } from "../shared/States";
import { AccountPane } from "./AccountPane";
import { AccountSheet } from "./AccountSheet";
import { DeskDialogs, type Ask } from "./DeskDialogs";
import { DeskNotice, type Notice } from "./DeskNotice";
import { forPayer, taking, type Entry, type Item } from "./drafts";
import { HeldNotice } from "./HeldNotice";
import { useCustomer, useEntry, type Treat } from "./queries";
import { RateAsked } from "./RateAsked";
import { ReceiptPane } from "./ReceiptPane";
import { ReceiptTools } from "./ReceiptTools";
import { RemainderLine } from "./RemainderLine";
import { useDecisions } from "./useDecisions";
import { useWork } from "./useWork";

interface Props {
  /** The entry one works on; undefined where none is left or an account is asked for. */
  chosen: number | undefined;
  /** The customer whose account one works on instead. */
  accountAsked?: number;
  /** The entry so many places further on in the list, where there is one. */
  beside: (by: number) => number | undefined;
  go: (entryId: number) => void;
  /** To where nothing is chosen. */
  goHome: () => void;
  /** Keys of the list beside those of the work itself. */
  keys: Record<string, () => void>;
  /** The list one goes through, to the left. */
  list: ReactNode;
  /** What stands there where nothing is chosen. */
  nothing: ReactNode;
  /** What stands there for an entry that no longer waits. */
  done?: (entry: Entry) => ReactNode;
}

/** Where one decides: a list, the receipt, the account and the remainder line; one decision at a time. */
export function Workbench({ chosen, accountAsked, beside, go, goHome, keys, list, nothing, done }: Props) {
  const books = useBooks();
  const entry = useEntry(chosen);
  const [payers, setPayers] = useState<Record<number, number>>({});
  const [notice, say] = useState<Notice | null>(null);
  const [ask, setAsk] = useState<Ask | null>(null);
  const accountSearch = useRef<HTMLInputElement>(null);
  const refuse = (text: string) => say({ severity: "error", text });

  const detail = entry.data;
  const waiting = detail?.status === "WAITING";
  const work = useWork(
    accountAsked !== undefined
      ? { account: accountAsked }
      : detail && waiting
        ? { entry: detail }
        : undefined,
    refuse,
  );
  const { draft, preview, change } = work;
  const payer =
    accountAsked ??
    (detail
      ? (payers[detail.id] ??
        draft?.onAccountCustomerId ??
        detail.payerId ??
        detail.proposals[0]?.customerId ??
        undefined)
      : undefined);
  const account = useCustomer(payer);

  const numbers = new Map<number, string>(work.numbers);
  preview.data?.items.forEach((item) => numbers.set(item.itemId, item.number));
  detail?.proposals.forEach((p) => p.applications.forEach((a) => numbers.set(a.itemId, a.number)));
  account.data?.openItems.forEach((item) => numbers.set(item.id, item.number));
  // what a colleague settled meanwhile may still be in the draft
  account.data?.settledItems.forEach((item) => numbers.set(item.id, item.number));
  const numberOf = (id: number) => numbers.get(id) ?? `item ${id}`;

  const step = (by: number) => {
    const next = beside(by);
    if (next !== undefined) {
      go(next);
    }
  };
  const choosePayer = (customerId: number, item?: Item, foreign = false) => {
    if (!draft) {
      return;
    }
    if (detail) {
      setPayers((all) => ({ ...all, [detail.id]: customerId }));
    }
    const held = item && draft.applications.some((a) => a.itemId === item.id);
    const base = accountAsked === undefined && !foreign ? forPayer(draft, customerId) : draft;
    change(item && !held ? taking(base, item) : base, item ? new Map([[item.id, item.number]]) : undefined);
  };
  const take = (item: Item | undefined) => {
    if (draft && item && !draft.applications.some((a) => a.itemId === item.id)) {
      change(taking(draft, item));
    }
  };
  const takeNextOldest = useSoon(
    accountAsked ?? chosen,
    draft !== undefined && !account.isLoading && !entry.isLoading,
    () =>
      take(
        account.data?.openItems.find(
          (i) => i.kind !== "REFUND" && !draft?.applications.some((a) => a.itemId === i.id),
        ),
      ),
  );
  const drop = (itemId: number) => take(account.data?.openItems.find((i) => i.id === itemId));
  const treat = (kind: Treat, reason?: Reason) => void work.treat(kind, reason);
  const goOn = () => {
    const next = accountAsked === undefined ? (beside(1) ?? beside(-1)) : undefined;
    if (next === undefined) {
      goHome();
    } else {
      go(next);
    }
  };
  const decisions = useDecisions({
    work,
    entry: detail,
    say,
    goOn,
    go,
    handOver: () => setAsk("handOver"),
    lookAgain: () => {
      void entry.refetch();
      void account.refetch();
      void preview.refetch();
    },
  });

  const mayAsk = detail !== undefined && waiting && accountAsked === undefined && work.mayChange;
  // what a new invoice or an account is asked to explain
  const left =
    preview.data && !isZero(preview.data.tally.left) && !isNegative(preview.data.tally.left)
      ? preview.data.tally.left
      : detail?.amount;

  useKeys({
    j: () => step(1),
    k: () => step(-1),
    "1": () => work.chooseRank(1),
    "2": () => work.chooseRank(2),
    "3": () => work.chooseRank(3),
    "4": () => work.chooseRank(4),
    "5": () => work.chooseRank(5),
    "+": takeNextOldest,
    c: () => accountSearch.current?.focus(),
    r: () => document.querySelector<HTMLButtonElement>("#ways button:not(:disabled)")?.focus(),
    l: () => mayAsk && setAsk("paste"),
    n: () => mayAsk && payer !== undefined && setAsk("invoice"),
    a: () => mayAsk && setAsk("account"),
    s: () => mayAsk && setAsk("shelve"),
    u: () => void decisions.undo(),
    "Ctrl+Enter": () => void decisions.post(),
    ...keys,
  });

  const held = work.held && (
    <HeldNotice
      held={work.held}
      unsent={work.unsent}
      takeOver={work.takeOver}
      startOver={work.startOver}
      decide={(approved, note) => void decisions.decide(approved, note)}
    />
  );

  const shared = {
    preview: preview.data,
    numberOf,
    change,
    drop,
    readOnly: !work.mayChange,
    notice: held,
  };
  return (
    <Box sx={{ height: "100%", display: "flex", flexDirection: "column" }}>
      <Box sx={{ flex: 1, minHeight: 0, display: "flex" }}>
        {list}
        {accountAsked !== undefined ? (
          account.error ? (
            <Failed error={account.error} retry={() => void account.refetch()} />
          ) : account.data && draft ? (
            <AccountSheet
              {...shared}
              account={account.data}
              draft={draft}
              zero={preview.data?.tally.received ?? zero(books.currency)}
              say={refuse}
            />
          ) : (
            <Waits />
          )
        ) : chosen === undefined ? (
          nothing
        ) : entry.error ? (
          <Failed error={entry.error} retry={() => void entry.refetch()} />
        ) : detail && draft ? (
          <ReceiptPane
            {...shared}
            entry={detail}
            draft={draft}
            choose={work.chooseRank}
            named={work.named}
            goOn={goOn}
            asked={<RateAsked error={preview.error} mayChange={work.mayChange} />}
            tools={<ReceiptTools disabled={!mayAsk} withPayer={payer !== undefined} ask={setAsk} />}
          />
        ) : detail && !waiting ? (
          (done?.(detail) ?? <NoLongerWaits entry={detail} goHome={goHome} />)
        ) : (
          <Waits />
        )}
        {draft && (
          <AccountPane
            key={detail?.id ?? `account ${accountAsked}`}
            customerId={payer}
            draft={draft}
            change={change}
            choosePayer={choosePayer}
            searchField={accountSearch}
            received={preview.data?.tally.received ?? detail?.amount}
            readOnly={!work.mayChange}
          />
        )}
      </Box>
      {draft && (
        <RemainderLine
          preview={preview.data}
          error={preview.error}
          treat={treat}
          post={() => void decisions.post()}
          posting={decisions.posting}
          mayPost={work.mayChange}
          handOver={() => setAsk("handOver")}
        />
      )}
      <DeskDialogs
        ask={ask}
        close={() => setAsk(null)}
        draft={draft}
        preview={preview.data}
        entry={detail}
        payer={payer}
        left={left}
        change={change}
        shelve={(note, reason) => void decisions.shelve(note, reason)}
        handOver={work.handOver}
      />
      <DeskNotice notice={notice} undo={() => void decisions.undo()} putAway={() => say(null)} />
    </Box>
  );
}

function Waits() {
  return (
    <Box sx={{ flex: 1 }}>
      <Loading />
    </Box>
  );
}

function NoLongerWaits({ entry, goHome }: { entry: Entry; goHome: () => void }) {
  if (entry.status === "DEBIT") {
    return <FromUs debit={entry} done={goHome} />;
  }
  const [to, words] =
    entry.status === "SHELVED"
      ? ["/waiting/shelved", "See the shelf"]
      : entry.status === "BANKED"
        ? ["/pouch/deposits", "See the deposits"]
        : entry.status === "SOLD"
          ? ["/pouch/takings", "See what was sold"]
          : ["/posted/settlements", "See the settlements"];
  return (
    <Empty title={`${grouped(entry.amount)} from ${entry.payer} no longer waits`}>
      <Button component={RouterLink} to={to} variant="outlined">
        {words}
      </Button>
    </Empty>
  );
}
