import { Box, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useBooks } from "../access/session";
import { api, data, type Schemas } from "../api/client";
import { onWeekday } from "../shared/dates";
import { Failed, Loading } from "../shared/States";
import { Deliveries } from "./Deliveries";
import { StandIn } from "./StandIn";

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
  const params = { query: { company: useBooks().company } };
  return (
    <StandIn<Behaviour>
      says={
        <>
          It opens the envelopes of <strong>lockbox {room.lockbox}</strong>. Its day is {onWeekday(room.day)}.
        </>
      }
      each="Each working day that goes by, customers pay by cheque, something happens to some of them, and a lockbox file lies ready."
      file="lockbox file"
      passes="Open a day’s envelopes"
      day={room.day}
      deliveries={room.deliveries}
      moods={MOODS}
      behaviour={room.behaviour}
      dayForward={async () => data(await api.POST("/api/outside/mail-room/day", { params }))}
      fetch={async () => data(await api.POST("/api/outside/mail-room/fetch", { params }))}
      behave={async (body) => data(await api.PUT("/api/outside/mail-room/behaviour", { params, body }))}
    />
  );
}
