import { Box, Link, Tooltip, Typography } from "@mui/material";
import { Link as RouterLink } from "react-router";
import type { Money } from "../api/client";
import { grouped, isZero } from "../shared/money";
import { useFlow } from "./flow";

interface Tile {
  key: string;
  to: string;
  name: string;
  entries?: number;
  amount: Money;
  after?: string;
}

/** The day as five joined tiles: navigation and control totals at once. A cent that is missing breaks the line. */
export function FlowStrip({ tile }: { tile: string }) {
  const flow = useFlow();
  if (!flow.data) {
    return <Box sx={{ height: 60 }} />;
  }
  const f = flow.data;
  const whole = isZero(f.gap);
  const tiles: Tile[] = [
    {
      key: "arrived",
      to: "/arrived/intake",
      name: "Arrived",
      entries: f.arrived.entries,
      amount: f.arrived.amount,
    },
    {
      key: "waiting",
      to: "/waiting/desk",
      name: "Waiting",
      entries: f.waiting.entries,
      amount: f.waiting.amount,
    },
    { key: "pouch", to: "/pouch", name: "Pouch", entries: f.pouch.entries, amount: f.pouch.amount },
    {
      key: "posted",
      to: "/posted/settlements",
      name: "Posted",
      entries: f.posted.entries,
      amount: f.posted.amount,
    },
    {
      key: "tied-out",
      to: whole ? "/tied-out/accounts" : "/tied-out/cent-trail",
      name: "Tied out",
      amount: f.gap,
      after: whole ? "open" : "missing",
    },
  ];
  return (
    <Box component="nav" aria-label="Flow of the day" sx={{ display: "flex", alignItems: "center" }}>
      {tiles.map((t, n) => (
        <Box key={t.key} sx={{ display: "flex", alignItems: "center" }}>
          {n > 0 &&
            (n === 4 && !whole ? (
              <Link
                component={RouterLink}
                to="/tied-out/cent-trail"
                aria-label={`The line breaks here: ${grouped(f.gap)} missing or counted twice. Open the items`}
                sx={{ display: "flex" }}
              >
                <Joint broken />
              </Link>
            ) : (
              <Joint broken={false} />
            ))}
          <Tooltip
            describeChild
            // what is below stays readable for a moment, and can be clicked at any time
            disableInteractive
            enterDelay={700}
            title={
              n === 1 && f.shelved.entries > 0
                ? `Credits that wait; besides, ${f.shelved.entries} on the shelf with ${grouped(f.shelved.amount)}`
                : n === 4
                  ? "All that arrived is applied, on account or waiting, or it shows here"
                  : "Credits of the month to date, and those that wait from before"
            }
          >
            <Link
              component={RouterLink}
              to={t.to}
              aria-current={tile === t.key ? "true" : undefined}
              sx={{
                display: "block",
                textDecoration: "none",
                color: "text.primary",
                // at 1024 px the five tiles, the search and the user still stand side by side
                width: { xs: n === 4 ? 100 : 106, lg: n === 4 ? 122 : 138 },
                px: { xs: 0.75, lg: 1.75 },
                py: 0.9,
                border: 1,
                borderRadius: 1,
                borderColor: tile === t.key ? "divider" : "transparent",
                borderBottom: tile === t.key ? 3 : 1,
                borderBottomColor: tile === t.key ? "primary.main" : "transparent",
                bgcolor: tile === t.key ? "background.paper" : "transparent",
              }}
            >
              <Box
                sx={{
                  display: "flex",
                  justifyContent: "space-between",
                  fontSize: 12,
                  color: tile === t.key ? "primary.main" : "text.secondary",
                }}
              >
                <Box component="span" sx={{ fontWeight: tile === t.key ? 700 : 400 }}>
                  {t.name}
                </Box>
                {t.entries !== undefined && <span>{t.entries.toLocaleString()}</span>}
              </Box>
              <Typography
                component="span"
                className="figure"
                sx={{
                  fontSize: { xs: 13.5, lg: 15.5 },
                  whiteSpace: "nowrap",
                  color: n === 4 && !whole ? "error.main" : undefined,
                }}
              >
                {grouped(t.amount)}
                {t.after && ` ${t.after}`}
              </Typography>
            </Link>
          </Tooltip>
        </Box>
      ))}
    </Box>
  );
}

function Joint({ broken }: { broken: boolean }) {
  return (
    <Box
      component="svg"
      aria-hidden
      viewBox="0 0 24 10"
      sx={{ width: { xs: 10, lg: 22 }, height: 10, flexShrink: 0, color: broken ? "error.main" : "settled" }}
    >
      {broken ? (
        <path d="M0 5h5M14 5h5M7 1l-1.5 3M12 6l-1.5 3" stroke="currentColor" strokeWidth="2" />
      ) : (
        <path d="M0 5h18" stroke="currentColor" strokeWidth="1.6" />
      )}
      <path d="M17 1.5 23 5l-6 3.5z" fill="currentColor" />
    </Box>
  );
}
