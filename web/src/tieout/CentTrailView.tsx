import {
  Box,
  Link,
  Tab,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Tabs,
  Typography,
} from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { Link as RouterLink, useSearchParams } from "react-router";
import { api, data, type Money, type Schemas } from "../api/client";
import { useBooks } from "../access/session";
import { Amount } from "../shared/Amount";
import { atMoment, onWeekday } from "../shared/dates";
import { grouped, isZero, minor } from "../shared/money";
import { Empty, Failed, Loading } from "../shared/States";
import { Breaks } from "./Breaks";

type Trail = Schemas["TrailView"];

const PARTS: [keyof Trail, string][] = [
  ["applied", "Applied"],
  ["onAccount", "On account"],
  ["toAccounts", "To accounts"],
  ["shelved", "Shelved"],
  ["returned", "Returned"],
  ["banked", "Deposits"],
  ["waiting", "Waiting"],
];

/** What is something in these trails; what money goes to mostly is named even where it is nothing. */
function partsOf(trails: Trail[]): [keyof Trail, string][] {
  return PARTS.filter(
    ([key]) =>
      key === "applied" ||
      key === "onAccount" ||
      key === "waiting" ||
      trails.some((trail) => !isZero(trail[key])),
  );
}

const BY = { intake: "By intake", account: "By account", day: "By day" };

type By = keyof typeof BY;

interface Line {
  key: string;
  of: string;
  to?: string;
  when?: string;
  trail: Trail;
}

/** The proof that nothing that arrived is missing or counted twice: of all of it, of each intake, account and day. */
export default function CentTrailView() {
  const books = useBooks();
  const [params, setParams] = useSearchParams();
  const by = (params.get("by") ?? "intake") in BY ? ((params.get("by") ?? "intake") as By) : "intake";
  const days = useQuery({
    queryKey: ["trail", "days", books.company],
    enabled: by === "day",
    refetchInterval: 10_000,
    queryFn: async () =>
      data(await api.GET("/api/cent-trail/days", { params: { query: { company: books.company } } })),
  });
  const trail = useQuery({
    queryKey: ["trail", books.company],
    refetchInterval: 10_000,
    queryFn: async () =>
      data(await api.GET("/api/cent-trail", { params: { query: { company: books.company } } })),
  });
  if (trail.error) {
    return <Failed error={trail.error} retry={() => void trail.refetch()} />;
  }
  if (!trail.data) {
    return <Loading />;
  }
  if (trail.data.intakes.length === 0) {
    return <Empty title="No money has arrived yet">The trail begins with the first statement.</Empty>;
  }
  const lines: Line[] | undefined =
    by === "intake"
      ? trail.data.intakes.map((i) => ({
          key: `${i.intakeId} ${i.currency}`,
          of: i.fileName,
          to: i.intakeId ? `/arrived/intake/${i.intakeId}` : undefined,
          when: atMoment(i.takenAt),
          trail: i.trail,
        }))
      : by === "account"
        ? trail.data.accounts.map((a) => ({ key: `${a.bankAccountId}`, of: a.name, trail: a.trail }))
        : days.data?.map((d) => ({ key: `${d.on} ${d.currency}`, of: onWeekday(d.on), trail: d.trail }));
  return (
    <Box sx={{ p: 3, maxWidth: 1180 }}>
      <Typography variant="h1">Cent trail</Typography>
      <Typography role="status" sx={{ mb: 2 }} color={trail.data.whole ? "textSecondary" : "error"}>
        {trail.data.whole
          ? "The trail is whole: every cent that arrived is somewhere, and counted once."
          : "The trail is broken: what arrived and what became of it differ."}
      </Typography>
      <Breaks breaks={trail.data.breaks} />
      {trail.data.totals.map((total) => (
        <TrailBar key={total.arrived.currency} trail={total} />
      ))}
      <Tabs
        value={by}
        onChange={(_, chosen: string) =>
          setParams(chosen === "intake" ? {} : { by: chosen }, { replace: true })
        }
        aria-label="What the trail is of"
        sx={{ mt: 2, borderBottom: 1, borderColor: "divider" }}
      >
        {Object.entries(BY).map(([key, name]) => (
          <Tab key={key} value={key} label={name} />
        ))}
      </Tabs>
      {by === "day" && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          No statement says what came on each single day: here the entries of the day are held against what
          became of them.
        </Typography>
      )}
      {by === "day" && days.error ? (
        <Failed error={days.error} retry={() => void days.refetch()} />
      ) : lines === undefined ? (
        <Loading rows={6} />
      ) : (
        <Lines by={by} lines={lines} />
      )}
    </Box>
  );
}

function Lines({ by, lines }: { by: By; lines: Line[] }) {
  const parts = partsOf(lines.map((line) => line.trail));
  const timed = lines.some((line) => line.when);
  return (
    <Table size="small" aria-label={`Cent trail ${BY[by].toLowerCase()}`} sx={{ mt: 1 }}>
      <TableHead>
        <TableRow>
          <TableCell>{by === "intake" ? "Intake" : by === "account" ? "Account" : "Booked"}</TableCell>
          {timed && <TableCell>Taken in</TableCell>}
          <TableCell align="right">Arrived</TableCell>
          {parts.map(([key, name]) => (
            <TableCell key={key} align="right">
              {name}
            </TableCell>
          ))}
          <TableCell align="right">Gap</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {lines.map((line) => (
          <TableRow key={line.key}>
            <TableCell>
              {line.to ? (
                <Link component={RouterLink} to={line.to} underline="hover" color="inherit">
                  {line.of}
                </Link>
              ) : (
                line.of
              )}
            </TableCell>
            {timed && <TableCell>{line.when}</TableCell>}
            <Cell of={line.trail.arrived} />
            {parts.map(([key]) => (
              <Cell key={key} of={line.trail[key]} />
            ))}
            <Cell of={line.trail.gap} broken={!isZero(line.trail.gap)} />
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

function Cell({ of, broken }: { of: Money; broken?: boolean }) {
  return (
    <TableCell
      align="right"
      sx={{ color: broken ? "error.main" : undefined, fontWeight: broken ? 700 : 400 }}
    >
      <Amount of={of} />
    </TableCell>
  );
}

/** The tally bar of everything: as long as what arrived, with its parts; a gap stands open in red. */
function TrailBar({ trail }: { trail: Trail }) {
  const length = Math.max(1, minor(trail.arrived));
  return (
    <Box
      sx={{ mb: 1 }}
      role="img"
      aria-label={`Arrived ${grouped(trail.arrived)} ${trail.arrived.currency}, gap ${grouped(trail.gap)}`}
    >
      <Box sx={{ display: "flex", justifyContent: "space-between", fontSize: 13, mb: 0.5 }}>
        <span>
          Arrived <Amount of={trail.arrived} sx={{ fontWeight: 700 }} /> {trail.arrived.currency}
        </span>
        <Box component="span" sx={{ color: isZero(trail.gap) ? "text.secondary" : "error.main" }}>
          gap <Amount of={trail.gap} />
        </Box>
      </Box>
      <Box
        sx={{
          display: "flex",
          height: 42,
          border: 1.5,
          borderColor: "settled",
          borderRadius: "3px",
          overflow: "hidden",
        }}
      >
        {PARTS.filter(([key]) => !isZero(trail[key])).map(([key, name]) => (
          <Box
            key={key}
            sx={{
              width: `${(100 * minor(trail[key])) / length}%`,
              // each has room for its figure; what is long gives way
              minWidth: 104,
              px: 1,
              overflow: "hidden",
              bgcolor: key === "waiting" ? "background.paper" : "settledTint",
              color: key === "waiting" ? "primary.main" : "settled",
              borderRight: key === "waiting" ? 0 : 1.5,
              borderColor: "settled",
              fontSize: 12,
              lineHeight: 1.6,
            }}
          >
            {name}
            <Box className="figure">{grouped(trail[key])}</Box>
          </Box>
        ))}
        {!isZero(trail.gap) && <Box sx={{ flex: 1, minWidth: 12, bgcolor: "error.main" }} />}
      </Box>
    </Box>
  );
}
