import { Box, Button, Link, Typography, useTheme } from "@mui/material";
import { LineChart } from "@mui/x-charts/LineChart";
import { useState, type ReactNode } from "react";
import { Link as RouterLink, useSearchParams } from "react-router";
import { useBooks } from "../access/session";
import type { Money } from "../api/client";
import { BUCKETS, DIFFERENCE } from "../books/words";
import { ViewActions } from "../frame/ViewActions";
import { Amount } from "../shared/Amount";
import { Bars } from "../shared/Bars";
import { DayField } from "../shared/DayField";
import { count, onDay, onDayOfYear, onWeekday } from "../shared/dates";
import { grouped, isZero } from "../shared/money";
import { Failed, Loading } from "../shared/States";
import { Behind } from "./Behind";
import { Figures, Panel } from "./Panel";
import { useDaySheet } from "./queries";
import { HAND, WAITS, type DaySheet, type Figure } from "./words";

type Open = (of: Figure, title: string) => void;

function dayBefore(iso: string, days: number): string {
  const day = new Date(iso);
  day.setUTCDate(day.getUTCDate() + days);
  return day.toISOString().slice(0, 10);
}

/** The day in pictures, the figures under them; each leads to what it is made of. */
export default function DaySheetView() {
  const books = useBooks();
  const [params, setParams] = useSearchParams();
  const on = params.get("on") ?? "";
  const sheet = useDaySheet(on);
  const [shown, setShown] = useState<{ of: Figure; title: string } | null>(null);
  const go = (day: string) => setParams(day === "" ? {} : { on: day });
  if (sheet.error) {
    return <Failed error={sheet.error} retry={() => go("")} />;
  }
  if (!sheet.data) {
    return <Loading rows={12} />;
  }
  const s = sheet.data;
  const open: Open = (of, title) => setShown({ of, title });
  return (
    <Box sx={{ px: 3, pt: 1.5, pb: 4 }}>
      <ViewActions>
        <Button onClick={() => window.print()}>Print</Button>
      </ViewActions>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2, mb: 1.5 }}>
        <Typography variant="h1">
          {onWeekday(s.on)}
          {s.past ? "" : ", so far"}
        </Typography>
        <Typography color="textSecondary">
          {books.companyName}, {s.currency}
        </Typography>
        <Box sx={{ ml: "auto", display: "flex", gap: 1, alignItems: "center", displayPrint: "none" }}>
          <Button onClick={() => go(dayBefore(s.on, -1))}>Day before</Button>
          <DayField label="Day" value={s.on} set={go} />
          <Button disabled={!s.past} onClick={() => go(dayBefore(s.on, 1))}>
            Day after
          </Button>
          <Button disabled={!s.past} onClick={() => go("")}>
            Today
          </Button>
        </Box>
      </Box>
      <Box sx={{ display: "grid", gridTemplateColumns: "repeat(4, minmax(0, 1fr))", gap: 1.5 }}>
        <Days of={s} go={go} open={open} />
        <Hours of={s} open={open} />
        <Hands of={s} open={open} />
        <Waiting of={s} open={open} />
        <Waited of={s} open={open} />
        <Ageing of={s} open={open} />
        <Outstanding of={s} />
        <Differences of={s} open={open} />
        <Holders of={s} open={open} />
      </Box>
      <Behind of={shown?.of ?? null} title={shown?.title ?? ""} on={on} close={() => setShown(null)} />
    </Box>
  );
}

function said(like: Money) {
  return (value: number) => grouped({ ...like, amount: value.toFixed(2) });
}

function Days({ of, go, open }: { of: DaySheet; go: (day: string) => void; open: Open }) {
  return (
    <Panel title="Arrived and settled, the last two weeks" wide>
      <Bars
        label={`Arrived ${grouped(of.arrived.amount)} and settled ${grouped(of.settled.amount)} on this day, beside the days before`}
        names={of.days.map((d) => onDay(d.on))}
        series={[
          { name: "Arrived", values: of.days.map((d) => Number(d.arrived.amount.amount)), drawn: "came" },
          { name: "Settled", values: of.days.map((d) => Number(d.settled.amount.amount)) },
        ]}
        say={said(of.arrived.amount)}
        pick={(bar) => go(of.days[bar]?.on ?? "")}
      />
      <Figures
        label="Arrived and settled"
        lines={[
          {
            name: "Arrived on this day",
            count: of.arrived.count,
            figure: <Amount of={of.arrived.amount} />,
            open: () => open({ figure: "ARRIVED" }, "Arrived on this day"),
          },
          {
            name: "Settled on this day",
            count: of.settled.count,
            figure: <Amount of={of.settled.amount} />,
            open: () => open({ figure: "SETTLED" }, "Settled on this day"),
          },
        ]}
      />
    </Panel>
  );
}

function Hours({ of, open }: { of: DaySheet; open: Open }) {
  const clock = (hour: number) => `${hour}:00`;
  return (
    <Panel title="By the hour">
      {of.hours.length === 0 ? (
        <Nothing>Nothing arrived or was settled at a known hour of this day.</Nothing>
      ) : (
        <>
          <Bars
            label="Arrived and settled by the hour"
            names={of.hours.map((h) => clock(h.hour))}
            series={[
              { name: "Arrived", values: of.hours.map((h) => h.arrived.count), drawn: "came" },
              { name: "Settled", values: of.hours.map((h) => h.settled.count) },
            ]}
            counts
            say={(value) => count(value, "receipt")}
            pick={(bar, series) => {
              const hour = of.hours[bar]?.hour;
              if (hour !== undefined) {
                open(
                  { figure: series === 0 ? "ARRIVED" : "SETTLED", hour },
                  `${series === 0 ? "Arrived" : "Settled"} from ${clock(hour)}`,
                );
              }
            }}
          />
          <Figures
            label="Settled by the hour"
            lines={of.hours.map((h) => ({
              name: `settled from ${clock(h.hour)}`,
              count: h.settled.count,
              figure: <Amount of={h.settled.amount} />,
              open: () => open({ figure: "SETTLED", hour: h.hour }, `Settled from ${clock(h.hour)}`),
            }))}
          />
        </>
      )}
    </Panel>
  );
}

function Hands({ of, open }: { of: DaySheet; open: Open }) {
  const { hands } = of;
  return (
    <Panel
      title="Without a hand"
      help="Of all that was settled on the day, what was posted as it came: clear under a rule for what is posted without a hand, or by a house rule."
      says={hands.percent === undefined || hands.percent === null ? "" : <b>{hands.percent} %</b>}
    >
      {hands.all === 0 ? (
        <Nothing>Nothing was settled on this day.</Nothing>
      ) : (
        <>
          <Bars
            label={`${hands.without} of ${hands.all} settlements were posted without a hand`}
            lying
            height={40 + 30 * hands.hands.length}
            names={hands.hands.map((h) => HAND[h.hand])}
            series={[{ name: "Settlements", values: hands.hands.map((h) => h.count) }]}
            counts
            say={(value) => count(value, "settlement")}
            pick={(bar) => {
              const hand = hands.hands[bar]?.hand;
              if (hand) {
                open({ figure: "HAND", key: hand }, `Settled: ${HAND[hand]}`);
              }
            }}
          />
          <Figures
            label="How it was settled"
            lines={hands.hands.map((h) => ({
              name: HAND[h.hand],
              count: h.count,
              figure: <Amount of={h.amount} />,
              open: () => open({ figure: "HAND", key: h.hand }, `Settled: ${HAND[h.hand]}`),
            }))}
          />
        </>
      )}
    </Panel>
  );
}

function Waiting({ of, open }: { of: DaySheet; open: Open }) {
  const { waiting } = of;
  return (
    <Panel
      title="Waiting, the oldest first"
      says={
        <>
          {count(waiting.count, "entry", "entries")}, <Amount of={waiting.amount} />
        </>
      }
      wide
    >
      {waiting.count === 0 ? (
        <Nothing>Nothing waits: all that arrived is settled.</Nothing>
      ) : (
        <>
          <Bars
            label={`The oldest has waited for ${waiting.oldest[0]?.days ?? 0} days`}
            lying
            height={48 + 26 * waiting.oldest.length}
            names={waiting.oldest.map((e) => e.payer)}
            series={[{ name: "Days", values: waiting.oldest.map((e) => e.days), drawn: "came" }]}
            counts
            say={(value) => count(value, "day")}
          />
          {waiting.oldest.map((e) => (
            <Box
              key={e.entryId}
              sx={{
                display: "grid",
                gridTemplateColumns: "64px minmax(0, 1fr) 72px 104px",
                py: 0.3,
                fontSize: 13,
                borderBottom: 1,
                borderColor: "divider",
              }}
            >
              <span>{onDay(e.bookedOn)}</span>
              <Link component={RouterLink} to={`/waiting/desk/${e.entryId}`} underline="hover" noWrap>
                {e.payer || "Nobody named"}
              </Link>
              <Box sx={{ textAlign: "right", color: "text.secondary" }}>{count(e.days, "day")}</Box>
              <Box sx={{ textAlign: "right" }}>
                <Amount of={e.amount} />
              </Box>
            </Box>
          ))}
          <Button
            onClick={() => open({ figure: "WAITING" }, "Waiting")}
            sx={{ mt: 0.5, displayPrint: "none" }}
          >
            All that waits
          </Button>
        </>
      )}
    </Panel>
  );
}

function Waited({ of, open }: { of: DaySheet; open: Open }) {
  const median = of.day.median ?? of.month.median;
  return (
    <Panel
      title="Time to apply"
      help="Calendar days from the day on which the bank booked a receipt to the day on which it was settled. Half of the receipts waited no longer than the figure."
      says={
        median === undefined || median === null ? (
          ""
        ) : (
          <>
            half within <b>{count(median, "day")}</b>
          </>
        )
      }
    >
      <Bars
        label="Receipts by the days from the bank's booking to ours"
        height={150}
        names={WAITS.map(([, name]) => name)}
        series={[
          { name: "This day", values: WAITS.map(([key]) => of.day.counts[key] ?? 0) },
          { name: "30 days", values: WAITS.map(([key]) => of.month.counts[key] ?? 0), drawn: "came" },
        ]}
        counts
        say={(value) => count(value, "receipt")}
        pick={(bar) => {
          const wait = WAITS[bar];
          if (wait) {
            open({ figure: "WAITED", key: wait[0] }, `Applied on this day: ${wait[1]}`);
          }
        }}
      />
      <Figures
        label="Days from the bank's booking to ours"
        lines={WAITS.map(([key, name]) => ({
          name,
          count: of.day.counts[key] ?? 0,
          figure: `${(of.month.counts[key] ?? 0).toLocaleString()} in 30 days`,
          open: () => open({ figure: "WAITED", key }, `Applied on this day: ${name}`),
        }))}
      />
    </Panel>
  );
}

function Ageing({ of, open }: { of: DaySheet; open: Open }) {
  const { ageing } = of;
  return (
    <Panel
      title="Ageing"
      says={
        <Link
          component={RouterLink}
          to={`/posted/books/ageing${of.past ? `?until=${of.on}` : ""}`}
          color="inherit"
        >
          <Amount of={ageing.total} sx={{ fontWeight: 700 }} />
        </Link>
      }
    >
      <Bars
        label="What customers owe by age"
        height={150}
        names={BUCKETS.map(([, name]) => name)}
        series={[{ name: "Owed", values: BUCKETS.map(([key]) => Number(ageing.amounts[key]?.amount ?? 0)) }]}
        say={said(ageing.total)}
        pick={(bar) => {
          const bucket = BUCKETS[bar];
          if (bucket) {
            open({ figure: "AGEING", key: bucket[0] }, `Owed: ${bucket[1]}`);
          }
        }}
      />
      <Figures
        label="Owed by age"
        lines={BUCKETS.map(([key, name]) => {
          const amount = ageing.amounts[key];
          return {
            name,
            figure: amount && <Amount of={amount} />,
            open: () => open({ figure: "AGEING", key }, `Owed: ${name}`),
          };
        })}
      />
      {!ageing.agrees && (
        <Typography color="error" sx={{ fontSize: 13, mt: 0.5 }}>
          Items and ledger differ at the end of this day.{" "}
          <Link component={RouterLink} to="/posted/books/agreement">
            See where
          </Link>
        </Typography>
      )}
    </Panel>
  );
}

function Outstanding({ of }: { of: DaySheet }) {
  const { palette } = useTheme();
  const { outstanding } = of;
  const known = outstanding.trend.filter((t) => t.days !== undefined && t.days !== null);
  return (
    <Panel
      title="Days sales outstanding"
      help="What stands open by the ledger, over the sales of the last 90 days, times 90: how many days of sales wait to be paid."
      says={outstanding.days === undefined || outstanding.days === null ? "" : <b>{outstanding.days} days</b>}
    >
      {known.length === 0 ? (
        <Nothing>Nothing was sold in the 90 days before.</Nothing>
      ) : (
        <Box role="img" aria-label={`Days sales outstanding at the ends of ${known.length} months`}>
          <LineChart
            height={150}
            xAxis={[
              {
                scaleType: "point",
                data: known.map((t) => onDay(t.on)),
                tickLabelStyle: { fontSize: 11 },
              },
            ]}
            yAxis={[{ min: 0, width: 32, tickNumber: 4, tickLabelStyle: { fontSize: 11 } }]}
            series={[
              {
                data: known.map((t) => Number(t.days)),
                label: "Days",
                color: palette.settled,
                curve: "linear",
              },
            ]}
            grid={{ horizontal: true }}
            hideLegend
            skipAnimation
            margin={{ left: 4, right: 28, top: 8, bottom: 4 }}
          />
        </Box>
      )}
      <Figures
        label="Days sales outstanding"
        lines={[
          { name: "Open by the ledger", figure: <Amount of={outstanding.receivables} /> },
          { name: "Sold in 90 days", figure: <Amount of={outstanding.sales} /> },
          {
            name: "Counted back by month",
            figure:
              outstanding.countedBack === undefined || outstanding.countedBack === null
                ? "more than a year"
                : `${outstanding.countedBack} days`,
          },
        ]}
      />
    </Panel>
  );
}

function Differences({ of, open }: { of: DaySheet; open: Open }) {
  return (
    <Panel
      title="Differences"
      says={
        <Link component={RouterLink} to="/posted/books/differences" color="inherit">
          what they cost
        </Link>
      }
    >
      {of.differencesOfMonth.length === 0 ? (
        <Nothing>Nothing differed in the last 30 days.</Nothing>
      ) : (
        <>
          <Bars
            label="Differences of 30 days by kind"
            lying
            height={40 + 30 * of.differencesOfMonth.length}
            names={of.differencesOfMonth.map((d) => DIFFERENCE[d.kind])}
            series={[
              {
                name: "30 days",
                values: of.differencesOfMonth.map((d) => Number(d.amount.amount)),
                drawn: "came",
              },
            ]}
            say={said(of.arrived.amount)}
          />
          <Figures
            label="Differences by kind"
            lines={of.differencesOfMonth.map((d) => {
              const today = of.differences.find((one) => one.kind === d.kind);
              return {
                name: DIFFERENCE[d.kind],
                count: today?.count ?? 0,
                figure: today && !isZero(today.amount) ? <Amount of={today.amount} /> : "none today",
                open: today && (() => open({ figure: "DIFFERENCE", key: d.kind }, DIFFERENCE[d.kind])),
              };
            })}
          />
        </>
      )}
    </Panel>
  );
}

function Holders({ of, open }: { of: DaySheet; open: Open }) {
  return (
    <Panel title="Still held">
      {of.past ? (
        <Nothing>What was held at the end of {onDayOfYear(of.on)} is not kept.</Nothing>
      ) : of.holders.length === 0 ? (
        <Nothing>Nobody holds a draft, and no question waits for an answer.</Nothing>
      ) : (
        <Figures
          label="What each clerk holds"
          lines={of.holders.map((h) => ({
            name: [
              h.user,
              h.drafts > 0 && count(h.drafts, "draft"),
              h.handed > 0 && `${h.handed} handed on`,
              h.returned > 0 && `${h.returned} handed back`,
              h.questions > 0 && count(h.questions, "question"),
            ]
              .filter(Boolean)
              .join(", "),
            figure: isZero(h.amount) ? "" : <Amount of={h.amount} />,
            open: () => open({ figure: "HELD", key: h.user }, `Held by ${h.user}`),
          }))}
        />
      )}
    </Panel>
  );
}

function Nothing({ children }: { children: ReactNode }) {
  return (
    <Typography color="textSecondary" sx={{ fontSize: 13, py: 2 }}>
      {children}
    </Typography>
  );
}
