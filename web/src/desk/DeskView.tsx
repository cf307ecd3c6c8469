import { Box, Button } from "@mui/material";
import { useRef, useState } from "react";
import { Link as RouterLink, useNavigate, useParams } from "react-router";
import { useBooks } from "../access/session";
import { useKeys } from "../frame/keys";
import { useSoon } from "../frame/useSoon";
import { ViewActions } from "../frame/ViewActions";
import type { Reason } from "../settle/words";
import { grouped, isNegative, isZero } from "../shared/money";
import { Empty, Failed, Loading } from "../shared/States";
import type { Schemas } from "../api/client";
import { TakenBack } from "../settle/TakenBack";
import { useNoteMarks } from "../notes/queries";
import { AccountPane } from "./AccountPane";
import { AccountSheet } from "./AccountSheet";
import { DeskDialogs, type Ask } from "./DeskDialogs";
import { DeskNotice, type Notice } from "./DeskNotice";
import { forPayer, taking, type Entry, type Item } from "./drafts";
import { HeldNotice } from "./HeldNotice";
import { PostMany } from "./PostMany";
import { useApplicable, useCustomer, useDrafts, useEntry, type Treat } from "./queries";
import { Queue } from "./Queue";
import { ReceiptPane } from "./ReceiptPane";
import { ReceiptTools } from "./ReceiptTools";
import { RemainderLine } from "./RemainderLine";
import { useDecisions } from "./useDecisions";
import { useDeskQueue } from "./useDeskQueue";
import { useWork } from "./useWork";

const NO_MARKS: ReadonlyMap<string, Schemas["Mark"]> = new Map();

/** The desk: queue, receipt, account and remainder line; one decision at a time. */
export function DeskView() {
  const books = useBooks();
  const navigate = useNavigate();
  const params = useParams();
  const queue = useDeskQueue();
  const accountAsked = params.accountId ? Number(params.accountId) : undefined;
  const asked = params.entryId ? Number(params.entryId) : undefined;
  const chosen = accountAsked === undefined ? (asked ?? queue.rows[0]?.id) : undefined;
  const entry = useEntry(chosen);
  const drafts = useDrafts();
  const applicable = useApplicable();
  const marks = useNoteMarks();
  const [payers, setPayers] = useState<Record<number, number>>({});
  const [notice, say] = useState<Notice | null>(null);
  const [ask, setAsk] = useState<Ask | null>(null);
  const queueSearch = useRef<HTMLInputElement>(null);
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
  detail?.proposals.forEach((p) => p.applications.forEach((a) => numbers.set(a.itemId, a.number)));
  account.data?.openItems.forEach((item) => numbers.set(item.id, item.number));
  // what a colleague settled meanwhile may still be in the draft
  account.data?.settledItems.forEach((item) => numbers.set(item.id, item.number));
  const numberOf = (id: number) => numbers.get(id) ?? `item ${id}`;

  const go = (id: number) => void navigate(`/waiting/desk/${id}`);
  const prepareRun = () =>
    void navigate(
      "/posted/runs/new",
      queue.selected.size > 0 ? { state: { entries: [...queue.selected] } } : undefined,
    );
  const step = (by: number) => {
    const next = queue.beside(chosen, by);
    if (next !== undefined) {
      go(next);
    }
  };
  const choosePayer = (customerId: number, item?: Item) => {
    if (!draft) {
      return;
    }
    if (detail) {
      setPayers((all) => ({ ...all, [detail.id]: customerId }));
    }
    const held = item && draft.applications.some((a) => a.itemId === item.id);
    const base = accountAsked === undefined ? forPayer(draft, customerId) : draft;
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
  const decisions = useDecisions({
    work,
    entry: detail,
    say,
    goOn: () => {
      const next =
        accountAsked === undefined ? (queue.beside(chosen, 1) ?? queue.beside(chosen, -1)) : undefined;
      void navigate(next === undefined ? "/waiting/desk" : `/waiting/desk/${next}`);
    },
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
    x: () => chosen !== undefined && queue.toggle(chosen),
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
    p: () => books.mayPost && prepareRun(),
    u: () => void decisions.undo(),
    "/": () => queueSearch.current?.focus(),
    "Ctrl+Enter": () => void decisions.post(),
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

  if (queue.pending) {
    return <Loading rows={10} />;
  }
  if (queue.error) {
    return <Failed error={queue.error} retry={queue.retry} />;
  }
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
      <ViewActions>
        <PostMany
          group={queue.clearGroup}
          selected={queue.selected.size}
          disabled={!books.mayPost}
          prepare={prepareRun}
        />
      </ViewActions>
      <Box sx={{ flex: 1, minHeight: 0, display: "flex" }}>
        <Queue
          rows={queue.rows}
          groups={queue.groups}
          folded={queue.folded}
          unfold={queue.unfold}
          drafts={drafts.data ?? []}
          marks={marks.data ?? NO_MARKS}
          applicable={applicable.data ?? []}
          chosenAccount={accountAsked}
          chooseAccount={(id) => void navigate(`/waiting/desk/account/${id}`)}
          hasMore={queue.hasMore}
          loadMore={queue.loadMore}
          chosen={chosen}
          choose={go}
          selected={queue.selected}
          toggle={queue.toggle}
          q={queue.q}
          search={queue.search}
          searchField={queueSearch}
        />
        {accountAsked !== undefined ? (
          account.error ? (
            <Failed error={account.error} retry={() => void account.refetch()} />
          ) : account.data && draft ? (
            <AccountSheet
              {...shared}
              account={account.data}
              draft={draft}
              zero={preview.data?.tally.received ?? { amount: "0.00", currency: books.currency }}
              say={refuse}
            />
          ) : (
            <Waits />
          )
        ) : chosen === undefined ? (
          <NothingWaits searching={queue.q !== ""} />
        ) : entry.error ? (
          <Failed error={entry.error} retry={() => void entry.refetch()} />
        ) : detail && draft ? (
          <ReceiptPane
            {...shared}
            entry={detail}
            draft={draft}
            choose={work.chooseRank}
            tools={<ReceiptTools disabled={!mayAsk} withPayer={payer !== undefined} ask={setAsk} />}
          />
        ) : detail && !waiting ? (
          <NoLongerWaits entry={detail} />
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

function NoLongerWaits({ entry }: { entry: Entry }) {
  if (entry.status === "DEBIT") {
    return <TakenBack debit={entry} />;
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

function NothingWaits({ searching }: { searching: boolean }) {
  return searching ? (
    <Empty title="Nothing that waits fits this search">
      Search for a payer, a word of the bank&apos;s text or an amount.
    </Empty>
  ) : (
    <Empty title="Nothing waits">
      <Box sx={{ mb: 2 }}>Every credit that arrived is explained. New ones come with the next statement.</Box>
      <Button component={RouterLink} to="/arrived/intake" variant="outlined">
        Take in a statement
      </Button>
    </Empty>
  );
}
