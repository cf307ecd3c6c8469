import { Alert, Box, Button, Snackbar } from "@mui/material";
import { useMemo, useRef, useState } from "react";
import { Link as RouterLink, useNavigate, useParams } from "react-router";
import type { Schemas } from "../api/client";
import { useBooks } from "../access/session";
import { useKeys } from "../frame/keys";
import { ViewActions } from "../frame/ViewActions";
import { count } from "../shared/dates";
import { grouped } from "../shared/money";
import { Empty, Failed, Loading } from "../shared/States";
import { AccountPane } from "./AccountPane";
import { draftOf, forPayer, taking, type Choice, type Draft, type Item } from "./drafts";
import { PostAllClear } from "./PostAllClear";
import {
  treated,
  useCustomer,
  useEntry,
  usePost,
  usePreview,
  useQueue,
  useReverse,
  type Treat,
} from "./queries";
import { Queue } from "./Queue";
import type { Standing } from "../tally/StandingGlyph";
import { ReceiptPane } from "./ReceiptPane";
import { RemainderLine } from "./RemainderLine";

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
  const asked = params.entryId ? Number(params.entryId) : undefined;
  const chosen = asked ?? rows[0]?.id;
  const entry = useEntry(chosen);
  const [choices, setChoices] = useState<Record<number, Choice>>({});
  const [payers, setPayers] = useState<Record<number, number>>({});
  const [selected, setSelected] = useState<ReadonlySet<number>>(new Set());
  const [notice, setNotice] = useState<Notice | null>(null);
  const [clearOpen, setClearOpen] = useState(false);
  const queueSearch = useRef<HTMLInputElement>(null);
  const accountSearch = useRef<HTMLInputElement>(null);

  const detail = entry.data;
  const waiting = detail?.status === "WAITING";
  const draft = detail && waiting ? draftOf(detail, choices[detail.id]) : undefined;
  const preview = usePreview(draft);
  const payer = detail
    ? (payers[detail.id] ?? detail.payerId ?? detail.proposals[0]?.customerId ?? undefined)
    : undefined;
  const account = useCustomer(payer);
  const post = usePost();
  const reverse = useReverse();

  const numbers = new Map<number, string>();
  detail?.proposals.forEach((p) => p.applications.forEach((a) => numbers.set(a.itemId, a.number)));
  account.data?.openItems.forEach((item) => numbers.set(item.id, item.number));

  const go = (id: number) => void navigate(`/waiting/desk/${id}`);
  const step = (by: number) => {
    const next = rows[rows.findIndex((row) => row.id === chosen) + by];
    if (next) {
      go(next.id);
    }
  };
  const change = (hand: Draft) => setChoices((all) => ({ ...all, [hand.entryId]: { hand } }));
  const chooseRank = (rank: number) => {
    if (detail && detail.proposals[rank - 1]) {
      setChoices((all) => ({ ...all, [detail.id]: { rank } }));
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
    if (!detail || !draft) {
      return;
    }
    setPayers((all) => ({ ...all, [detail.id]: customerId }));
    const held = item && draft.applications.some((a) => a.itemId === item.id);
    const base = forPayer(draft, customerId);
    change(item && !held ? taking(base, item) : base);
  };
  const takeNextOldest = () => {
    const next = account.data?.openItems.find((i) => !draft?.applications.some((a) => a.itemId === i.id));
    if (draft && next && books.mayPost) {
      change(taking(draft, next));
    }
  };
  const treat = async (kind: Treat) => {
    if (!draft) {
      return;
    }
    try {
      change((await treated(draft, kind)).draft);
    } catch (error) {
      setNotice({ severity: "error", text: (error as Error).message });
    }
  };
  const postDraft = async () => {
    // what is not counted yet is sent all the same: whoever types fast loses no key, and the server refuses what is wrong
    const refused = !preview.isPlaceholderData && preview.data?.refusal;
    if (!draft || !detail || refused || post.isPending || !books.mayPost) {
      return;
    }
    const at = rows.findIndex((row) => row.id === detail.id);
    const next = rows[at + 1] ?? rows[at - 1];
    try {
      const settlement = await post.mutateAsync(draft);
      setNotice({ severity: "success", text: words(settlement), undo: settlement.id });
      if (next) {
        go(next.id);
      } else {
        void navigate("/waiting/desk");
      }
    } catch (error) {
      // a refused draft keeps everything that was typed; what changed underneath is fetched anew
      setNotice({ severity: "error", text: (error as Error).message });
      void entry.refetch();
      void account.refetch();
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
      go(settlement.entryId);
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

  useKeys({
    j: () => step(1),
    k: () => step(-1),
    x: () => chosen !== undefined && toggle(chosen),
    "1": () => chooseRank(1),
    "2": () => chooseRank(2),
    "3": () => chooseRank(3),
    "4": () => chooseRank(4),
    "5": () => chooseRank(5),
    "+": takeNextOldest,
    c: () => accountSearch.current?.focus(),
    r: () => document.querySelector<HTMLButtonElement>("#ways button:not(:disabled)")?.focus(),
    p: () => books.mayPost && setClearOpen(true),
    u: () => void undo(),
    "/": () => queueSearch.current?.focus(),
    "Ctrl+Enter": () => void postDraft(),
  });

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
        {chosen === undefined ? (
          <NothingWaits searching={q !== ""} />
        ) : entry.error ? (
          <Failed error={entry.error} retry={() => void entry.refetch()} />
        ) : !detail ? (
          <Box sx={{ flex: 1 }}>
            <Loading />
          </Box>
        ) : draft ? (
          <>
            <ReceiptPane
              entry={detail}
              draft={draft}
              preview={preview.data}
              numberOf={(id) => numbers.get(id) ?? `item ${id}`}
              choose={chooseRank}
            />
            <AccountPane
              key={detail.id}
              customerId={payer}
              draft={draft}
              change={change}
              choosePayer={choosePayer}
              searchField={accountSearch}
              readOnly={!books.mayPost}
            />
          </>
        ) : (
          <Empty title={`${grouped(detail.amount)} from ${detail.payer} no longer waits`}>
            <Button component={RouterLink} to="/posted/settlements" variant="outlined">
              See the settlements
            </Button>
          </Empty>
        )}
      </Box>
      {draft && (
        <RemainderLine
          preview={preview.data}
          error={preview.error}
          treat={(kind) => void treat(kind)}
          post={() => void postDraft()}
          posting={post.isPending}
          mayPost={books.mayPost}
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
