import { Alert, Box, Button, Snackbar } from "@mui/material";
import { useMemo, useRef, useState } from "react";
import { Link as RouterLink, useNavigate, useParams } from "react-router";
import { api, type Schemas } from "../api/client";
import { useBooks } from "../access/session";
import { useKeys } from "../frame/keys";
import { ViewActions } from "../frame/ViewActions";
import type { Reason } from "../settle/words";
import { count } from "../shared/dates";
import { grouped, isNegative, isZero } from "../shared/money";
import { Empty, Failed, Loading } from "../shared/States";
import type { Standing } from "../tally/StandingGlyph";
import { AccountPane } from "./AccountPane";
import { AccountSheet } from "./AccountSheet";
import { AskWords } from "./AskWords";
import { forPayer, taking, type Item } from "./drafts";
import { HeldNotice } from "./HeldNotice";
import { NewInvoice } from "./NewInvoice";
import { PasteList } from "./PasteList";
import { PostAllClear } from "./PostAllClear";
import {
  useApplicable,
  useCustomer,
  useDrafts,
  useEntry,
  usePost,
  useQueue,
  useRefresh,
  useReverse,
  type Treat,
} from "./queries";
import { Queue } from "./Queue";
import { ReceiptPane } from "./ReceiptPane";
import { RemainderLine } from "./RemainderLine";
import { SHELVED } from "./shelving";
import { ToAccount } from "./ToAccount";
import { useWork } from "./useWork";

interface Notice {
  severity: "success" | "error" | "info";
  text: string;
  undo?: number;
}

const CLEAR: Standing[] = ["CLEAR"];
const NOT_CLEAR: Standing[] = ["TORN", "LEANING", "BLANK"];

/** The rest of the clear entries is folded away; they are posted together as a rule. */
const CLEAR_SHOWN = 3;

function words(settlement: Schemas["SettlementView"]): string {
  const debit = settlement.lines
    .filter((l) => l.debit)
    .map((l) => `${l.account} ${l.debit ? grouped(l.debit) : ""}`);
  const credit = settlement.lines
    .filter((l) => l.credit)
    .map((l) => `${l.account} ${l.credit ? grouped(l.credit) : ""}`);
  return `Posted ${grouped(settlement.received)} from ${settlement.payer}: ${debit.join(", ")} to ${credit.join(", ")}.`;
}

type Ask = "paste" | "account" | "invoice" | "shelve" | "handOver";

/** The desk: queue, receipt, account and remainder line; one decision at a time. */
export function DeskView() {
  const books = useBooks();
  const navigate = useNavigate();
  const params = useParams();
  const [q, setQ] = useState("");
  const [unfolded, setUnfolded] = useState(false);
  const clear = useQueue(q, CLEAR);
  const queue = useQueue(q, NOT_CLEAR);
  const clearRows = useMemo(() => clear.data?.pages.flatMap((page) => page.rows) ?? [], [clear.data]);
  const groups = [...(clear.data?.pages[0]?.standings ?? []), ...(queue.data?.pages[0]?.standings ?? [])];
  const clearCount = groups.filter((g) => g.standing === "CLEAR").reduce((sum, g) => sum + g.count, 0);
  const shownClear = unfolded || q ? clearRows : clearRows.slice(0, CLEAR_SHOWN);
  const rows = [...shownClear, ...(queue.data?.pages.flatMap((page) => page.rows) ?? [])];
  const accountAsked = params.accountId ? Number(params.accountId) : undefined;
  const asked = params.entryId ? Number(params.entryId) : undefined;
  const chosen = accountAsked === undefined ? (asked ?? rows[0]?.id) : undefined;
  const entry = useEntry(chosen);
  const drafts = useDrafts();
  const applicable = useApplicable();
  const [payers, setPayers] = useState<Record<number, number>>({});
  const [selected, setSelected] = useState<ReadonlySet<number>>(new Set());
  const [notice, setNotice] = useState<Notice | null>(null);
  const [clearOpen, setClearOpen] = useState(false);
  const [ask, setAsk] = useState<Ask | null>(null);
  const queueSearch = useRef<HTMLInputElement>(null);
  const accountSearch = useRef<HTMLInputElement>(null);
  const say = (text: string) => setNotice({ severity: "error", text });

  const detail = entry.data;
  const waiting = detail?.status === "WAITING";
  const work = useWork(
    accountAsked !== undefined
      ? { account: accountAsked }
      : detail && waiting
        ? { entry: detail }
        : undefined,
    say,
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
  const post = usePost();
  const reverse = useReverse();
  const refresh = useRefresh();

  const numbers = new Map<number, string>(work.numbers);
  detail?.proposals.forEach((p) => p.applications.forEach((a) => numbers.set(a.itemId, a.number)));
  account.data?.openItems.forEach((item) => numbers.set(item.id, item.number));
  const numberOf = (id: number) => numbers.get(id) ?? `item ${id}`;

  const go = (id: number) => void navigate(`/waiting/desk/${id}`);
  const step = (by: number) => {
    const next = rows[rows.findIndex((row) => row.id === chosen) + by];
    if (next) {
      go(next.id);
    }
  };
  const toggle = (id: number) =>
    setSelected((before) => {
      const after = new Set(before);
      if (!after.delete(id)) {
        after.add(id);
      }
      return after;
    });
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
  const takeNextOldest = () =>
    take(
      account.data?.openItems.find(
        (i) => i.kind !== "REFUND" && !draft?.applications.some((a) => a.itemId === i.id),
      ),
    );
  const drop = (itemId: number) => take(account.data?.openItems.find((i) => i.id === itemId));
  const treat = (kind: Treat, reason?: Reason) => void work.treat(kind, reason);
  const afterwards = () => {
    const at = rows.findIndex((row) => row.id === chosen);
    const next = accountAsked === undefined ? (rows[at + 1] ?? rows[at - 1]) : undefined;
    if (next) {
      go(next.id);
    } else {
      void navigate("/waiting/desk");
    }
  };
  const postDraft = async () => {
    const counted = !preview.isPlaceholderData ? preview.data : undefined;
    if (!draft || post.isPending || !work.mayChange) {
      return;
    }
    if (counted?.needsApproval) {
      setAsk("handOver");
      return;
    }
    // what is not counted yet is sent all the same: whoever types fast loses no key, and the server refuses what is wrong
    if (counted?.refusal) {
      return;
    }
    try {
      await work.stopKeeping();
      const settlement = await post.mutateAsync(draft);
      work.posted();
      setNotice({ severity: "success", text: words(settlement), undo: settlement.id });
      afterwards();
    } catch (error) {
      // a refused draft keeps everything that was typed; what changed underneath is fetched anew
      say((error as Error).message);
      void entry.refetch();
      void account.refetch();
      void preview.refetch();
    }
  };
  const decide = async (approved: boolean, note: string) => {
    if (await work.decide(approved, note)) {
      setNotice({
        severity: "info",
        text: approved ? "Approved and posted." : `Returned to ${work.held?.by ?? "the clerk"}.`,
      });
      if (approved) {
        work.posted();
        afterwards();
      }
    }
  };
  const shelve = async (note: string, reason: string) => {
    if (!detail) {
      return;
    }
    try {
      await work.stopKeeping();
      await api.POST("/api/entries/{id}/shelving", {
        params: { path: { id: detail.id } },
        body: { reason: reason as Schemas["Shelve"]["reason"], note },
      });
      setNotice({
        severity: "info",
        text: `Shelved ${grouped(detail.amount)} from ${detail.payer}. It can be taken back under Shelved.`,
      });
      afterwards();
      void refresh();
    } catch (error) {
      say((error as Error).message);
    }
  };
  const undo = async () => {
    if (!notice?.undo || reverse.isPending) {
      return;
    }
    try {
      const settlement = await reverse.mutateAsync({ id: notice.undo, reason: "Undone at the desk" });
      setNotice({
        severity: "info",
        text: `Reversed: ${grouped(settlement.received)} from ${settlement.payer}.`,
      });
      if (settlement.entryId) {
        go(settlement.entryId);
      }
    } catch (error) {
      setNotice({ severity: "error", text: (error as Error).message });
    }
  };
  const clearPosted = (result: Schemas["ClearResults"]) => {
    setSelected(new Set());
    const refused = result.results.find((r) => r.refusal);
    setNotice({
      severity: result.refused > 0 ? "error" : "success",
      text:
        `Posted ${count(result.posted, "entry", "entries")}.` +
        (refused
          ? ` ${result.refused} not: ${refused.refusal ?? ""}`
          : " Each can be reversed under Settlements."),
    });
    void navigate("/waiting/desk");
  };

  const mayAsk = detail !== undefined && waiting && accountAsked === undefined && work.mayChange;
  // what a new invoice or an account is asked to explain
  const left =
    preview.data && !isZero(preview.data.tally.left) && !isNegative(preview.data.tally.left)
      ? preview.data.tally.left
      : detail?.amount;

  useKeys({
    j: () => step(1),
    k: () => step(-1),
    x: () => chosen !== undefined && toggle(chosen),
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
    p: () => books.mayPost && setClearOpen(true),
    u: () => void undo(),
    "/": () => queueSearch.current?.focus(),
    "Ctrl+Enter": () => void postDraft(),
  });

  const held = work.held && (
    <HeldNotice
      held={work.held}
      takeOver={work.takeOver}
      startOver={work.startOver}
      decide={(approved, note) => void decide(approved, note)}
    />
  );

  if (queue.isPending || clear.isPending) {
    return <Loading rows={10} />;
  }
  if (queue.error && !queue.data) {
    return <Failed error={queue.error} retry={() => void queue.refetch()} />;
  }
  return (
    <Box sx={{ height: "100%", display: "flex", flexDirection: "column" }}>
      <ViewActions>
        <PostAllClear
          group={groups.find((g) => g.standing === "CLEAR")}
          selected={selected}
          open={clearOpen}
          setOpen={setClearOpen}
          posted={clearPosted}
        />
      </ViewActions>
      <Box sx={{ flex: 1, minHeight: 0, display: "flex" }}>
        <Queue
          rows={rows}
          groups={groups}
          folded={clearCount - shownClear.length}
          unfold={() => (unfolded || q ? void clear.fetchNextPage() : setUnfolded(true))}
          drafts={drafts.data ?? []}
          applicable={applicable.data ?? []}
          chosenAccount={accountAsked}
          chooseAccount={(id) => void navigate(`/waiting/desk/account/${id}`)}
          hasMore={queue.hasNextPage}
          loadMore={() => void queue.fetchNextPage()}
          chosen={chosen}
          choose={go}
          selected={selected}
          toggle={toggle}
          q={q}
          search={setQ}
          searchField={queueSearch}
        />
        {accountAsked !== undefined ? (
          account.error ? (
            <Failed error={account.error} retry={() => void account.refetch()} />
          ) : !account.data || !draft ? (
            <Box sx={{ flex: 1 }}>
              <Loading />
            </Box>
          ) : (
            <AccountSheet
              account={account.data}
              draft={draft}
              preview={preview.data}
              zero={preview.data?.tally.received ?? { amount: "0.00", currency: books.currency }}
              numberOf={numberOf}
              change={change}
              drop={drop}
              readOnly={!work.mayChange}
              notice={held}
              say={say}
            />
          )
        ) : chosen === undefined ? (
          <NothingWaits searching={q !== ""} />
        ) : entry.error ? (
          <Failed error={entry.error} retry={() => void entry.refetch()} />
        ) : !detail || (waiting && !draft) ? (
          <Box sx={{ flex: 1 }}>
            <Loading />
          </Box>
        ) : draft ? (
          <ReceiptPane
            entry={detail}
            draft={draft}
            preview={preview.data}
            numberOf={numberOf}
            choose={work.chooseRank}
            change={change}
            drop={drop}
            readOnly={!work.mayChange}
            notice={held}
            tools={<Tools disabled={!mayAsk} withPayer={payer !== undefined} ask={setAsk} />}
          />
        ) : (
          <Empty title={`${grouped(detail.amount)} from ${detail.payer} no longer waits`}>
            <Button
              component={RouterLink}
              to={detail.status === "SHELVED" ? "/waiting/shelved" : "/posted/settlements"}
              variant="outlined"
            >
              {detail.status === "SHELVED" ? "See the shelf" : "See the settlements"}
            </Button>
          </Empty>
        )}
        {draft && (
          <AccountPane
            key={detail?.id ?? `account ${accountAsked}`}
            customerId={payer}
            draft={draft}
            change={change}
            choosePayer={choosePayer}
            searchField={accountSearch}
            readOnly={!work.mayChange}
          />
        )}
      </Box>
      {draft && (
        <RemainderLine
          preview={preview.data}
          error={preview.error}
          treat={treat}
          post={() => void postDraft()}
          posting={post.isPending}
          mayPost={work.mayChange}
          handOver={() => setAsk("handOver")}
        />
      )}
      {ask === "paste" && draft && (
        <PasteList draft={draft} customerId={payer} change={change} close={() => setAsk(null)} />
      )}
      {ask === "account" && draft && left && (
        <ToAccount draft={draft} left={left} change={change} close={() => setAsk(null)} />
      )}
      {ask === "invoice" && draft && detail && left && payer !== undefined && (
        <NewInvoice
          draft={draft}
          customerId={payer}
          like={left}
          on={detail.bookedOn}
          change={change}
          close={() => setAsk(null)}
        />
      )}
      {ask === "shelve" && detail && (
        <AskWords
          title={`Shelve ${grouped(detail.amount)} from ${detail.payer}`}
          explains="It is set aside, stays in every total, and can be taken back at any time."
          label="Note"
          doing="Shelve it"
          reasons={Object.entries(SHELVED)}
          act={(note, reason) => void shelve(note, reason)}
          close={() => setAsk(null)}
        />
      )}
      {ask === "handOver" && (
        <AskWords
          title="Hand over to a supervisor"
          explains={preview.data?.refusal ?? "This is above your own limit."}
          label="Note"
          doing="Hand over"
          act={(note) => work.handOver(note)}
          close={() => setAsk(null)}
        />
      )}
      <Snackbar
        open={notice !== null}
        autoHideDuration={notice?.severity === "error" ? null : 12_000}
        onClose={(_, reason) => reason !== "clickaway" && setNotice((n) => (n?.undo ? n : null))}
        anchorOrigin={{ vertical: "bottom", horizontal: "center" }}
        sx={{ mb: 8, zIndex: (theme) => theme.zIndex.modal - 1 }}
      >
        <Alert
          severity={notice?.severity === "error" ? "error" : "info"}
          icon={false}
          role={notice?.severity === "error" ? "alert" : "status"}
          variant="outlined"
          onClose={() => setNotice(null)}
          action={
            notice?.undo ? (
              <Button color="inherit" onClick={() => void undo()}>
                Undo (U)
              </Button>
            ) : undefined
          }
          sx={{
            bgcolor: "background.paper",
            color: "text.primary",
            borderColor: notice?.severity === "error" ? "error.main" : "settled",
            maxWidth: 760,
          }}
        >
          {notice?.text}
        </Alert>
      </Snackbar>
    </Box>
  );
}

/** What can be done with the receipt besides applying it. */
function Tools({
  disabled,
  withPayer,
  ask,
}: {
  disabled: boolean;
  withPayer: boolean;
  ask: (what: Ask) => void;
}) {
  const tools: [Ask, string, string, boolean][] = [
    ["paste", "Paste a list", "L", true],
    ["invoice", "New invoice", "N", withPayer],
    ["account", "To an account", "A", true],
    ["shelve", "Shelve", "S", true],
  ];
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 1.5, mt: -0.75, ml: -0.75 }}>
      {tools.map(([what, name, key, possible]) => (
        <Button
          key={what}
          color="inherit"
          disabled={disabled || !possible}
          onClick={() => ask(what)}
          sx={{ fontWeight: 400, color: "text.secondary", minWidth: 0, px: 0.75, py: 0 }}
        >
          {name}…
          <Box component="span" className="figure" aria-hidden sx={{ ml: 0.75, fontSize: 11 }}>
            {key}
          </Box>
        </Button>
      ))}
    </Box>
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
