import { Box, Button, MenuItem, TextField, Typography } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useBooks, useSession } from "../access/session";
import { api, data, type Schemas } from "../api/client";
import { useRefresh } from "../desk/queries";
import { onWeekday } from "../shared/dates";
import { Failed, Loading } from "../shared/States";
import { Deliveries } from "./Deliveries";
import { MailRoom } from "./MailRoom";
import { Processor } from "./Processor";
import { RateService } from "./RateService";
import { Refused } from "./Refused";
import { StandIn } from "./StandIn";

type Bank = Schemas["BankView"];
type Behaviour = Schemas["Behaviour"];

const MOODS: [keyof Behaviour, string, string][] = [
  ["late", "Late", "a day’s statement lies ready a working day later"],
  ["twice", "Twice", "it delivers each statement two times"],
  ["offLine", "Off-line", "it cannot be reached"],
  ["wrongBalance", "Wrong balance", "its closing balance is 10.00 too high"],
  ["wrongCurrency", "Wrong currency", "its statement is not in the account’s currency"],
];

/** Stand-ins for what is outside, to try things out with; there with the demonstration's books only. */
export default function OutsideView() {
  const books = useBooks();
  const bank = useQuery({
    queryKey: ["outside", books.company],
    queryFn: async () =>
      data(await api.GET("/api/outside/bank", { params: { query: { company: books.company } } })),
  });
  return (
    <Box sx={{ p: 3, maxWidth: 1100 }}>
      <Box
        sx={{
          px: 2,
          py: 1,
          mb: 2.5,
          borderRadius: 1,
          border: "1px dashed",
          borderColor: "text.secondary",
          backgroundImage:
            "repeating-linear-gradient(135deg, transparent 0 10px, rgba(128,128,128,0.10) 10px 12px)",
        }}
      >
        <strong>Simulated.</strong> No bank, no mail room, no processor and no rate service stands behind this
        view. What they deliver is made up, and goes into the demonstration’s books like any file.
      </Box>
      <Box component="section" aria-label="The bank">
        <Typography variant="h1" sx={{ mb: 1 }}>
          The bank
        </Typography>
        {bank.error && <Failed error={bank.error} retry={() => void bank.refetch()} />}
        {bank.isPending && <Loading />}
        {bank.data && (bank.data.bankAccountId ? <Connected bank={bank.data} /> : <Unconnected />)}
        {bank.data && <Deliveries of="bank" deliveries={bank.data.deliveries} day={bank.data.day} />}
      </Box>
      <MailRoom />
      <Processor />
      <RateService />
    </Box>
  );
}

function useAccounts() {
  const books = useBooks();
  const session = useSession();
  return session.data?.companies.find((c) => c.id === books.company)?.bankAccounts ?? [];
}

function Unconnected() {
  const books = useBooks();
  const refresh = useRefresh();
  const accounts = useAccounts();
  const [account, setAccount] = useState(String(accounts[0]?.id ?? ""));
  const connect = useMutation({
    mutationFn: async () =>
      data(
        await api.POST("/api/outside/bank/connection", {
          params: { query: { company: books.company } },
          body: { bankAccountId: Number(account) },
        }),
      ),
    onSettled: refresh,
  });
  return (
    <>
      <Typography variant="body2" sx={{ mb: 1.5 }}>
        It is not connected. Choose the account that it is to deliver statements for.
      </Typography>
      {books.mayPost && (
        <Box sx={{ display: "flex", gap: 1.5, alignItems: "center" }}>
          <TextField
            select
            label="Account"
            value={account}
            onChange={(event) => setAccount(event.target.value)}
            sx={{ minWidth: 240 }}
          >
            {accounts.map((one) => (
              <MenuItem key={one.id} value={String(one.id)}>
                {one.name}, {one.bank}
              </MenuItem>
            ))}
          </TextField>
          <Button
            variant="contained"
            disabled={account === "" || connect.isPending}
            onClick={() => connect.mutate()}
          >
            Connect
          </Button>
        </Box>
      )}
      {connect.error && <Refused error={connect.error} />}
    </>
  );
}

function Connected({ bank }: { bank: Bank }) {
  const params = { query: { company: useBooks().company } };
  const account = useAccounts().find((one) => one.id === bank.bankAccountId);
  return (
    bank.behaviour && (
      <StandIn<Behaviour>
        says={
          <>
            Connected to <strong>{account?.name}</strong>. {bank.day && `Its day is ${onWeekday(bank.day)}.`}
          </>
        }
        each="Each working day that goes by, customers pay some of what they owe, and a camt.053 statement lies ready."
        file="file"
        passes="Let a day go by"
        day={bank.day ?? undefined}
        deliveries={bank.deliveries}
        moods={MOODS}
        behaviour={bank.behaviour}
        dayForward={async () => data(await api.POST("/api/outside/bank/day", { params }))}
        fetch={async () => data(await api.POST("/api/outside/bank/fetch", { params }))}
        behave={async (body) => data(await api.PUT("/api/outside/bank/behaviour", { params, body }))}
        more={<Part />}
      />
    )
  );
}

/** Parts from the bank; what was fetched stays. */
function Part() {
  const books = useBooks();
  const refresh = useRefresh();
  const part = useMutation({
    mutationFn: async () =>
      data(
        await api.DELETE("/api/outside/bank/connection", { params: { query: { company: books.company } } }),
      ),
    onSettled: refresh,
  });
  return (
    <>
      <Button disabled={part.isPending} onClick={() => part.mutate()}>
        Part from it
      </Button>
      {part.error && <Refused error={part.error} />}
    </>
  );
}
