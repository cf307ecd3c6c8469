import {
  Alert,
  Box,
  Button,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  TextField,
  Typography,
} from "@mui/material";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useBooks, useSession } from "../access/session";
import { api, data, type Schemas } from "../api/client";
import { useRefresh } from "../desk/queries";
import { Amount } from "../shared/Amount";
import { AskDialog } from "../shared/AskDialog";
import { Choice } from "../shared/Choice";
import { CustomerPicker, type Picked } from "../shared/CustomerPicker";
import { atMoment, count, onDay } from "../shared/dates";
import { FigureField } from "../shared/FigureField";
import { typedAmount, zero } from "../shared/money";
import { Failed, Loading } from "../shared/States";

type Rule = Schemas["RuleView"];
type Method = NonNullable<Rule["method"]>;
type Day = Schemas["DayView"];

const METHOD: Record<Method, string> = {
  CHEQUE: "cheque",
  CASH: "cash",
  CARD: "card",
  TRANSFER: "transfer",
};

/** What is posted without a hand: nothing, unless a rule covers it; what was, day by day, to be taken back as a whole. */
export default function UnattendedView() {
  const books = useBooks();
  const session = useSession();
  const rules = useQuery({
    queryKey: ["unattended-rules", books.company],
    queryFn: async () =>
      data(await api.GET("/api/unattended/rules", { params: { query: { company: books.company } } })),
  });
  const days = useQuery({
    queryKey: ["unattended-days", books.company, books.currency],
    refetchInterval: 5_000,
    queryFn: async () =>
      data(
        await api.GET("/api/unattended/days", {
          params: { query: { company: books.company, currency: books.currency } },
        }),
      ),
  });
  const failed = rules.error ?? days.error;
  if (failed && !(rules.data && days.data)) {
    return <Failed error={failed} retry={() => void Promise.all([rules.refetch(), days.refetch()])} />;
  }
  if (!rules.data || !days.data) {
    return <Loading />;
  }
  const may = session.data?.role === "ADMINISTRATOR" || session.data?.role === "SUPERVISOR";
  return (
    <Box sx={{ p: 3, maxWidth: 980 }}>
      <Typography variant="h1">Posted without a hand</Typography>
      <Typography color="textSecondary" sx={{ mb: 2, maxWidth: 720 }}>
        Nothing is, unless a rule covers it: what stands clear and is nobody&apos;s draft is then posted as
        soon as it does. Each receipt is tried once; what was refused or taken back is left to people.
      </Typography>
      <Rules rules={rules.data} may={may} />
      {may && <NewRule />}
      <Days days={days.data} />
    </Box>
  );
}

function covers(rule: Rule): string {
  return (
    rule.customer ??
    (rule.bankAccount ? `all on ${rule.bankAccount}` : rule.method ? `all by ${METHOD[rule.method]}` : "")
  );
}

function Rules({ rules, may }: { rules: Rule[]; may: boolean }) {
  const queries = useQueryClient();
  const end = useMutation({
    mutationFn: async (id: number) =>
      data(await api.DELETE("/api/unattended/rules/{id}", { params: { path: { id } } })),
    onSuccess: () => void queries.invalidateQueries({ queryKey: ["unattended-rules"] }),
  });
  if (rules.length === 0) {
    return <Typography sx={{ mb: 2 }}>No rule: everything is posted by people.</Typography>;
  }
  return (
    <>
      {end.error && <Failed error={end.error} />}
      <Table size="small" aria-label="Rules" sx={{ mb: 2 }}>
        <TableHead>
          <TableRow>
            <TableCell>Receipts</TableCell>
            <TableCell align="right">up to</TableCell>
            <TableCell>said</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {rules.map((rule) => (
            <TableRow key={rule.id}>
              <TableCell>{covers(rule)}</TableCell>
              <TableCell align="right">
                <Amount of={rule.upTo} />
              </TableCell>
              <TableCell sx={{ color: "text.secondary" }}>
                by {rule.by}, {atMoment(rule.at)}
              </TableCell>
              <TableCell align="right">
                {may && (
                  <Button
                    disabled={end.isPending}
                    onClick={() => end.mutate(rule.id)}
                    aria-label={`End the rule for ${covers(rule)}`}
                  >
                    End
                  </Button>
                )}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </>
  );
}

function NewRule() {
  const books = useBooks();
  const session = useSession();
  const queries = useQueryClient();
  const [kind, setKind] = useState("customer");
  const [customer, setCustomer] = useState<Picked | null>(null);
  const [method, setMethod] = useState("TRANSFER");
  const [account, setAccount] = useState("");
  const [upTo, setUpTo] = useState("");
  const amount = typedAmount(upTo, zero(books.currency));
  const accounts =
    session.data?.companies
      .find((c) => c.id === books.company)
      ?.bankAccounts.filter((a) => a.currency === books.currency) ?? [];
  const chosen = account || String(accounts[0]?.id ?? "");
  const add = useMutation({
    mutationFn: async () =>
      data(
        await api.POST("/api/unattended/rules", {
          params: { query: { company: books.company } },
          body: {
            customerId: kind === "customer" ? customer?.id : undefined,
            bankAccountId: kind === "account" ? Number(chosen) : undefined,
            method: kind === "method" ? (method as Method) : undefined,
            upTo: amount ?? zero(books.currency),
          },
        }),
      ),
    onSuccess: () => {
      setCustomer(null);
      setUpTo("");
      void queries.invalidateQueries();
    },
  });
  const ready = amount !== null && (kind !== "customer" || customer !== null);
  return (
    <Box component="form" aria-label="New rule" onSubmit={(event) => event.preventDefault()} sx={{ mb: 4 }}>
      <Box
        sx={{ display: "grid", gridTemplateColumns: "190px 1fr 150px auto", gap: 1.5, alignItems: "start" }}
      >
        <Choice
          shown
          label="Receipts of"
          value={kind}
          options={[
            ["customer", "one customer"],
            ["account", "one bank account"],
            ["method", "one method"],
          ]}
          choose={setKind}
        />
        {kind === "customer" && <CustomerPicker label="Customer" picked={customer} pick={setCustomer} />}
        {kind === "account" && (
          <Choice
            shown
            label="Bank account"
            value={chosen}
            options={accounts.map((a) => [String(a.id), a.name])}
            choose={setAccount}
          />
        )}
        {kind === "method" && (
          <Choice shown label="Method" value={method} options={Object.entries(METHOD)} choose={setMethod} />
        )}
        <FigureField label="Up to" text={upTo} type={setUpTo} valid={upTo === "" || amount !== null} />
        <Button
          type="submit"
          variant="outlined"
          disabled={!ready || add.isPending}
          onClick={() => add.mutate()}
        >
          Post these without a hand
        </Button>
      </Box>
      {add.error && (
        <Alert severity="error" variant="outlined" sx={{ mt: 1.5 }}>
          {add.error.message}
        </Alert>
      )}
    </Box>
  );
}

function Days({ days }: { days: Day[] }) {
  const books = useBooks();
  const [asked, setAsked] = useState<Day | null>(null);
  const [kept, setKept] = useState<Schemas["ReversedView"] | null>(null);
  return (
    <>
      <Typography variant="h3">Day by day</Typography>
      {days.length === 0 && (
        <Typography color="textSecondary">Nothing was posted without a hand yet.</Typography>
      )}
      {kept && (
        <Alert severity={kept.kept.length > 0 ? "warning" : "info"} variant="outlined" sx={{ my: 1 }}>
          {count(kept.reversed, "settlement")} taken back.
          {kept.kept.map((one) => (
            <div key={one.settlementId}>
              Settlement {one.settlementId} stays: {one.reason}
            </div>
          ))}
        </Alert>
      )}
      {days.length > 0 && (
        <Table size="small" aria-label="Days" sx={{ maxWidth: 760 }}>
          <TableHead>
            <TableRow>
              <TableCell>Day</TableCell>
              <TableCell align="right">Posted</TableCell>
              <TableCell align="right">Amount</TableCell>
              <TableCell align="right">Taken back</TableCell>
              <TableCell />
            </TableRow>
          </TableHead>
          <TableBody>
            {days.map((day) => (
              <TableRow key={day.on}>
                <TableCell>{onDay(day.on)}</TableCell>
                <TableCell align="right" className="figure">
                  {day.posted.toLocaleString()}
                </TableCell>
                <TableCell align="right">
                  <Amount of={day.amount} />
                </TableCell>
                <TableCell align="right" className="figure">
                  {(day.posted - day.standing).toLocaleString()}
                </TableCell>
                <TableCell align="right">
                  {books.supervisor && day.standing > 0 && (
                    <Button onClick={() => setAsked(day)}>Take the day back…</Button>
                  )}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
      {asked && <TakeBack day={asked} done={setKept} close={() => setAsked(null)} />}
    </>
  );
}

function TakeBack({
  day,
  done,
  close,
}: {
  day: Day;
  done: (result: Schemas["ReversedView"]) => void;
  close: () => void;
}) {
  const books = useBooks();
  const refresh = useRefresh();
  const queries = useQueryClient();
  const [reason, setReason] = useState("");
  const back = useMutation({
    mutationFn: async () =>
      data(
        await api.POST("/api/unattended/days/{day}/reversal", {
          params: { path: { day: day.on }, query: { company: books.company, currency: books.currency } },
          body: { reason },
        }),
      ),
    onSuccess: (result) => {
      done(result);
      void refresh();
      void queries.invalidateQueries({ queryKey: ["unattended-days"] });
      close();
    },
  });
  return (
    <AskDialog
      title={`Take back what was posted without a hand on ${onDay(day.on)}`}
      error={back.error}
      doing={`Take ${count(day.standing, "settlement")} back`}
      ready={reason.trim() !== "" && !back.isPending}
      go={() => back.mutate()}
      close={close}
    >
      <Typography sx={{ mb: 2 }}>
        Each is reversed with its mirror entry; the receipts wait again and are left to people.
      </Typography>
      <TextField
        label="Why"
        fullWidth
        autoFocus
        value={reason}
        onChange={(event) => setReason(event.target.value)}
      />
    </AskDialog>
  );
}
