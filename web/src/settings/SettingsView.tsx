import { Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useBooks, useSession } from "../access/session";
import { api, data, type Schemas } from "../api/client";
import { Failed, Loading } from "../shared/States";
import { TabbedView } from "../shared/TabbedView";
import { DataTab } from "./DataTab";
import { SettingsTable } from "./SettingsTable";

const NUMBER: Record<Schemas["NumberRange"]["kind"], string> = {
  INVOICE: "Invoices written here",
  ON_ACCOUNT: "Money on account",
  CLAIM: "Claims",
  REFUND: "Refunds due",
};

/** What an account of the chart is for. */
function part(role: string): string {
  return role === "OTHER" ? "none; booked to by hand" : role.toLowerCase().replaceAll("_", " ");
}

const NAMES = {
  companies: "Companies",
  "bank-accounts": "Bank accounts",
  chart: "Chart of accounts",
  taxes: "Tax codes",
  reasons: "Reasons of claims",
  numbers: "Numbers",
  data: "Backup and check",
};

const VIEWS = {
  companies: CompaniesTab,
  "bank-accounts": BankAccountsTab,
  chart: ChartTab,
  taxes: TaxTab,
  reasons: ReasonsTab,
  numbers: NumbersTab,
  data: DataTab,
};

/** What the administrator sets, each with its history. */
export default function SettingsView() {
  const session = useSession();
  const may = session.data?.role === "ADMINISTRATOR";
  return (
    <TabbedView label="Settings" at="/settings" tabs={NAMES} first="companies">
      {(chosen) => {
        const Chosen = VIEWS[chosen];
        return (
          <>
            {!may && (
              <Typography color="textSecondary" sx={{ mb: 1.5, fontSize: 13 }}>
                The administrator changes these; everybody may look.
              </Typography>
            )}
            <Chosen may={may} />
          </>
        );
      }}
    </TabbedView>
  );
}

function CompaniesTab({ may }: { may: boolean }) {
  const session = useSession();
  const companies = session.data?.companies ?? [];
  return (
    <SettingsTable
      label="Companies"
      what="company"
      may={may}
      columns={["Company", "Books in"]}
      rows={companies.map((c) => ({
        key: String(c.id),
        cells: [c.name, c.currency],
        fields: [
          { name: "name", label: "Name", value: c.name },
          {
            name: "currency",
            label: "Books in (ISO 4217)",
            value: c.currency,
            hint: "Another one as long as nothing is booked.",
          },
        ],
        save: async ({ name = "", currency = "" }) =>
          api.PUT("/api/companies/{id}", { params: { path: { id: c.id } }, body: { name, currency } }),
      }))}
      add={{
        name: "Add a company…",
        fields: [
          { name: "name", label: "Name", value: "" },
          { name: "currency", label: "Books in (ISO 4217)", value: "USD" },
        ],
        save: async ({ name = "", currency = "" }) =>
          api.POST("/api/companies", { body: { name, currency } }),
      }}
    />
  );
}

function BankAccountsTab({ may }: { may: boolean }) {
  const { company, currency } = useBooks();
  const accounts = useQuery({
    queryKey: ["settings", "bank-accounts", company],
    queryFn: async () => data(await api.GET("/api/bank-accounts", { params: { query: { company } } })),
  });
  if (accounts.error) {
    return <Failed error={accounts.error} retry={() => void accounts.refetch()} />;
  }
  if (!accounts.data) {
    return <Loading />;
  }
  return (
    <SettingsTable
      label="Bank accounts"
      what="bank_account"
      may={may}
      columns={["Account", "Bank", "Number", "Currency", "Lockbox", "Ledger"]}
      rows={accounts.data.map((a) => ({
        key: String(a.id),
        cells: [a.name, a.bank, a.number, a.currency, a.lockbox, a.ledgerCode],
        fields: [
          { name: "name", label: "Name", value: a.name },
          { name: "bank", label: "Bank", value: a.bank, optional: true },
          { name: "number", label: "Number, as its statements have it", value: a.number },
          {
            name: "currency",
            label: "Currency (ISO 4217)",
            value: a.currency,
            hint: "Another one as long as nothing has arrived on it.",
          },
          { name: "lockbox", label: "Lockbox whose cheques are put there", value: a.lockbox, optional: true },
        ],
        save: async ({ name = "", bank = "", number = "", currency: unit = "", lockbox = "" }) =>
          api.PUT("/api/bank-accounts/{id}", {
            params: { path: { id: a.id } },
            body: { name, bank, number, currency: unit, lockbox },
          }),
      }))}
      add={{
        name: "Add a bank account…",
        fields: [
          { name: "name", label: "Name", value: "" },
          { name: "bank", label: "Bank", value: "", optional: true },
          { name: "number", label: "Number, as its statements have it", value: "" },
          { name: "currency", label: "Currency (ISO 4217)", value: currency },
        ],
        save: async ({ name = "", bank = "", number = "", currency: unit = "" }) =>
          api.POST("/api/bank-accounts", {
            params: { query: { company } },
            body: { name, bank, number, currency: unit },
          }),
      }}
    />
  );
}

function ChartTab({ may }: { may: boolean }) {
  const { company } = useBooks();
  const chart = useQuery({
    queryKey: ["settings", "chart", company],
    queryFn: async () => data(await api.GET("/api/chart", { params: { query: { company } } })),
  });
  if (chart.error) {
    return <Failed error={chart.error} retry={() => void chart.refetch()} />;
  }
  if (!chart.data) {
    return <Loading rows={12} />;
  }
  return (
    <SettingsTable
      label="Chart of accounts"
      what="ledger_account"
      may={may}
      columns={["Code", "Account", "Part in the rules"]}
      rows={chart.data.map((a) => ({
        key: String(a.id),
        cells: [a.code, a.name, part(a.role)],
        fields: [
          { name: "code", label: "Code", value: a.code },
          { name: "name", label: "Account", value: a.name },
        ],
        save: async ({ code = "", name = "" }) =>
          api.PUT("/api/chart/{id}", {
            params: { path: { id: a.id }, query: { company } },
            body: { code, name },
          }),
      }))}
      add={{
        name: "Add an account…",
        fields: [
          { name: "code", label: "Code", value: "" },
          { name: "name", label: "Account", value: "" },
        ],
        save: async ({ code = "", name = "" }) =>
          api.POST("/api/chart", { params: { query: { company } }, body: { code, name } }),
      }}
    />
  );
}

function TaxTab({ may }: { may: boolean }) {
  const { company } = useBooks();
  const taxes = useQuery({
    queryKey: ["settings", "taxes", company],
    queryFn: async () => data(await api.GET("/api/tax-codes", { params: { query: { company } } })),
  });
  if (taxes.error) {
    return <Failed error={taxes.error} retry={() => void taxes.refetch()} />;
  }
  if (!taxes.data) {
    return <Loading />;
  }
  const save = async (code: string, name: string, percent: string) =>
    api.PUT("/api/tax-codes/{code}", {
      params: { path: { code }, query: { company } },
      body: { name, percent: Number(percent.replace(",", ".")) },
    });
  return (
    <SettingsTable
      label="Tax codes"
      what="tax_code"
      may={may}
      columns={["Code", "Tax", "Per cent of the net"]}
      rows={taxes.data.map((t) => ({
        key: t.code,
        cells: [t.code, t.name, String(t.percent)],
        fields: [
          { name: "name", label: "Tax", value: t.name },
          { name: "percent", label: "Per cent of the net", value: String(t.percent) },
        ],
        save: ({ name = "", percent = "" }) => save(t.code, name, percent),
      }))}
      add={{
        name: "Add a tax code…",
        fields: [
          { name: "code", label: "Code", value: "", hint: "Capital letters and digits." },
          { name: "name", label: "Tax", value: "" },
          { name: "percent", label: "Per cent of the net", value: "" },
        ],
        save: ({ code = "", name = "", percent = "" }) => save(code, name, percent),
      }}
    />
  );
}

function ReasonsTab({ may }: { may: boolean }) {
  const { company } = useBooks();
  const reasons = useQuery({
    queryKey: ["settings", "reasons", company],
    queryFn: async () => data(await api.GET("/api/claim-reasons", { params: { query: { company } } })),
  });
  if (reasons.error) {
    return <Failed error={reasons.error} retry={() => void reasons.refetch()} />;
  }
  if (!reasons.data) {
    return <Loading />;
  }
  return (
    <SettingsTable
      label="Reasons of claims"
      what="claim_reason_word"
      may={may}
      columns={["Reason", "Code", "Offered"]}
      rows={reasons.data.map((r) => ({
        key: r.reason,
        cells: [r.words, r.reason, r.offered ? "yes" : "no"],
        fields: [
          { name: "words", label: "Reason", value: r.words },
          { name: "offered", label: "Offered when a claim is made", value: String(r.offered), tick: true },
        ],
        save: async ({ words = "", offered = "" }) =>
          api.PUT("/api/claim-reasons/{reason}", {
            params: { path: { reason: r.reason }, query: { company } },
            body: { words, offered: offered === "true" },
          }),
      }))}
    />
  );
}

function NumbersTab({ may }: { may: boolean }) {
  const { company } = useBooks();
  const numbers = useQuery({
    queryKey: ["settings", "numbers", company],
    queryFn: async () => data(await api.GET("/api/number-ranges", { params: { query: { company } } })),
  });
  if (numbers.error) {
    return <Failed error={numbers.error} retry={() => void numbers.refetch()} />;
  }
  if (!numbers.data) {
    return <Loading />;
  }
  return (
    <SettingsTable
      label="Numbers"
      what="number_range"
      may={may}
      columns={["Numbers of", "Begin with", "Usually"]}
      rows={numbers.data.map((n) => ({
        key: n.kind,
        cells: [NUMBER[n.kind], n.prefix, n.usual],
        fields: [
          {
            name: "prefix",
            label: "Begin with",
            value: n.prefix,
            hint: "Up to 10 capital letters and digits. Numbers that were given stay.",
          },
        ],
        save: async ({ prefix = "" }) =>
          api.PUT("/api/number-ranges/{kind}", {
            params: { path: { kind: n.kind }, query: { company } },
            body: { prefix },
          }),
      }))}
    />
  );
}
