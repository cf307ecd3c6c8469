import { Box, Button, Typography } from "@mui/material";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import { useBooks } from "../access/session";
import type { Schemas } from "../api/client";
import { useRefresh } from "../desk/queries";
import { count } from "../shared/dates";
import { Moods } from "./Moods";
import { Refused } from "./Refused";

interface Props<B> {
  /** What it is and what its day is. */
  says: ReactNode;
  /** What happens there each working day. */
  each: ReactNode;
  /** What its days bring, as one is spoken of. */
  file: string;
  passes: string;
  day?: string;
  deliveries: Schemas["DeliveryView"][];
  moods: [keyof B & string, string, string][];
  behaviour: B;
  dayForward: () => Promise<unknown>;
  fetch: () => Promise<unknown>;
  behave: (behaviour: B) => Promise<unknown>;
  /** What else can be done with it. */
  more?: ReactNode;
}

/** Something simulated: a day goes by there, what lies ready is fetched, and it is told to misbehave. */
export function StandIn<B extends Record<string, boolean>>(props: Props<B>) {
  const books = useBooks();
  const queries = useQueryClient();
  const refresh = useRefresh();
  // the books know nothing of what goes on outside before it is fetched
  const news = () => queries.invalidateQueries({ queryKey: ["outside"] });
  // what is being set is shown as set, until what the server tells has changed
  const [wished, setWished] = useState<B>();
  const [told, setTold] = useState(props.behaviour);
  // one after the other: a day that goes by obeys what was set before it
  const scope = { id: `${props.file} ${books.company}` };
  const day = useMutation({ scope, mutationFn: props.dayForward, onSettled: news });
  const fetching = useMutation({ scope, mutationFn: props.fetch, onSettled: refresh });
  const behave = useMutation({
    scope,
    mutationFn: props.behave,
    // unless something else is wished by now
    onError: (_, asked) => setWished((now) => (now === asked ? undefined : now)),
    onSettled: news,
  });
  if (told !== props.behaviour && !behave.isPending) {
    setTold(props.behaviour);
    setWished(undefined);
  }
  const busy = day.isPending || fetching.isPending;
  const refused = fetching.error ?? day.error ?? behave.error;
  const { day: today, deliveries } = props;
  const ready = deliveries.filter((one) => !one.fetchedAt && today && one.readyOn <= today).length;
  return (
    <Box sx={{ display: "flex", gap: 4, alignItems: "flex-start" }}>
      <Box sx={{ flex: 1 }}>
        <Typography variant="body2">{props.says}</Typography>
        <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
          {props.each}
        </Typography>
        {books.mayPost && (
          <Box sx={{ display: "flex", gap: 1 }}>
            <Button variant="outlined" disabled={busy} onClick={() => day.mutate()}>
              {props.passes}
            </Button>
            <Button variant="contained" disabled={busy} onClick={() => fetching.mutate()}>
              Fetch {ready === 0 ? "what is ready" : count(ready, props.file)}
            </Button>
            {props.more}
          </Box>
        )}
        {refused && <Refused error={refused} />}
      </Box>
      <Moods
        moods={props.moods}
        behaviour={wished ?? props.behaviour}
        disabled={!books.mayPost}
        set={(next) => {
          setWished(next);
          behave.mutate(next);
        }}
      />
    </Box>
  );
}
