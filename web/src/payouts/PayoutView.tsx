import { Alert, Box, Button, Link, Typography } from "@mui/material";
import { useMemo, useState } from "react";
import { Link as RouterLink, useParams } from "react-router";
import { useBooks } from "../access/session";
import { ViewActions } from "../frame/ViewActions";
import { JournalLines } from "../journal/JournalLines";
import { AskWhy } from "../shared/AskWhy";
import { ColumnHead } from "../shared/Columns";
import { Contradiction } from "../shared/Contradiction";
import { count, onDay } from "../shared/dates";
import { grouped } from "../shared/money";
import { PagedList } from "../shared/PagedList";
import { Failed, Loading } from "../shared/States";
import { AtWork } from "./AtWork";
import { BookPayout } from "./BookPayout";
import { COLUMNS, ItemLine } from "./ItemLine";
import {
  atWork,
  useAcceptPayout,
  useBelongs,
  useBooking,
  useIs,
  useItems,
  useLookAgain,
  usePayout,
  useReversePayout,
  type Kind,
  type Payout,
} from "./queries";
import { Exchange } from "./Exchange";
import { Pairs } from "./Pairs";
import { Waterfall } from "./Waterfall";
import { ITEMS_OF, JOINED, STEP, type StepKind } from "./words";

/** A payout as the statement of its period: how it adds up, what each item belongs to, what booking it writes. */
export default function PayoutView() {
  const id = Number(useParams().payoutId);
  const books = useBooks();
  const [step, chooseStep] = useState<StepKind>();
  const [join, chooseJoin] = useState<Kind>();
  const [asking, ask] = useState<"book" | "accept" | "reverse" | null>(null);
  const payout = usePayout(id);
  const [eachSale, chooseEachSale] = useState(false);
  const booking = useBooking(payout.data, eachSale);
  const accept = useAcceptPayout(id);
  const reverse = useReversePayout(id);
  const again = useLookAgain(id);

  if (payout.error && !payout.data) {
    return <Failed error={payout.error} retry={() => void payout.refetch()} />;
  }
  if (!payout.data) {
    return <Loading rows={10} />;
  }
  const p = payout.data;
  const booked = Boolean(p.payout.postedBy);
  const busy = atWork(p);
  const { lines = [], refused = null } = booking.data ?? {};
  const mayBook =
    books.mayPost && !booked && !busy && !p.payout.blocked && booking.data !== undefined && !refused;
  return (
    <Box sx={{ height: "100%", display: "flex", flexDirection: "column" }}>
      <ViewActions>
        {books.mayPost && !booked && (
          <Button
            color="inherit"
            sx={{ fontWeight: 400 }}
            disabled={again.isPending || busy}
            onClick={() => again.mutate()}
          >
            Look up again
          </Button>
        )}
        {books.mayPost && booked && (
          <Button color="inherit" sx={{ fontWeight: 400 }} disabled={busy} onClick={() => ask("reverse")}>
            Take the payout back…
          </Button>
        )}
        {!booked && (
          <Button
            color="inherit"
            disabled={!mayBook}
            onClick={() => ask("book")}
            sx={{ color: "primary.main" }}
          >
            Book the payout ({grouped(p.payout.paidOut)})…
          </Button>
        )}
      </ViewActions>
      <Heading payout={p} />
      {p.job && <AtWork job={p.job} />}
      {p.payout.blocked && (
        <Contradiction
          sentences={p.contradictions}
          supervisor={books.supervisor}
          accept={() => ask("accept")}
          until="Nothing of it is booked until a supervisor accepts that with a reason"
          instead="ask one, or have the processor send the file again"
        />
      )}
      <Box sx={{ flex: 1, minHeight: 0, display: "flex" }}>
        <Box sx={{ width: { xs: 400, lg: 470 }, flexShrink: 0, overflow: "auto", px: 2, py: 1.5 }}>
          <Waterfall
            payout={p}
            chosen={step}
            choose={(kind) => {
              chooseStep(kind);
              chooseJoin(undefined);
            }}
          />
          <Exchange payoutId={id} />
          {refused && (
            <Alert
              severity="info"
              icon={false}
              variant="outlined"
              sx={{ mt: 1.5, borderColor: "settled", color: "text.primary" }}
            >
              {refused}
            </Alert>
          )}
          {booking.isPending && <Loading rows={6} />}
          {booking.error && <Failed error={booking.error} retry={() => void booking.refetch()} />}
          {lines.length > 0 && (
            <Box
              sx={{
                border: "1px dashed",
                borderColor: "divider",
                borderRadius: 1,
                px: 1.5,
                py: 1,
                mt: 1.5,
              }}
            >
              <Typography variant="body2" color="textSecondary">
                {booked ? "Booking wrote" : "Booking writes"}
                {!booked && p.joins.some((one) => one.kind === "NEW" && one.items > 1) && (
                  <Button
                    sx={{ ml: 1, minWidth: 0, p: 0, fontWeight: 400 }}
                    onClick={() => chooseEachSale(!eachSale)}
                  >
                    {eachSale ? "new sales by day" : "each new sale by itself"}
                  </Button>
                )}
              </Typography>
              <JournalLines lines={lines} />
            </Box>
          )}
        </Box>
        <Box
          sx={{ flex: 1, minWidth: 0, borderLeft: 1, borderColor: "divider", bgcolor: "background.paper" }}
        >
          <Items
            payout={p}
            step={step}
            join={join}
            showAll={() => {
              chooseStep(undefined);
              chooseJoin(undefined);
            }}
            showJoin={(kind) => {
              chooseStep(undefined);
              chooseJoin(kind);
            }}
          />
        </Box>
      </Box>
      {asking === "book" && <BookPayout payout={p} eachSale={eachSale} close={() => ask(null)} />}
      {asking === "accept" && (
        <AskWhy
          title={`Accept what contradicts in ${p.payout.words}?`}
          doing="Accept"
          error={accept.error}
          ready={!accept.isPending}
          go={(reason) => accept.mutate(reason, { onSuccess: () => ask(null) })}
          close={() => ask(null)}
        >
          It may then be booked as its items are, with {grouped(p.payout.net)}. Your name and reason stay with
          it.
        </AskWhy>
      )}
      {asking === "reverse" && (
        <AskWhy
          title={`Take ${p.payout.words} back?`}
          doing="Take it back"
          error={reverse.error}
          ready={!reverse.isPending}
          go={(reason) => reverse.mutate(reason, { onSuccess: () => ask(null) })}
          close={() => ask(null)}
        >
          Its settlement and its deposit are reversed with mirror entries; invoices are open and receipts in
          the pouch as before.
        </AskWhy>
      )}
    </Box>
  );
}

function Heading({ payout }: { payout: Payout }) {
  const books = useBooks();
  const p = payout.payout;
  return (
    <Box
      sx={{
        display: "flex",
        alignItems: "baseline",
        gap: 1,
        px: 2,
        py: 1,
        bgcolor: "background.paper",
        borderBottom: 1,
        borderColor: "divider",
        fontSize: 13,
      }}
    >
      <Box component="h1" sx={{ m: 0, fontSize: 17, fontWeight: 700 }}>
        {p.words.replace(/^p/, "P")}
      </Box>
      <Box sx={{ color: "text.secondary" }}>
        {p.periodStart && p.periodEnd && `${onDay(p.periodStart)} to ${onDay(p.periodEnd)}, `}
        sent {onDay(p.paidOn)} · {p.net.currency !== books.currency && `in ${p.net.currency} · `}
        {count(p.items, "item")} ·{" "}
        <Link component={RouterLink} to={`/arrived/intake/${payout.intakeId}`}>
          the file
        </Link>
        {p.postedBy && ` · booked by ${p.postedBy}`}
        {payout.settlementId && (
          <>
            {" "}
            as{" "}
            <Link component={RouterLink} to={`/posted/settlements/${payout.settlementId}`}>
              settlement {payout.settlementId}
            </Link>
          </>
        )}
        {payout.arrival && (
          <>
            {" "}
            and{" "}
            <Link component={RouterLink} to={`/pouch/deposits/${payout.arrival.depositId}`}>
              deposit {payout.arrival.slip}
            </Link>{" "}
            to {payout.arrival.bankAccount}
            {payout.arrival.shown ? ", shown by the bank" : ", not at the bank yet"}
          </>
        )}
        {payout.accepted &&
          ` · contradictions accepted by ${payout.accepted.by}: ${payout.accepted.why.replace(/\.$/, "")}`}
      </Box>
    </Box>
  );
}

function Items({
  payout,
  step,
  join,
  showAll,
  showJoin,
}: {
  payout: Payout;
  step: StepKind | undefined;
  join: Kind | undefined;
  showAll: () => void;
  showJoin: (kind: Kind) => void;
}) {
  const id = payout.payout.id;
  const books = useBooks();
  const shown = useMemo(
    () => ({
      types: step ? ITEMS_OF[step] : [],
      joins: join ? [join] : [],
      withFee: step === "FEES",
    }),
    [step, join],
  );
  const items = useItems(id, shown);
  const belongs = useBelongs(id);
  const is = useIs(id);
  const refused = belongs.error ?? is.error;
  const mayDecide =
    books.mayPost && !payout.payout.postedBy && !atWork(payout) && !belongs.isPending && !is.isPending;
  const filters = (
    <Box role="group" aria-label="Which items" sx={{ display: "flex", flexWrap: "wrap", mb: 1, ml: -0.75 }}>
      <Filter name={`All ${payout.payout.items.toLocaleString()}`} here={!step && !join} go={showAll} />
      {payout.joins.map((one) => (
        <Filter
          key={one.kind}
          name={`${JOINED[one.kind]} ${one.items.toLocaleString()}`}
          here={join === one.kind}
          go={() => showJoin(one.kind)}
        />
      ))}
      {step && <Filter name={STEP[step]} here go={showAll} />}
    </Box>
  );
  if (join === "SALE") {
    return (
      <Box sx={{ height: "100%", overflow: "auto", px: 3, pt: 2 }}>
        {filters}
        <Pairs payoutId={id} />
      </Box>
    );
  }
  return (
    <PagedList
      label="Items"
      head={
        <>
          {filters}
          {refused && (
            <Alert severity="error" variant="outlined" sx={{ mb: 1 }}>
              {refused.message}
            </Alert>
          )}
          <ColumnHead columns={COLUMNS}>
            <span>Day</span>
            <span>What</span>
            <Box sx={{ textAlign: "right" }}>Gross</Box>
            <Box sx={{ textAlign: "right" }}>Fee</Box>
            <Box sx={{ textAlign: "right" }}>Net</Box>
            <span>Belongs to</span>
          </ColumnHead>
        </>
      }
      rows={items.data?.pages.flatMap((page) => page.rows)}
      rowKey={(item) => item.id}
      estimate={36}
      error={items.error}
      retry={() => void items.refetch()}
      hasMore={items.hasNextPage}
      loading={items.isFetchingNextPage}
      loadMore={() => void items.fetchNextPage()}
      empty="No item of this payout is so"
      row={(item) => (
        <ItemLine
          item={item}
          mayDecide={mayDecide}
          belongsTo={(kind, target) => belongs.mutate({ itemId: item.id, kind, target })}
          is={(type) => is.mutate({ itemId: item.id, type })}
        />
      )}
    />
  );
}

function Filter({ name, here, go }: { name: string; here: boolean; go: () => void }) {
  return (
    <Button
      color={here ? "primary" : "inherit"}
      aria-pressed={here}
      onClick={go}
      sx={{ minWidth: 0, px: 0.75, py: 0.25, fontWeight: here ? 700 : 400 }}
    >
      {name}
    </Button>
  );
}
