import { Box, Link, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { Link as RouterLink } from "react-router";
import { useBooks } from "../access/session";
import { api, data, type Schemas } from "../api/client";
import { useAgeing, useAgreement, useTrialBalance } from "../books/queries";
import { BUCKETS } from "../books/words";
import { useDaySheet } from "../daysheet/queries";
import { useFlow } from "../frame/flow";
import { KEPT } from "../settle/words";
import { Amount } from "../shared/Amount";
import { isZero } from "../shared/money";

type Settlement = Schemas["SettlementView"];

/** A settlement that shows most: one with a difference, else one with several invoices, else any. */
function telling(rows: Settlement[]): Settlement | undefined {
  const posted = rows.filter(
    // one in several currencies is a rule of its own
    (s) => s.status === "POSTED" && s.applications.length > 0 && s.rates.every((r) => !r.given),
  );
  return (
    posted.find((s) => s.adjustments.length > 0) ??
    posted.find((s) => s.applications.some((a) => !isZero(a.discount))) ??
    posted.find((s) => s.applications.length > 1) ??
    posted[0]
  );
}

/** The money rules in plain words, each with figures of the books one is in. */
export default function MoneyRulesView() {
  const { company, companyName, currency, group } = useBooks();
  const flow = useFlow();
  const trial = useTrialBalance({ from: "", until: "" });
  const agreement = useAgreement("");
  const ageing = useAgeing("");
  const sheet = useDaySheet("");
  const settlements = useQuery({
    queryKey: ["settlements", company, "telling"],
    queryFn: async () =>
      data(await api.GET("/api/settlements", { params: { query: { company, limit: 200 } } })),
  });
  const one = telling(settlements.data?.rows ?? []);
  // the accounts that are kept for other companies
  const between = trial.data?.accounts.filter((a) => group.some((c) => c.name === a.account)) ?? [];
  const total = trial.data?.totals.find((t) => t.currency === currency);
  const receivable = agreement.data?.totals.find((t) => t.role === "RECEIVABLE");
  return (
    <Box sx={{ p: 3, maxWidth: 820, "& p": { mb: 1 } }}>
      <Typography variant="h1">The money rules</Typography>
      <Typography color="textSecondary">
        What holds at every moment, in plain words, with the figures of {companyName} as they stand now.
        Settings → Backup and check holds all of them against what is stored.
      </Typography>

      <Rule title="A receipt is accounted for to the cent">
        <p>
          What was received is what was applied to invoices, less the discounts granted with it, less what
          kept money from us (a fee, a few cents), and what stays on account. A settlement that does not add
          up is not posted.
        </p>
        {one && (
          <Example>
            <Link component={RouterLink} to={`/posted/settlements/${one.id}`}>
              Settlement {one.id}
            </Link>
            , {one.payer}: received <Amount of={one.received} /> ={" "}
            {one.applications.map((a, n) => (
              <span key={a.itemId}>
                {n > 0 && " + "}
                {a.number} <Amount of={a.amount} />
                {!isZero(a.discount) && (
                  <>
                    {" − discount "}
                    <Amount of={a.discount} />
                  </>
                )}
              </span>
            ))}
            {one.adjustments.map((a, n) => (
              <span key={n}>
                {" − "}
                {KEPT[a.kind]} <Amount of={a.amount} />
              </span>
            ))}
            {!isZero(one.onAccount) && (
              <>
                {" + on account "}
                <Amount of={one.onAccount} />
              </>
            )}
          </Example>
        )}
      </Rule>

      <Rule title="Nothing is missing, and nothing is counted twice">
        <p>
          All that arrived is somewhere: applied, on account, booked to accounts, shelved, returned, or still
          waiting. The same file taken in again changes nothing. A cent that does not show breaks the line at
          the top of the page.
        </p>
        {flow.data && (
          <Example>
            Arrived <Amount of={flow.data.arrived.amount} />, waiting <Amount of={flow.data.waiting.amount} />
            , gap <Amount of={flow.data.gap} />.{" "}
            <Link component={RouterLink} to="/tied-out/cent-trail">
              The cent trail
            </Link>
          </Example>
        )}
      </Rule>

      <Rule title="What counts in another currency counts at a rate that is kept">
        <p>
          Where a receipt settles what is in another currency, so much of it counts there as is settled there.
          The rate is the bank’s own where its file tells, else the one of the day; where none counts it is
          asked for, never guessed. In the books what arrived is worth what the rate of its day says, and what
          it settles what that stands in them with; the difference is an exchange gain or loss. So the
          accounts are equal in each currency, and in that of the books too.
        </p>
        {trial.data && (
          <Example>
            In {trial.data.books.currency}, all accounts: debits <Amount of={trial.data.books.debit} />,
            credits <Amount of={trial.data.books.credit} />.
          </Example>
        )}
      </Rule>

      <Rule title="What one company receives for another is owed to it">
        <p>
          A receipt may settle invoices of another company of the group. Each company has an entry of its own:
          the one with the bank owes the other what counts there, the other has it to receive, and both say
          the same of each other. A discount or a small rest is that of the company whose invoice it is. One
          reversal takes it back in both.
        </p>
        {between.length > 0 && (
          <Example>
            {between.map((account, n) => (
              <span key={`${account.code} ${account.opening.currency}`}>
                {n > 0 && "; "}
                {account.account}: owes <Amount of={account.debit} />, is owed <Amount of={account.credit} />
                {` ${account.opening.currency}`}
              </span>
            ))}
            .
          </Example>
        )}
      </Rule>

      <Rule title="No item falls below zero">
        <p>
          An invoice can be paid in parts, never beyond what is open of it; a credit note is used up once,
          however many people work at the same time. The second is told who was first.
        </p>
      </Rule>

      <Rule title="Every entry of the journal balances">
        <p>
          Each settlement, deposit, payout and reversal writes one entry whose debits and credits are equal,
          in each currency. So the whole journal balances.
        </p>
        {total && (
          <Example>
            Debits <Amount of={total.debit} />, credits <Amount of={total.credit} />, difference{" "}
            <Amount of={total.difference} />.{" "}
            <Link component={RouterLink} to="/posted/books">
              Trial balance
            </Link>
          </Example>
        )}
      </Rule>

      <Rule title="What customers owe is what the ledger says">
        <p>
          The open items of each customer come to the balance of his accounts in the ledger, written apart
          from each other.
        </p>
        {receivable && (
          <Example>
            Items <Amount of={receivable.items} />, ledger <Amount of={receivable.books} />, difference{" "}
            <Amount of={receivable.difference} />.{" "}
            <Link component={RouterLink} to="/posted/books/agreement">
              Items and ledger
            </Link>
          </Example>
        )}
      </Rule>

      <Rule title="What is posted stays">
        <p>
          Nothing posted is changed or deleted. A correction writes the mirror entry and puts every balance
          back to the cent, then what is right. Who, when and why is kept, and the audit trail is changed by
          nobody.
        </p>
      </Rule>

      <Rule title="A closed day takes nothing more">
        <p>
          Once a tie-out or a period is closed, what is of one of its days is booked for the first open day,
          and says of which day it is.
        </p>
      </Rule>

      <Rule title="An early-payment discount is earned by the day">
        <p>
          2/10 net 30 grants 2 % to whoever pays within 10 days of the invoice; the policy adds days of grace.
          The discount is rounded half-up to the cent and shared over partial payments in proportion. Taken
          later, it is granted, billed back as a claim, or left owing, as the policy says.
        </p>
      </Rule>

      <Rule title="How old a debt is">
        <p>By the due date on a day. Credit lowers the bucket of its own date.</p>
        {ageing.data && (
          <Example>
            {BUCKETS.map(([key, name], n) => {
              const amount = ageing.data.amounts[key];
              return (
                <span key={key}>
                  {n > 0 && ", "}
                  {name.toLowerCase()} {amount && <Amount of={amount} />}
                </span>
              );
            })}
            .{" "}
            <Link component={RouterLink} to="/posted/books/ageing">
              Ageing
            </Link>
          </Example>
        )}
      </Rule>

      <Rule title="Days sales outstanding">
        <p>
          What stands open by the ledger, over the sales of the last 90 days, times 90: how many days of sales
          wait to be paid. Counted back, the latest month’s sales are taken off first, then the month before.
        </p>
        {sheet.data && (
          <Example>
            <Amount of={sheet.data.outstanding.receivables} /> ÷ <Amount of={sheet.data.outstanding.sales} />{" "}
            × 90 = {sheet.data.outstanding.days ?? "no sales"} days; counted back{" "}
            {sheet.data.outstanding.countedBack ?? "more than a year"}.{" "}
            <Link component={RouterLink} to="/tied-out/day">
              Day sheet
            </Link>
          </Example>
        )}
      </Rule>
    </Box>
  );
}

function Rule({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box component="section" aria-label={title} sx={{ mt: 2.5 }}>
      <Typography variant="h2">{title}</Typography>
      {children}
    </Box>
  );
}

function Example({ children }: { children: ReactNode }) {
  return (
    <Box sx={{ borderLeft: 3, borderColor: "settled", pl: 1.5, py: 0.25, fontSize: 13.5 }}>{children}</Box>
  );
}
