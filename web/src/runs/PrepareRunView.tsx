import { Alert, Box, Button, Checkbox, Typography } from "@mui/material";
import { useEffect, useMemo, useRef, useState } from "react";
import { Link as RouterLink, useLocation, useNavigate } from "react-router";
import type { Money, Schemas } from "../api/client";
import { useBooks } from "../access/session";
import { KEPT } from "../settle/words";
import { Amount } from "../shared/Amount";
import { ColumnHead, ColumnLine } from "../shared/Columns";
import { count } from "../shared/dates";
import { grouped, isZero, minor, ofMinor, positive, zero } from "../shared/money";
import { PagedList } from "../shared/PagedList";
import { useClearEntries, useOwnDrafts, useStartRun } from "./queries";

const COLUMNS = "34px minmax(160px, 220px) 110px minmax(150px, 1fr) minmax(180px, 1.4fr)";

/** One line of what may be posted. */
interface Candidate {
  entryId: number;
  payer: string;
  amount: Money;
  pays: string;
  why: string;
  draft: boolean;
  /** Why it cannot be posted as it is. */
  refusal: string | null;
}

function ofClear(row: Schemas["EntryRow"]): Candidate {
  const items = row.segments.map(
    (s) => s.number + (isZero(s.discount) ? "" : ` less ${grouped(s.discount)} discount`),
  );
  const rest = row.adjustments.map((a) => `${KEPT[a.kind]} ${grouped(positive(a.amount))}`);
  return {
    entryId: row.id,
    payer: row.payer,
    amount: row.amount,
    pays: [...items, ...rest].join(", ") || "on account",
    why: row.evidence,
    draft: false,
    refusal: null,
  };
}

function ofDraft(row: Schemas["OwnDraft"]): Candidate {
  return {
    ...row,
    pays: row.pays.join(", ") || "on account or to an account",
    why: "made by hand",
    draft: true,
    refusal: row.refusal ?? null,
  };
}

/** What a run is to post: each draft of one's own and all that stands clear, with a tick; posted once one says so. */
export default function PrepareRunView() {
  const books = useBooks();
  const navigate = useNavigate();
  const only = (useLocation().state as { entries?: number[] } | null)?.entries;
  const clear = useClearEntries();
  const drafts = useOwnDrafts();
  const start = useStartRun();
  const key = useRef(crypto.randomUUID());
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const postButton = useRef<HTMLButtonElement>(null);

  const rows = useMemo(() => {
    const own = drafts.data?.map(ofDraft) ?? [];
    const held = new Set(own.map((d) => d.entryId));
    const explained = (clear.data?.pages.flatMap((page) => page.rows) ?? [])
      .filter((row) => !held.has(row.id))
      .map(ofClear);
    return [...own, ...explained].filter(
      (row) => row.amount.currency === books.currency && (only === undefined || only.includes(row.entryId)),
    );
  }, [drafts.data, clear.data, books.currency, only]);

  const group = clear.data?.pages[0]?.standings.find((s) => s.amount.currency === books.currency);
  const postable = rows.filter((row) => row.refusal === null);
  const ticked = postable.filter((row) => !left.has(row.entryId));
  // what is not fetched yet is posted too, unless a choice was brought along
  const unseen =
    only === undefined && group && clear.hasNextPage
      ? group.count - rows.filter((row) => !row.draft).length
      : 0;
  const seenClear = rows.filter((row) => !row.draft).reduce((sum, row) => sum + minor(row.amount), 0);
  const sum =
    ticked.reduce((total, row) => total + minor(row.amount), 0) +
    (unseen > 0 && group ? minor(group.amount) - seenClear : 0);
  const total = ofMinor(sum, rows[0]?.amount ?? zero(books.currency));
  const n = ticked.length + unseen;
  const ready = !clear.isPending && !drafts.isPending;

  useEffect(() => {
    if (ready) {
      postButton.current?.focus();
    }
  }, [ready]);

  const toggle = (id: number) =>
    setLeft((before) => {
      const after = new Set(before);
      if (!after.delete(id)) {
        after.add(id);
      }
      return after;
    });
  const post = async () => {
    const whole = only === undefined;
    const run = await start.mutateAsync({
      key: key.current,
      call: {
        company: books.company,
        currency: books.currency,
        allClear: whole,
        except: whole ? rows.filter((row) => !row.draft && left.has(row.entryId)).map((r) => r.entryId) : [],
        entryIds: ticked.filter((row) => row.draft || !whole).map((row) => row.entryId),
      },
    });
    void navigate(`/posted/runs/${run.id}`);
  };

  return (
    <Box sx={{ height: "100%", display: "flex", flexDirection: "column" }}>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2, px: 3, pt: 2 }}>
        <Box sx={{ flex: 1 }}>
          <Typography variant="h1">What to post</Typography>
          <Typography variant="body2" color="textSecondary">
            Each is posted on its own and can be reversed on its own. What is refused stays a draft with its
            reason.
          </Typography>
        </Box>
        <Button component={RouterLink} to="/waiting/desk" color="inherit">
          Not now
        </Button>
        <Button
          ref={postButton}
          key={ready ? "ready" : "waits"}
          variant="contained"
          disabled={!ready || n === 0 || start.isPending || !books.mayPost}
          onClick={() => void post().catch(() => undefined)}
        >
          Post {n.toLocaleString()} · {grouped(total)}
        </Button>
      </Box>
      {start.error && (
        <Alert severity="error" variant="outlined" sx={{ mx: 3, mt: 1 }}>
          {start.error.message}
        </Alert>
      )}
      <Box sx={{ flex: 1, minHeight: 0 }}>
        <PagedList
          label="What to post"
          aside={
            <Typography variant="body2" color="textSecondary" role="status">
              {left.size > 0 && `${count(left.size, "line")} left out. `}
              {unseen > 0 && `${count(unseen, "more clear entry", "more clear entries")} below. `}
              {rows.length > postable.length &&
                `${count(rows.length - postable.length, "draft cannot", "drafts cannot")} be posted as it stands.`}
            </Typography>
          }
          head={
            <ColumnHead columns={COLUMNS}>
              <span />
              <span>Payer</span>
              <Box sx={{ textAlign: "right" }}>Amount, {books.currency}</Box>
              <span>Pays</span>
              <span>Why</span>
            </ColumnHead>
          }
          rows={ready ? rows : undefined}
          rowKey={(row) => row.entryId}
          estimate={34}
          error={clear.error ?? drafts.error}
          retry={() => {
            void clear.refetch();
            void drafts.refetch();
          }}
          hasMore={clear.hasNextPage}
          loading={clear.isFetchingNextPage}
          loadMore={() => void clear.fetchNextPage()}
          empty={
            only === undefined
              ? "Nothing stands clear, and you have no draft to post"
              : "None of the selected stands clear or is a draft of yours"
          }
          row={(row) => <Line row={row} ticked={!left.has(row.entryId)} toggle={() => toggle(row.entryId)} />}
        />
      </Box>
    </Box>
  );
}

function Line({ row, ticked, toggle }: { row: Candidate; ticked: boolean; toggle: () => void }) {
  return (
    <ColumnLine
      columns={COLUMNS}
      sx={{ alignItems: "center", minHeight: 34, py: 0, color: row.refusal ? "text.secondary" : undefined }}
    >
      <Checkbox
        size="small"
        checked={ticked && row.refusal === null}
        disabled={row.refusal !== null}
        onChange={toggle}
        slotProps={{ input: { "aria-label": `Post ${grouped(row.amount)} from ${row.payer}` } }}
        sx={{ p: 0.25 }}
      />
      <Box sx={{ overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" }}>{row.payer}</Box>
      <Box sx={{ textAlign: "right" }}>
        <Amount of={row.amount} />
      </Box>
      <Box className="figure" sx={{ overflowWrap: "anywhere" }}>
        {row.pays}
      </Box>
      <Box sx={{ color: "text.secondary", fontSize: 12.5, py: 0.25 }}>
        {row.refusal ? (
          <>
            cannot be posted: {row.refusal}{" "}
            <RouterLink to={`/waiting/desk/${row.entryId}`}>Look at it</RouterLink>
          </>
        ) : (
          row.why
        )}
      </Box>
    </ColumnLine>
  );
}
