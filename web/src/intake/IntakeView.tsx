import {
  Alert,
  Box,
  Button,
  Link,
  MenuItem,
  Tab,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Tabs,
  TextField,
  Typography,
} from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { Link as RouterLink, useNavigate } from "react-router";
import { api, data, type Schemas } from "../api/client";
import { useBooks, useSession } from "../access/session";
import { Amount } from "../shared/Amount";
import { atMoment, count } from "../shared/dates";
import { Empty, Failed, Loading } from "../shared/States";
import { Corrections } from "./Corrections";
import { explainNext } from "../profiles/sample";
import { useIntaking } from "./intaking";
import { OnItsWay } from "./OnItsWay";
import { PasteAdvice } from "./PasteAdvice";
import { ProblemLines } from "./ProblemLines";
import type { Outcome } from "./send";
import { Statements, useStatements } from "./Statements";

type Intake = Schemas["IntakeView"];
type Shown = "files" | "statements";

/** What came, from where, and what became of it; files can be dropped anywhere on the page. */
export default function IntakeView() {
  const books = useBooks();
  const session = useSession();
  const intakes = useQuery({
    queryKey: ["intakes", books.company],
    queryFn: async () =>
      data(await api.GET("/api/intakes", { params: { query: { company: books.company, limit: 100 } } })),
  });
  const { items, take, clear, over, bankAccount, forAccount } = useIntaking();
  const [shown, setShown] = useState<Shown>("files");
  const [asked, setAsked] = useState<"advice">();
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
        <Intakes rows={intakes.data.rows} />
      )}
    </Box>
  );
}

/** Texts and workbooks may be tables whose columns can be explained. */
const TABLE = /\.(csv|txt|tsv|xlsx|xlsm)$/i;

function Told({ outcome }: { outcome: Outcome }) {
  const books = useBooks();
  const navigate = useNavigate();
  if (outcome.refusal) {
    return (
      <Alert
        severity={outcome.refusal.code === "STOPPED" ? "info" : "error"}
        variant="outlined"
        sx={{ mt: 1.5 }}
        action={
          books.mayPost &&
          TABLE.test(outcome.file.name) &&
          outcome.refusal.code === "BROKEN_FILE" && (
            <Button
              onClick={() => {
                explainNext(outcome.file);
                void navigate("/arrived/profiles");
              }}
            >
              Explain its columns…
            </Button>
          )
        }
      >
        <strong>{outcome.file.name}</strong>: {outcome.refusal.message}
        <ProblemLines error={outcome.refusal} />
      </Alert>
    );
  }
  const { intake } = outcome;
  if (!intake) {
    return null;
  }
  return (
    <Alert
      severity="info"
      icon={false}
      variant="outlined"
      sx={{ mt: 1.5, borderColor: "settled", color: "text.primary" }}
    >
      <strong>{intake.fileName}</strong>: {count(intake.records, "record")}, {intake.fresh.toLocaleString()}{" "}
      new, {intake.known.toLocaleString()} known already.
      {intake.waiting.map((part) => (
        <span key={part.currency}>
          {" "}
          {count(part.entries, "credit")} of <Amount of={part.amount} /> {part.currency}{" "}
          {part.entries === 1 ? "waits" : "wait"} at the desk.{" "}
          <Button component={RouterLink} to="/waiting/desk">
            To the desk
          </Button>
        </span>
      ))}
      {intake.announced.map((part) => (
        <span key={part.currency}>
          {" "}
          {count(part.entries, "entry", "entries")} of <Amount of={part.amount} /> {part.currency} announced.
        </span>
      ))}
      {intake.problems.map((problem) => (
        <Box key={problem}>{problem}</Box>
      ))}
    </Alert>
  );
}

function Parts({ parts }: { parts: Intake["waiting"] }) {
  return parts.map((part) => (
    <Box key={part.currency} sx={{ whiteSpace: "nowrap" }}>
      <Box component="span" sx={{ color: "text.secondary", mr: 1 }}>
        {part.entries.toLocaleString()}
      </Box>
      <Amount of={part.amount} />
    </Box>
  ));
}

function Intakes({ rows }: { rows: Intake[] }) {
  return (
    <Table size="small" aria-label="Intakes">
      <TableHead>
        <TableRow>
          <TableCell>File</TableCell>
          <TableCell>Format</TableCell>
          <TableCell>Taken in</TableCell>
          <TableCell align="right">Records</TableCell>
          <TableCell align="right">New</TableCell>
          <TableCell align="right">Known</TableCell>
          <TableCell align="right">Waiting</TableCell>
          <TableCell align="right">Settled</TableCell>
          <TableCell align="right">From us</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {rows.map((intake) => (
          <TableRow key={intake.id}>
            <TableCell sx={{ opacity: intake.takenBackBy ? 0.65 : 1 }}>
              <Link component={RouterLink} to={`/arrived/intake/${intake.id}`}>
                {intake.fileName}
              </Link>
              {intake.takenBackBy && (
                <Box sx={{ fontSize: 12 }}>
                  taken back by {intake.takenBackBy}, {atMoment(intake.takenBackAt ?? intake.takenAt)}
                </Box>
              )}
              {intake.sameAs && (
                <Box sx={{ fontSize: 12, color: "text.secondary" }}>the same file as {intake.sameAs}</Box>
              )}
              {intake.problems.map((problem) => (
                <Box key={problem} sx={{ fontSize: 12, color: "text.secondary" }}>
                  {problem}
                </Box>
              ))}
            </TableCell>
            <TableCell>
              {intake.format}
              {intake.profile && (
                <Box sx={{ fontSize: 12, color: "text.secondary" }}>by “{intake.profile}”</Box>
              )}
            </TableCell>
            <TableCell>
              {atMoment(intake.takenAt)}, {intake.takenBy}
            </TableCell>
            <TableCell align="right" className="figure">
              {intake.records.toLocaleString()}
            </TableCell>
            <TableCell align="right" className="figure">
              {intake.fresh.toLocaleString()}
            </TableCell>
            <TableCell align="right" className="figure">
              {intake.known.toLocaleString()}
            </TableCell>
            <TableCell align="right">
              <Parts parts={intake.waiting} />
              {intake.announced.length > 0 && (
                <Box sx={{ fontSize: 12, color: "text.secondary", whiteSpace: "nowrap" }}>
                  announced
                  <Parts parts={intake.announced} />
                </Box>
              )}
            </TableCell>
            <TableCell align="right">
              <Parts parts={intake.settled} />
            </TableCell>
            <TableCell align="right">
              <Parts parts={intake.debits} />
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}
