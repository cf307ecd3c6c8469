import { Box, Table, TableBody, TableCell, TableHead, TableRow, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { api, data, type Money, type Schemas } from "../api/client";
import { useBooks } from "../access/session";
import { Amount } from "../shared/Amount";
import { atMoment } from "../shared/dates";
import { grouped, isZero, minor } from "../shared/money";
import { Empty, Failed, Loading } from "../shared/States";

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

/** The proof that nothing that arrived is missing or counted twice, for all of it and for each intake. */
export default function CentTrailView() {
  const books = useBooks();
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
  const parts = partsOf(trail.data.intakes.map((i) => i.trail));
  return (
    <Box sx={{ p: 3, maxWidth: 1080 }}>
      <Typography variant="h1">Cent trail</Typography>
      <Typography role="status" sx={{ mb: 2 }} color={trail.data.whole ? "textSecondary" : "error"}>
        {trail.data.whole
          ? "The trail is whole: every cent that arrived is somewhere, and counted once."
          : "The trail is broken: what arrived and what became of it differ. The intakes below say where."}
      </Typography>
      {trail.data.totals.map((total) => (
        <TrailBar key={total.arrived.currency} trail={total} />
      ))}
      <Table size="small" aria-label="Cent trail by intake" sx={{ mt: 3 }}>
        <TableHead>
          <TableRow>
            <TableCell>Intake</TableCell>
            <TableCell>Taken in</TableCell>
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
          {trail.data.intakes.map((i) => (
            <TableRow key={`${i.intakeId} ${i.currency}`}>
              <TableCell>{i.fileName}</TableCell>
              <TableCell>{atMoment(i.takenAt)}</TableCell>
              <Cell of={i.trail.arrived} />
              {parts.map(([key]) => (
                <Cell key={key} of={i.trail[key]} />
              ))}
              <Cell of={i.trail.gap} broken={!isZero(i.trail.gap)} />
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
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
