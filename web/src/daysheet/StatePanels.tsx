import { Box, Link, Typography, useTheme } from "@mui/material";
import { LineChart } from "@mui/x-charts/LineChart";
import { Link as RouterLink } from "react-router";
import { BUCKETS, DIFFERENCE } from "../books/words";
import { Amount } from "../shared/Amount";
import { Bars } from "../shared/Bars";
import { count, onDay, onDayOfYear } from "../shared/dates";
import { isZero } from "../shared/money";
import { Nothing } from "./Nothing";
import { Figures, Panel } from "./Panel";
import { HAND, said, type DaySheet, type Open } from "./words";

export function Hands({ of, open }: { of: DaySheet; open: Open }) {
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

export function Ageing({ of, open }: { of: DaySheet; open: Open }) {
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

export function Outstanding({ of }: { of: DaySheet }) {
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
          {
            name: "Open by the ledger",
            figure: <Amount of={outstanding.receivables} />,
            to: `/posted/books/agreement?until=${of.on}`,
          },
          {
            name: "Sold in 90 days",
            figure: <Amount of={outstanding.sales} />,
            to: `/posted/books/trial-balance?from=${outstanding.from}&until=${of.on}`,
          },
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

export function Differences({ of, open }: { of: DaySheet; open: Open }) {
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
                to: today ? undefined : `/posted/books/differences?from=${of.monthFrom}&until=${of.on}`,
              };
            })}
          />
        </>
      )}
    </Panel>
  );
}

export function Holders({ of, open }: { of: DaySheet; open: Open }) {
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
