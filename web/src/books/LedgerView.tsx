import { Box, Button, Link, Typography } from "@mui/material";
import { useState, type ReactNode } from "react";
import { Link as RouterLink, useNavigate, useParams } from "react-router";
import { useBooks } from "../access/session";
import type { Schemas } from "../api/client";
import { Amount } from "../shared/Amount";
import { Choice } from "../shared/Choice";
import { ColumnHead, ColumnLine } from "../shared/Columns";
import { DayField } from "../shared/DayField";
import { onDay, onDayOfYear } from "../shared/dates";
import { PagedList } from "../shared/PagedList";
import { useLedgerSheet } from "./queries";
import { usePeriod } from "./usePeriod";
import { Ways } from "./Ways";

type Movement = Schemas["MovementView"];

const COLUMNS = "86px minmax(300px, 1fr) 110px 110px 130px";

/** What moved on one account of the ledger, with the balance after each; what cancels each other is joined. */
export default function LedgerView() {
  const books = useBooks();
  const navigate = useNavigate();
  const params = useParams();
  const id = Number(params.accountId);
  const currency = params.currency ?? books.currency;
  const [period, setPeriod] = usePeriod();
  const [pair, setPair] = useState<number[]>([]);
  const sheet = useLedgerSheet(id, currency, period);
  const first = sheet.data?.pages[0];
  const rows = sheet.data?.pages.flatMap((page) => page.rows);
  return (
    <PagedList
      label="Movements"
      aside={
        <>
          <Box sx={{ minWidth: 260 }}>
            <Typography variant="h1">{first ? `${first.code} ${first.account}` : "…"}</Typography>
            <Link component={RouterLink} to="/posted/books/trial-balance" sx={{ fontSize: 13 }}>
              all accounts
            </Link>
          </Box>
          <DayField label="From" value={period.from} set={(from) => setPeriod({ from })} />
          <DayField label="Until" value={period.until} set={(until) => setPeriod({ until })} />
          {first && first.currencies.length > 1 && (
            <Box sx={{ width: 100 }}>
              <Choice
                shown
                label="Currency"
                value={currency}
                options={first.currencies.map((c): [string, string] => [c, c])}
                choose={(other) => void navigate(`/posted/books/accounts/${id}/${other}`)}
              />
            </Box>
          )}
        </>
      }
      head={
        <>
          <ColumnHead columns={COLUMNS} sx={{ maxWidth: 1100 }}>
            <span>Day</span>
            <span>What</span>
            <Right>Debit</Right>
            <Right>Credit</Right>
            <Right>Balance, {currency}</Right>
          </ColumnHead>
          {first && (
            <ColumnLine columns={COLUMNS} sx={{ maxWidth: 1100, color: "text.secondary" }}>
              <span>{period.from === "" ? "" : onDay(period.from)}</span>
              <span>Before</span>
              <span />
              <span />
              <Right>
                <Amount of={first.opening} />
              </Right>
            </ColumnLine>
          )}
        </>
      }
      rows={rows}
      rowKey={(m) => m.lineId}
      estimate={52}
      error={sheet.error}
      retry={() => void sheet.refetch()}
      hasMore={sheet.hasNextPage}
      loading={sheet.isFetchingNextPage}
      loadMore={() => void sheet.fetchNextPage()}
      empty="Nothing moved on this account in these days"
      foot={
        first && (
          <ColumnLine
            columns={COLUMNS}
            sx={{ maxWidth: 1100, fontWeight: 700, borderTop: 1, borderColor: "text.primary" }}
          >
            <span>{period.until === "" ? "" : onDay(period.until)}</span>
            <span>Together, and the balance after</span>
            <Right>
              <Amount of={first.debited} />
            </Right>
            <Right>
              <Amount of={first.credited} />
            </Right>
            <Right>
              <Amount of={first.closing} />
            </Right>
          </ColumnLine>
        )
      }
      row={(m) => (
        <ColumnLine
          columns={COLUMNS}
          sx={{ maxWidth: 1100, bgcolor: pair.includes(m.lineId) ? "chosenTint" : undefined }}
        >
          <span>{onDay(m.on)}</span>
          <Box sx={{ minWidth: 0 }}>
            <Box sx={{ overflowWrap: "anywhere" }}>
              {m.text}
              {m.customer && `, ${m.customer}`}
              {m.ofDay && ` (of ${onDay(m.ofDay)}, which is closed)`}
            </Box>
            <Box sx={{ display: "flex", gap: 1.5, color: "text.secondary", fontSize: 12.5 }}>
              <span>entry {m.entryId}</span>
              {m.source && <Ways of={m.source} />}
              {m.cancelledBy && (
                <Cancelled of={m} shown={pair.includes(m.lineId)} show={(both) => setPair(both)} />
              )}
            </Box>
          </Box>
          <Right>{m.debit && <Amount of={m.debit} />}</Right>
          <Right>{m.credit && <Amount of={m.credit} />}</Right>
          <Right>
            <Amount of={m.balance} />
          </Right>
        </ColumnLine>
      )}
    />
  );
}

function Right({ children }: { children: ReactNode }) {
  return <Box sx={{ textAlign: "right" }}>{children}</Box>;
}

/** That a movement cancels with another: known where it was written to, else told by the amount. */
function Cancelled({ of, shown, show }: { of: Movement; shown: boolean; show: (lines: number[]) => void }) {
  const other = of.cancelledBy;
  if (!other) {
    return null;
  }
  return (
    <Button
      size="small"
      aria-pressed={shown}
      onClick={() => show(shown ? [] : [of.lineId, other.lineId])}
      sx={{ p: 0, minWidth: 0, fontSize: 12.5, fontWeight: 400 }}
    >
      {other.knownBy === "REVERSAL" ? "cancels with" : "same amount the other way,"} {onDayOfYear(other.on)}:
      0.00 together
    </Button>
  );
}
