import { Alert, Box, Button, Link, Tab, Tabs, Typography } from "@mui/material";
import { useRef, useState } from "react";
import { Link as RouterLink, useSearchParams } from "react-router";
import { useBooks, useSession } from "../access/session";
import { AskDialog } from "../shared/AskDialog";
import { ColumnHead, ColumnLine } from "../shared/Columns";
import { atMoment, count, onDay } from "../shared/dates";
import { grouped, positive } from "../shared/money";
import { Empty, Failed, Loading } from "../shared/States";
import {
  useAliases,
  useEndRule,
  useForgetAlias,
  useKeepRule,
  useOrderRules,
  useRules,
  useTakeRules,
  type Rule,
} from "./queries";
import { RuleForm } from "./RuleForm";
import { goes, takes, WAY } from "./words";

/** What was decided once: treatments of entries that are no receipts, and who stands for which customer. */
export default function HouseRulesView() {
  const books = useBooks();
  const [params, setParams] = useSearchParams();
  const shown = params.get("of") === "aliases" ? "aliases" : "treatments";
  const take = useTakeRules();
  const chooser = useRef<HTMLInputElement>(null);
  return (
    <Box sx={{ p: 3, maxWidth: 1180 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 2 }}>
        <Typography variant="h1">House rules</Typography>
        <Box sx={{ ml: "auto", display: "flex", gap: 1 }}>
          <Button component="a" href={`/api/house-rules/file?company=${books.company}`} download>
            Save as a file
          </Button>
          {books.supervisor && (
            <Button onClick={() => chooser.current?.click()} disabled={take.isPending}>
              Take in from a file…
            </Button>
          )}
          <input
            ref={chooser}
            type="file"
            accept=".yml,.yaml"
            hidden
            aria-label="File of house rules"
            onChange={(event) => {
              const file = event.target.files?.[0];
              event.target.value = "";
              if (file) {
                take.mutate(file);
              }
            }}
          />
        </Box>
      </Box>
      {take.error && (
        <Alert severity="error" variant="outlined" sx={{ mt: 1 }}>
          {take.error.message}
        </Alert>
      )}
      {take.data && (
        <Alert
          severity="info"
          icon={false}
          variant="outlined"
          sx={{ mt: 1, borderColor: "divider", color: "text.primary" }}
        >
          {count(take.data.added, "treatment")} added, {take.data.changed} changed,{" "}
          {count(take.data.aliases, "alias", "aliases")} added.
        </Alert>
      )}
      <Tabs
        value={shown}
        onChange={(_, of: string) => setParams(of === "aliases" ? { of } : {}, { replace: true })}
        aria-label="Kind of house rule"
        sx={{ mb: 2, borderBottom: 1, borderColor: "divider" }}
      >
        <Tab value="treatments" label="Treatments" />
        <Tab value="aliases" label="Aliases" />
      </Tabs>
      {shown === "treatments" ? <Treatments /> : <Aliases />}
    </Box>
  );
}

function Treatments() {
  const books = useBooks();
  const rules = useRules();
  const [edited, setEdited] = useState<Rule | "new" | null>(null);
  if (rules.error) {
    return <Failed error={rules.error} retry={() => void rules.refetch()} />;
  }
  if (!rules.data) {
    return <Loading rows={4} />;
  }
  return (
    <>
      <Typography color="textSecondary" sx={{ mb: 2, maxWidth: 760 }}>
        What is done with bank entries that are no receipts, such as charges and interest. The first that fits
        an entry is taken; none takes more than its cap, and none takes money of whoever has something open
        without asking.
      </Typography>
      {edited !== null ? (
        <RuleForm
          key={edited === "new" ? "new" : edited.id}
          rule={edited === "new" ? undefined : edited}
          close={() => setEdited(null)}
        />
      ) : (
        <>
          {rules.data.length === 0 && (
            <Empty title="No treatment yet">
              Every charge is booked by hand.{" "}
              {books.supervisor
                ? "Say once what a charge is, and see what that would have caught before you keep it."
                : "A supervisor says once what a charge is."}
            </Empty>
          )}
          {rules.data.map((rule, at) => (
            <RuleLine key={rule.id} rule={rule} at={at} all={rules.data} edit={() => setEdited(rule)} />
          ))}
          {books.supervisor && (
            <Button variant="contained" sx={{ mt: 2 }} onClick={() => setEdited("new")}>
              New treatment
            </Button>
          )}
        </>
      )}
    </>
  );
}

function useAccountName() {
  const books = useBooks();
  const session = useSession();
  const accounts = session.data?.companies.find((c) => c.id === books.company)?.bankAccounts ?? [];
  return (id: number) => accounts.find((a) => a.id === id)?.name ?? "";
}

function RuleLine({ rule, at, all, edit }: { rule: Rule; at: number; all: Rule[]; edit: () => void }) {
  const books = useBooks();
  const accountName = useAccountName();
  const keep = useKeepRule(rule.id);
  const end = useEndRule();
  const order = useOrderRules();
  const [asking, setAsking] = useState(false);
  const move = (by: number) => {
    const ids = all.map((r) => r.id);
    ids.splice(at + by, 0, ...ids.splice(at, 1));
    order.mutate(ids);
  };
  const failed = keep.error ?? order.error;
  const r = rule.rule;
  return (
    <Box
      component="section"
      aria-label={`Treatment ${r.name}`}
      sx={{
        display: "grid",
        gridTemplateColumns: "28px 1fr auto",
        gap: 2,
        py: 1.5,
        borderBottom: 1,
        borderColor: "divider",
        color: r.inUse ? undefined : "text.secondary",
      }}
    >
      <Box className="figure" sx={{ color: "text.secondary" }}>
        {at + 1}
      </Box>
      <Box sx={{ minWidth: 0 }}>
        <Typography sx={{ fontWeight: 700 }}>
          {r.name}
          {!r.inUse && " (off)"}
        </Typography>
        <Typography variant="body2">
          Takes {takes(r, accountName)}; {WAY[r.way]}: {goes(r)}. Never more than{" "}
          <span className="figure">{grouped(r.cap)}</span>.
        </Typography>
        <Typography variant="body2" color="textSecondary" sx={{ fontSize: 12.5 }}>
          {rule.times === 0
            ? "Not used yet"
            : `Explains ${count(rule.times, "entry", "entries")}, ${rule.amount ? grouped(positive(rule.amount)) : ""}, last ${rule.lastUsed ? onDay(rule.lastUsed) : ""}`}
          {" · "}made by {rule.madeBy}, {atMoment(rule.madeAt)}
          {rule.changedAt !== rule.madeAt && `, changed by ${rule.changedBy}, ${atMoment(rule.changedAt)}`}
        </Typography>
        {failed && (
          <Alert severity="error" variant="outlined" sx={{ mt: 1 }}>
            {failed.message}
          </Alert>
        )}
      </Box>
      {books.supervisor && (
        <Box sx={{ display: "flex", gap: 0.5, alignItems: "start" }}>
          <Button
            disabled={at === 0 || order.isPending}
            onClick={() => move(-1)}
            aria-label={`${r.name} earlier`}
          >
            Earlier
          </Button>
          <Button
            disabled={at === all.length - 1 || order.isPending}
            onClick={() => move(1)}
            aria-label={`${r.name} later`}
          >
            Later
          </Button>
          <Button
            disabled={keep.isPending}
            onClick={() => keep.mutate({ ...r, inUse: !r.inUse })}
            aria-label={`Turn ${r.name} ${r.inUse ? "off" : "on"}`}
          >
            {r.inUse ? "Turn off" : "Turn on"}
          </Button>
          <Button onClick={edit} aria-label={`Change ${r.name}`}>
            Change…
          </Button>
          <Button onClick={() => setAsking(true)} aria-label={`End ${r.name}`}>
            End…
          </Button>
        </Box>
      )}
      {asking && (
        <AskDialog
          title={`End “${r.name}”?`}
          doing="End it"
          ready={!end.isPending}
          go={() => end.mutate(rule.id, { onSuccess: () => setAsking(false) })}
          close={() => setAsking(false)}
          error={end.error}
        >
          {rule.times === 0
            ? "It has posted nothing."
            : `What it explains stays: ${count(rule.times, "entry", "entries")}.`}
        </AskDialog>
      )}
    </Box>
  );
}

const COLUMNS = "minmax(200px, 1.4fr) minmax(200px, 1.4fr) 150px 1fr auto";

function Aliases() {
  const books = useBooks();
  const aliases = useAliases();
  const forget = useForgetAlias();
  if (aliases.error) {
    return <Failed error={aliases.error} retry={() => void aliases.refetch()} />;
  }
  if (!aliases.data) {
    return <Loading rows={4} />;
  }
  if (aliases.data.length === 0) {
    return (
      <Empty title="No alias yet">
        Choose another payer at the desk and say that it is always so: the name or the account then stands for
        that customer.
      </Empty>
    );
  }
  return (
    <>
      {forget.error && <Failed error={forget.error} />}
      <ColumnHead columns={COLUMNS}>
        <span>The payer</span>
        <span>stands for</span>
        <span>used</span>
        <span>said</span>
        <span />
      </ColumnHead>
      {aliases.data.map((alias) => (
        <ColumnLine key={alias.id} columns={COLUMNS}>
          <span>{alias.payerText || <span className="figure">account {alias.payerAccount}</span>}</span>
          <Link component={RouterLink} to={`/posted/customers/${alias.customerId}`} underline="hover">
            {alias.customer}
          </Link>
          <span>
            {alias.times === 0
              ? "not yet"
              : `${count(alias.times, "time")}, last ${alias.lastUsed ? onDay(alias.lastUsed) : ""}`}
          </span>
          <Box component="span" sx={{ color: "text.secondary" }}>
            by {alias.by}, {atMoment(alias.at)}
          </Box>
          {books.mayPost ? (
            <Button
              size="small"
              disabled={forget.isPending}
              onClick={() => forget.mutate(alias.id)}
              aria-label={`Forget that ${alias.payerText || alias.payerAccount} stands for ${alias.customer}`}
            >
              Forget
            </Button>
          ) : (
            <span />
          )}
        </ColumnLine>
      ))}
    </>
  );
}
