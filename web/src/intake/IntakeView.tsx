import { Box, Button, MenuItem, Tab, Tabs, TextField, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { api, data } from "../api/client";
import { useBooks, useSession } from "../access/session";
import { count } from "../shared/dates";
import { Empty, Failed, Loading } from "../shared/States";
import { Corrections } from "./Corrections";
import { InboxNotice } from "./InboxNotice";
import { IntakeTable } from "./IntakeTable";
import { Told } from "./IntakeTold";
import { useIntaking } from "./intaking";
import { OnItsWay } from "./OnItsWay";
import { PasteAdvice } from "./PasteAdvice";
import { TypeEntries } from "./TypeEntries";
import { Statements, useStatements } from "./Statements";

type Shown = "files" | "statements";

/** What came, from where, and what became of it; files can be dropped anywhere on the page. */
export default function IntakeView() {
  const books = useBooks();
  const session = useSession();
  const intakes = useQuery({
    queryKey: ["intakes", books.company],
    // the watched folder and colleagues bring files too
    refetchInterval: 5_000,
    queryFn: async () =>
      data(await api.GET("/api/intakes", { params: { query: { company: books.company, limit: 100 } } })),
  });
  const { items, take, clear, over, bankAccount, forAccount } = useIntaking();
  const [shown, setShown] = useState<Shown>("files");
  const [asked, setAsked] = useState<"advice" | "entries">();
  const navigate = useNavigate();
  const gaps = useStatements().data?.reduce((sum, account) => sum + account.gaps, 0) ?? 0;
  const picker = useRef<HTMLInputElement>(null);
  const accounts = session.data?.companies.find((c) => c.id === books.company)?.bankAccounts ?? [];

  useEffect(
    () => () => {
      // the choice counts here, where it is seen, and not for what is dropped on another view
      forAccount("");
      // what became of the files was seen here and need not be told there again
      clear();
    },
    [forAccount, clear],
  );

  return (
    <Box sx={{ p: 3 }}>
      {books.mayPost && (
        <Box
          sx={{
            border: "2px dashed",
            borderColor: over ? "primary.main" : "divider",
            bgcolor: over ? "chosenTint" : "transparent",
            borderRadius: 1,
            p: 2.5,
            display: "flex",
            alignItems: "center",
            gap: 2.5,
          }}
        >
          <Box sx={{ flex: 1 }}>
            <Typography variant="h3">Drop files anywhere, on any view</Typography>
            <Typography variant="body2" color="textSecondary">
              Bank statements as camt.053, camt.052, camt.054, MT940, MT942, BAI2, OFX, CSV or XLSX; invoices
              as CSV, XLSX or UBL; customers as CSV or XLSX; remittance advice as X12 820, CSV or XLSX. A file
              is taken in as a whole or not at all, and what is known already changes nothing, whatever format
              it came in.
            </Typography>
          </Box>
          <TextField
            select
            label="For"
            value={bankAccount}
            onChange={(event) => forAccount(event.target.value)}
            slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
            sx={{ width: 220 }}
          >
            <MenuItem value="">the account the file names</MenuItem>
            {accounts.map((account) => (
              <MenuItem key={account.id} value={String(account.id)}>
                {account.name}
              </MenuItem>
            ))}
          </TextField>
          <Box sx={{ display: "flex", flexDirection: "column", alignItems: "flex-start" }}>
            <Button onClick={() => setAsked("advice")}>Paste an advice…</Button>
            <Button onClick={() => setAsked("entries")}>Type entries…</Button>
          </Box>
          <Button variant="contained" size="medium" onClick={() => picker.current?.click()}>
            Choose files…
          </Button>
          <input
            ref={picker}
            type="file"
            multiple
            hidden
            aria-label="Files to take in"
            onChange={(event) => {
              take([...(event.target.files ?? [])]);
              event.target.value = "";
            }}
          />
        </Box>
      )}
      {asked === "advice" && (
        <PasteAdvice
          done={(id) => void navigate(`/arrived/intake/${id}`)}
          close={() => setAsked(undefined)}
        />
      )}
      {asked === "entries" && session.data && (
        <TypeEntries
          accounts={accounts}
          day={session.data.businessDate}
          done={(id) => void navigate(`/arrived/intake/${id}`)}
          close={() => setAsked(undefined)}
        />
      )}
      <InboxNotice />
      <OnItsWay />
      <Box aria-live="polite">
        {items.map(({ key, outcome }) => outcome && <Told key={key} outcome={outcome} />)}
      </Box>
      <Corrections />
      <Tabs
        value={shown}
        onChange={(_, tab: Shown) => setShown(tab)}
        aria-label="What was taken in"
        sx={{ mt: 3, mb: 1, minHeight: 40, borderBottom: 1, borderColor: "divider" }}
      >
        <Tab value="files" label="Files taken in" />
        <Tab value="statements" label={gaps > 0 ? `Statements, ${count(gaps, "gap")}` : "Statements"} />
      </Tabs>
      {shown === "statements" && <Statements />}
      {shown === "files" && intakes.isPending && <Loading />}
      {shown === "files" && intakes.error && (
        <Failed error={intakes.error} retry={() => void intakes.refetch()} />
      )}
      {shown === "files" && intakes.data?.rows.length === 0 && (
        <Empty title="Nothing yet">Begin with customers and invoices, then a statement.</Empty>
      )}
      {shown === "files" && intakes.data && intakes.data.rows.length > 0 && (
        <IntakeTable rows={intakes.data.rows} />
      )}
    </Box>
  );
}
