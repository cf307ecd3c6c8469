import { Alert, Box, Button, Link, TextField, Typography } from "@mui/material";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import { useForm } from "react-hook-form";
import { Link as RouterLink } from "react-router";
import { useBooks, useSession } from "../access/session";
import { api, data, type Schemas } from "../api/client";
import { fileAt } from "../books/queries";
import { useRefresh } from "../desk/queries";
import { send } from "../intake/send";
import { count } from "../shared/dates";
import { Failed, Loading } from "../shared/States";

type Steps = Schemas["FirstSteps"];

/** How far a new company has come. */
export function useFirstSteps() {
  const { company } = useBooks();
  return useQuery({
    queryKey: ["first-steps", company],
    refetchInterval: 5_000,
    queryFn: async () => data(await api.GET("/api/first-steps", { params: { query: { company } } })),
  });
}

/** The way of a new company from nothing to its first settled invoice, one step after the other. */
export default function StartView() {
  const session = useSession();
  const steps = useFirstSteps();
  if (steps.error) {
    return <Failed error={steps.error} retry={() => void steps.refetch()} />;
  }
  if (!steps.data || !session.data) {
    return <Loading rows={8} />;
  }
  const s = steps.data;
  const administrator = session.data.role === "ADMINISTRATOR";
  const mayTake = session.data.role === "CLERK" || session.data.role === "SUPERVISOR";
  const now = [s.company, s.bankAccount, s.clerk, s.invoices > 0, s.entries > 0, s.settlements > 0].indexOf(
    false,
  );
  return (
    <Box sx={{ p: 3, maxWidth: 760 }}>
      <Typography variant="h1">First steps</Typography>
      <Typography color="textSecondary" sx={{ mb: 3 }}>
        From nothing to the first settled invoice, in some ten minutes. Everything asked here can be changed
        later, under Settings.
      </Typography>
      <Step
        n={1}
        title="The company"
        now={now}
        done={s.company && "It is set up, with a usual chart of accounts."}
      >
        {administrator ? <CompanyStep /> : <ForAdministrator />}
      </Step>
      <Step
        n={2}
        title="Its bank account"
        now={now}
        done={s.bankAccount && "Its statements are known by its number."}
      >
        {administrator ? <BankStep /> : <ForAdministrator />}
      </Step>
      <Step n={3} title="Who does the work" now={now} done={s.clerk && "Somebody may take in and post."}>
        {administrator ? <ClerkStep /> : <ForAdministrator />}
      </Step>
      <Step
        n={4}
        title="The first invoices"
        now={now}
        done={s.invoices > 0 && `${count(s.invoices, "item")} in the books.`}
      >
        {mayTake ? (
          <FileStep name="invoices.csv" what="a list of open invoices: CSV, XLSX or UBL" />
        ) : (
          <ForClerk />
        )}
      </Step>
      <Step
        n={5}
        title="The first statement"
        now={now}
        done={s.entries > 0 && `${count(s.entries, "entry", "entries")} of the bank.`}
      >
        {mayTake ? (
          <FileStep name="statement.csv" what="a statement of the bank, in any of its formats" />
        ) : (
          <ForClerk />
        )}
      </Step>
      <Step
        n={6}
        title="The first settled invoice"
        now={now}
        done={s.settlements > 0 && `${count(s.settlements, "settlement")} so far.`}
      >
        <Typography sx={{ mb: 1 }}>
          At the desk each credit stands with what it may pay, and why. Take an explanation, look at the line
          of what is left, and post.
        </Typography>
        <Button component={RouterLink} to="/waiting/desk" variant="contained">
          To the desk
        </Button>
      </Step>
      {now === -1 && (
        <Typography sx={{ mt: 2 }} role="status">
          That is all. The{" "}
          <Link component={RouterLink} to="/tied-out/day">
            day sheet
          </Link>{" "}
          shows the day in pictures; <b>?</b> names the keys of each view.
        </Typography>
      )}
    </Box>
  );
}

/** One step: what is done of it, or what is to be done where it is the next. */
function Step({
  n,
  title,
  now,
  done,
  children,
}: {
  n: number;
  title: string;
  now: number;
  done: string | false;
  children: ReactNode;
}) {
  const here = now === n - 1;
  return (
    <Box
      component="section"
      aria-label={title}
      aria-current={here ? "step" : undefined}
      sx={{
        display: "grid",
        gridTemplateColumns: "40px minmax(0, 1fr)",
        py: 1.5,
        borderTop: 1,
        borderColor: "divider",
        color: here || done ? "text.primary" : "text.secondary",
      }}
    >
      <Typography
        className="figure"
        sx={{ fontSize: 18, color: done ? "settled" : here ? "primary.main" : undefined }}
      >
        {n}
      </Typography>
      <Box>
        <Typography variant="h2" sx={{ color: done ? "settled" : undefined }}>
          {title}
        </Typography>
        {done && <Typography color="textSecondary">{done}</Typography>}
        {here && <Box sx={{ mt: 1 }}>{children}</Box>}
      </Box>
    </Box>
  );
}

function ForAdministrator() {
  return <Typography color="textSecondary">The administrator does this step.</Typography>;
}

function ForClerk() {
  return (
    <Typography color="textSecondary">
      Whoever takes in and posts does this step: sign out, and in again as that user.
    </Typography>
  );
}

interface StepFields {
  fields: { name: string; label: string; value: string; hint?: string; secret?: boolean }[];
  doing: string;
  save: (values: Record<string, string>) => Promise<unknown>;
}

function StepForm({ fields, doing, save }: StepFields) {
  const queries = useQueryClient();
  const { register, handleSubmit } = useForm<Record<string, string>>({
    defaultValues: Object.fromEntries(fields.map((f) => [f.name, f.value])),
  });
  const saving = useMutation({ mutationFn: save, onSuccess: () => queries.invalidateQueries() });
  return (
    <Box component="form" onSubmit={handleSubmit((values) => saving.mutate(values))}>
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1.5, mb: 1.5 }}>
        {fields.map((field, n) => (
          <TextField
            key={field.name}
            label={field.label}
            helperText={field.hint}
            autoFocus={n === 0}
            type={field.secret ? "password" : "text"}
            autoComplete={field.secret ? "new-password" : "off"}
            {...register(field.name)}
          />
        ))}
      </Box>
      {saving.error && (
        <Alert severity="error" variant="outlined" sx={{ mb: 1.5 }}>
          {saving.error.message}
        </Alert>
      )}
      <Button type="submit" variant="contained" disabled={saving.isPending}>
        {doing}
      </Button>
    </Box>
  );
}

function CompanyStep() {
  return (
    <StepForm
      fields={[
        { name: "name", label: "Name", value: "" },
        { name: "currency", label: "Books in", value: "USD", hint: "The code of ISO 4217." },
      ]}
      doing="Set up the company"
      save={async ({ name = "", currency = "" }) =>
        api.POST("/api/companies", { body: { name, currency: currency.trim().toUpperCase() } })
      }
    />
  );
}

function BankStep() {
  const { company, currency } = useBooks();
  return (
    <StepForm
      fields={[
        { name: "name", label: "What you call it", value: "Operating" },
        { name: "bank", label: "Bank", value: "" },
        { name: "number", label: "Number", value: "", hint: "As its statements have it." },
        { name: "currency", label: "Currency", value: currency },
      ]}
      doing="Add the account"
      save={async ({ name = "", bank = "", number = "", currency: unit = "" }) =>
        api.POST("/api/bank-accounts", {
          params: { query: { company } },
          body: { name, bank, number, currency: unit.trim().toUpperCase() },
        })
      }
    />
  );
}

/** The administrator posts nothing: whoever does gets a user, and goes on with it in this window. */
function ClerkStep() {
  const queries = useQueryClient();
  return (
    <>
      <Typography sx={{ mb: 1.5 }}>
        The administrator posts nothing himself. Make a supervisor, who may do all of the work; you go on as
        him.
      </Typography>
      <StepForm
        fields={[
          { name: "user", label: "User", value: "" },
          { name: "fullName", label: "Full name", value: "" },
          { name: "password", label: "Password", value: "", hint: "At least 10 characters.", secret: true },
        ]}
        doing="Make the user and go on as him"
        save={async ({ user = "", fullName = "", password = "" }) => {
          await api.POST("/api/users", { body: { user, fullName, password, role: "SUPERVISOR" } });
          const me = data(await api.POST("/api/session", { body: { user, password } }));
          queries.setQueryData(["me"], me);
        }}
      />
    </>
  );
}

/** Takes a file of one's own, or the sample. */
function FileStep({ name, what }: { name: "invoices.csv" | "statement.csv"; what: string }) {
  const { company } = useBooks();
  const refresh = useRefresh();
  const queries = useQueryClient();
  const [refused, setRefused] = useState("");
  const address = fileAt(`/api/first-steps/samples/${name}`, { company });
  const take = useMutation({
    mutationFn: async (file: File) => {
      const accounts = data(await api.GET("/api/bank-accounts", { params: { query: { company } } }));
      return send(file, company, {
        bankAccount: name === "statement.csv" ? String(accounts[0]?.id ?? "") : "",
      }).outcome;
    },
    onSuccess: async (outcome) => {
      setRefused(outcome.refusal?.message ?? "");
      await refresh();
      await queries.invalidateQueries({ queryKey: ["first-steps"] });
    },
  });
  const sample = async () =>
    take.mutate(new File([await (await fetch(address)).blob()], `sample-${name}`, { type: "text/csv" }));
  return (
    <>
      <Typography sx={{ mb: 1.5 }}>Drop {what} anywhere on this page, or begin with a sample.</Typography>
      <Box sx={{ display: "flex", gap: 1.5, alignItems: "center" }}>
        <Button component="label" variant="contained" disabled={take.isPending}>
          Choose a file…
          <input
            type="file"
            hidden
            onChange={(event) => {
              const file = event.target.files?.[0];
              if (file) {
                take.mutate(file);
              }
            }}
          />
        </Button>
        <Button variant="outlined" disabled={take.isPending} onClick={() => void sample()}>
          Take the sample
        </Button>
        <Link href={address} sx={{ fontSize: 13 }}>
          look at the sample
        </Link>
      </Box>
      {refused && (
        <Alert severity="error" variant="outlined" sx={{ mt: 1.5 }}>
          {refused}
        </Alert>
      )}
    </>
  );
}

/** Whether the first steps stand before everything else: until the first invoice is settled. */
export function stillStarting(steps: Steps | undefined): boolean {
  return steps !== undefined && (!steps.company || !steps.bankAccount || steps.settlements === 0);
}
