import { Box, Button, Link } from "@mui/material";
import { Link as RouterLink } from "react-router";
import { Amount } from "../shared/Amount";
import { Bars } from "../shared/Bars";
import { count, onDay } from "../shared/dates";
import { grouped } from "../shared/money";
import { Nothing } from "./Nothing";
import { Figures, Panel } from "./Panel";
import { said, WAITS, type DaySheet, type Open } from "./words";

export function Days({ of, go, open }: { of: DaySheet; go: (day: string) => void; open: Open }) {
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

export function Hours({ of, open }: { of: DaySheet; open: Open }) {
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

export function Waiting({ of, open }: { of: DaySheet; open: Open }) {
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

export function Waited({ of, open }: { of: DaySheet; open: Open }) {
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
