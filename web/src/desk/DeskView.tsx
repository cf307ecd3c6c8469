import { Box, Button } from "@mui/material";
import { useRef } from "react";
import { Link as RouterLink, useNavigate, useParams } from "react-router";
import { useBooks } from "../access/session";
import type { Schemas } from "../api/client";
import { ViewActions } from "../frame/ViewActions";
import { useNoteMarks } from "../notes/queries";
import { Empty, Failed, Loading } from "../shared/States";
import { PostMany } from "./PostMany";
import { useApplicable, useDrafts } from "./queries";
import { Queue } from "./Queue";
import { useDeskQueue } from "./useDeskQueue";
import { useHints } from "./useHints";
import { Workbench } from "./Workbench";

const NO_MARKS: ReadonlyMap<string, Schemas["Mark"]> = new Map();

/** The desk: all that waits, gone through one by one. */
export function DeskView() {
  const books = useBooks();
  const navigate = useNavigate();
  const params = useParams();
  const queue = useDeskQueue();
  const accountAsked = params.accountId ? Number(params.accountId) : undefined;
  const asked = params.entryId ? Number(params.entryId) : undefined;
  const chosen = accountAsked === undefined ? (asked ?? queue.rows[0]?.id) : undefined;
  const drafts = useDrafts();
  const applicable = useApplicable();
  const marks = useNoteMarks();
  const hints = useHints(queue.rows);
  const queueSearch = useRef<HTMLInputElement>(null);
  const go = (id: number) => void navigate(`/waiting/desk/${id}`);
  const prepareRun = () =>
    void navigate(
      "/posted/runs/new",
      queue.selected.size > 0 ? { state: { entries: [...queue.selected] } } : undefined,
    );

  if (queue.pending) {
    return <Loading rows={10} />;
  }
  if (queue.error) {
    return <Failed error={queue.error} retry={queue.retry} />;
  }
  return (
    <>
      <ViewActions>
        <PostMany
          group={queue.clearGroup}
          selected={queue.selected.size}
          disabled={!books.mayPost}
          prepare={prepareRun}
        />
      </ViewActions>
      <Workbench
        chosen={chosen}
        accountAsked={accountAsked}
        beside={(by) => queue.beside(chosen, by)}
        go={go}
        goHome={() => void navigate("/waiting/desk")}
        keys={{
          x: () => chosen !== undefined && queue.toggle(chosen),
          p: () => books.mayPost && prepareRun(),
          f: () => queueSearch.current?.focus(),
        }}
        list={
          <Queue
            rows={queue.rows}
            groups={queue.groups}
            folded={queue.folded}
            unfold={queue.unfold}
            drafts={drafts.data ?? []}
            marks={marks.data ?? NO_MARKS}
            hints={hints}
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
        }
        nothing={<NothingWaits searching={queue.q !== ""} />}
      />
    </>
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
