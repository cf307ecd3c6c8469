import { Box, Button, Typography } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useBooks } from "../access/session";
import { api, data, type Schemas } from "../api/client";
import { useRefresh } from "../desk/queries";
import { onWeekday } from "../shared/dates";
import { Failed, Loading } from "../shared/States";
import { Deliveries } from "./Deliveries";
import { Moods } from "./Moods";
import { Refused } from "./Refused";

type Room = Schemas["MailRoomView"];
type Behaviour = Schemas["MailRoomBehaviour"];

const MOODS: [keyof Behaviour, string, string][] = [
  ["late", "Late", "a day’s file lies ready a working day later"],
  ["twice", "Twice", "it delivers each file two times"],
  ["offLine", "Off-line", "it cannot be reached: no file and no picture"],
  ["wrongTotal", "Wrong total", "it claims 10.00 more than its cheques come to"],
];

/** The bank's mail room: it opens the envelopes of a day, sends a lockbox file and shows the cheques. */
export function MailRoom() {
  const books = useBooks();
  const room = useQuery({
    queryKey: ["outside", "mail room", books.company],
    queryFn: async () =>
      data(await api.GET("/api/outside/mail-room", { params: { query: { company: books.company } } })),
  });
  return (
    <Box component="section" aria-label="The mail room" sx={{ mt: 4 }}>
      <Typography variant="h1" component="h2" sx={{ mb: 1 }}>
        The mail room
      </Typography>
      {room.error && <Failed error={room.error} retry={() => void room.refetch()} />}
      {room.isPending && <Loading />}
      {room.data && !room.data.lockbox && (
        <Typography variant="body2">No bank account of this company has a lockbox.</Typography>
      )}
      {room.data?.lockbox && <Open room={room.data} />}
      {room.data?.lockbox && (
        <Deliveries of="mail room" deliveries={room.data.deliveries} day={room.data.day} />
      )}
    </Box>
  );
}

function Open({ room }: { room: Room }) {
  const books = useBooks();
  const refresh = useRefresh();
  const query = { query: { company: books.company } };
  // what is being set is shown as set
  const [wished, setWished] = useState<Behaviour>();
  const day = useMutation({
    mutationFn: async () => data(await api.POST("/api/outside/mail-room/day", { params: query })),
    onSettled: refresh,
  });
  const fetching = useMutation({
    mutationFn: async () => data(await api.POST("/api/outside/mail-room/fetch", { params: query })),
    onSettled: refresh,
  });
  const behave = useMutation({
    mutationFn: async (behaviour: Behaviour) =>
      data(await api.PUT("/api/outside/mail-room/behaviour", { params: query, body: behaviour })),
    onSettled: async (_, __, asked) => {
      await refresh();
      // unless something else is wished by now
      setWished((now) => (now === asked ? undefined : now));
    },
  });
  const busy = day.isPending || fetching.isPending;
  const refused = fetching.error ?? day.error ?? behave.error;
  const ready = room.deliveries.filter((one) => !one.fetchedAt && one.readyOn <= room.day).length;
  return (
    <Box sx={{ display: "flex", gap: 4, alignItems: "flex-start" }}>
      <Box sx={{ flex: 1 }}>
        <Typography variant="body2">
          It opens the envelopes of <strong>lockbox {room.lockbox}</strong>. Its day is {onWeekday(room.day)}.
        </Typography>
        <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
          Each working day that goes by, customers pay by cheque, something happens to some of them, and a
          lockbox file lies ready.
        </Typography>
        {books.mayPost && (
          <Box sx={{ display: "flex", gap: 1 }}>
            <Button variant="outlined" disabled={busy} onClick={() => day.mutate()}>
              Open a day’s envelopes
            </Button>
            <Button variant="contained" disabled={busy} onClick={() => fetching.mutate()}>
              Fetch{" "}
              {ready === 0 ? "what is ready" : ready === 1 ? "1 lockbox file" : `${ready} lockbox files`}
            </Button>
          </Box>
        )}
        {refused && <Refused error={refused} />}
      </Box>
      <Moods
        moods={MOODS}
        behaviour={wished ?? room.behaviour}
        disabled={!books.mayPost}
        set={(next) => {
          setWished(next);
          behave.mutate(next);
        }}
      />
    </Box>
  );
}
