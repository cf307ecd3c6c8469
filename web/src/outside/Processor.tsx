import { Box, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useBooks } from "../access/session";
import { api, data, type Schemas } from "../api/client";
import { onWeekday } from "../shared/dates";
import { Failed, Loading } from "../shared/States";
import { Deliveries } from "./Deliveries";
import { StandIn } from "./StandIn";

type Simulated = Schemas["SimulatedProcessorView"];
type Behaviour = Schemas["ProcessorBehaviour"];

const MOODS: [keyof Behaviour, string, string][] = [
  ["late", "Late", "a week’s file lies ready a week later, after its money"],
  ["twice", "Twice", "it delivers each file two times"],
  ["offLine", "Off-line", "it cannot be reached"],
  ["wrongTotal", "Wrong total", "it claims to have sent 10.00 more than its items come to"],
  ["unknownType", "Unknown type", "an item of its file is of a type that nobody has heard of"],
];

/** The card processor: it pays out each Friday and sends the file of it; the bank credits the money a working day later. */
export function Processor() {
  const books = useBooks();
  const processor = useQuery({
    queryKey: ["outside", "processor", books.company],
    queryFn: async () =>
      data(await api.GET("/api/outside/processor", { params: { query: { company: books.company } } })),
  });
  return (
    <Box component="section" aria-label="The card processor" sx={{ mt: 4 }}>
      <Typography variant="h1" component="h2" sx={{ mb: 1 }}>
        The card processor
      </Typography>
      {processor.error && <Failed error={processor.error} retry={() => void processor.refetch()} />}
      {processor.isPending && <Loading />}
      {processor.data && <Open processor={processor.data} />}
      {processor.data && (
        <Deliveries
          of="processor"
          deliveries={processor.data.deliveries}
          day={processor.data.day}
          passing="week"
        />
      )}
    </Box>
  );
}

function Open({ processor }: { processor: Simulated }) {
  const params = { query: { company: useBooks().company } };
  return (
    <StandIn<Behaviour>
      says={
        <>
          <strong>{processor.name}</strong> pays out each Friday. Its day is {onWeekday(processor.day)}.
        </>
      }
      each="Each week that goes by, the web shop sells, customers pay invoices by card, some of it is given back or disputed, and a payout file lies ready. The simulated bank credits the money a working day later."
      file="payout file"
      passes="Let a week go by"
      day={processor.day}
      deliveries={processor.deliveries}
      moods={MOODS}
      behaviour={processor.behaviour}
      dayForward={async () => data(await api.POST("/api/outside/processor/week", { params }))}
      fetch={async () => data(await api.POST("/api/outside/processor/fetch", { params }))}
      behave={async (body) => data(await api.PUT("/api/outside/processor/behaviour", { params, body }))}
    />
  );
}
