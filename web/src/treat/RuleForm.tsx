import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { useBooks, useSession } from "../access/session";
import { useChart } from "../desk/queries";
import { Choice } from "../shared/Choice";
import { FigureField } from "../shared/FigureField";
import { typedAmount, zero } from "../shared/money";
import { useKeepRule, useTrial, type Rule, type RuleSent } from "./queries";
import { TrialOfRule } from "./TrialOfRule";
import { DIRECTION, WAY } from "./words";

interface Line {
  account: string;
  percent: string;
  tax: string;
  words: string;
}

interface Typed {
  name: string;
  words: string;
  counterparty: string;
  counterpartyAccount: string;
  bankAccount: string;
  direction: RuleSent["direction"];
  least: string;
  most: string;
  cap: string;
  way: RuleSent["way"];
  lines: Line[];
}

const NEW: Typed = {
  name: "",
  words: "",
  counterparty: "",
  counterpartyAccount: "",
  bankAccount: "",
  direction: "FROM_US",
  least: "",
  most: "",
  cap: "",
  way: "WAITS",
  lines: [{ account: "", percent: "100", tax: "0", words: "" }],
};

function typedOf(rule: RuleSent): Typed {
  return {
    name: rule.name,
    words: rule.words.join(", "),
    counterparty: rule.counterparty,
    counterpartyAccount: rule.counterpartyAccount,
    bankAccount: rule.bankAccountId ? String(rule.bankAccountId) : "",
    direction: rule.direction,
    least: rule.least?.amount ?? "",
    most: rule.most?.amount ?? "",
    cap: rule.cap.amount,
    way: rule.way,
    lines: rule.shares.map((share) => ({
      account: String(share.accountId),
      percent: String(share.percent),
      tax: String(share.taxPercent),
      words: share.words,
    })),
  };
}

const figure = (text: string) =>
  /^\d{1,3}([.,]\d{1,4})?$/.test(text.trim()) ? Number(text.trim().replace(",", ".")) : null;

/** What is typed as a rule; null while something is missing. */
function ruleOf(typed: Typed, currency: string, before: RuleSent | undefined): RuleSent | null {
  const like = zero(currency);
  const amount = (text: string) => (text.trim() === "" ? undefined : typedAmount(text, like));
  const [least, most, cap] = [amount(typed.least), amount(typed.most), amount(typed.cap)];
  const words = typed.words
    .split(",")
    .map((word) => word.trim())
    .filter((word) => word !== "");
  const shares = typed.lines.map((line) => ({
    accountId: Number(line.account),
    percent: figure(line.percent) ?? 0,
    taxPercent: figure(line.tax || "0") ?? -1,
    words: line.words.trim(),
  }));
  const known =
    words.length > 0 || typed.counterparty.trim() !== "" || typed.counterpartyAccount.trim() !== "";
  if (
    !cap ||
    least === null ||
    most === null ||
    !known ||
    shares.some((share) => share.accountId === 0 || share.percent === 0 || share.taxPercent < 0)
  ) {
    return null;
  }
  return {
    name: typed.name.trim(),
    inUse: before?.inUse ?? true,
    words,
    counterparty: typed.counterparty.trim(),
    counterpartyAccount: typed.counterpartyAccount.trim(),
    bankAccountId: typed.bankAccount === "" ? undefined : Number(typed.bankAccount),
    direction: typed.direction,
    least,
    most,
    cap,
    way: typed.way,
    shares,
    version: before?.version,
  };
}

/** Says what a treatment takes and where it goes, and shows beside it what it would have done. */
export function RuleForm({ rule, close }: { rule?: Rule; close: () => void }) {
  const books = useBooks();
  const session = useSession();
  const chart = useChart(true);
  const [typed, setTyped] = useState(rule ? typedOf(rule.rule) : NEW);
  const sent = ruleOf(typed, books.currency, rule?.rule);
  const trial = useTrial(sent && { ...sent, name: sent.name || "?" });
  const keep = useKeepRule(rule?.id);
  const accounts =
    session.data?.companies
      .find((c) => c.id === books.company)
      ?.bankAccounts.filter((a) => a.currency === books.currency) ?? [];
  const put = (part: Partial<Typed>) => setTyped((all) => ({ ...all, ...part }));
  const line = (at: number, part: Partial<Line>) =>
    put({ lines: typed.lines.map((one, n) => (n === at ? { ...one, ...part } : one)) });
  const bound = (text: string) => text.trim() === "" || typedAmount(text, zero(books.currency)) !== null;
  return (
    <Box
      component="form"
      aria-label={rule ? `Change ${rule.rule.name}` : "New treatment"}
      onSubmit={(event) => event.preventDefault()}
      sx={{ display: "grid", gridTemplateColumns: "minmax(420px, 1fr) minmax(320px, 420px)", gap: 4 }}
    >
      <Box sx={{ display: "grid", gap: 1.5 }}>
        <TextField
          label="What it is called"
          value={typed.name}
          autoFocus
          onChange={(event) => put({ name: event.target.value })}
          slotProps={{ htmlInput: { maxLength: 120 } }}
        />
        <Typography variant="h3" sx={{ mt: 1 }}>
          Which entries
        </Typography>
        <TextField
          label="Words in the name or the text, all of them"
          value={typed.words}
          onChange={(event) => put({ words: event.target.value })}
          helperText="several with commas between; capitals, blanks and signs do not matter"
        />
        <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1.5 }}>
          <TextField
            label="The whole name, where only that"
            value={typed.counterparty}
            onChange={(event) => put({ counterparty: event.target.value })}
          />
          <TextField
            label="Its account, where only that"
            value={typed.counterpartyAccount}
            onChange={(event) => put({ counterpartyAccount: event.target.value })}
          />
          <Choice
            shown
            label="Which way"
            value={typed.direction}
            options={Object.entries(DIRECTION)}
            choose={(direction) => put({ direction: direction as RuleSent["direction"] })}
          />
          <Choice
            shown
            label="On which account"
            value={typed.bankAccount}
            options={[["", "any"], ...accounts.map((a): [string, string] => [String(a.id), a.name])]}
            choose={(bankAccount) => put({ bankAccount })}
          />
          <FigureField
            label="Of at least"
            text={typed.least}
            type={(least) => put({ least })}
            valid={bound(typed.least)}
            hint="any amount"
          />
          <FigureField
            label="Of at most"
            text={typed.most}
            type={(most) => put({ most })}
            valid={bound(typed.most)}
            hint="any amount"
          />
        </Box>
        <Typography variant="h3" sx={{ mt: 1 }}>
          Where they go
        </Typography>
        {typed.lines.map((one, at) => (
          <Box key={at} sx={{ display: "grid", gridTemplateColumns: "2fr 90px 110px 1.4fr auto", gap: 1 }}>
            <Choice
              shown
              label="Account"
              value={one.account}
              options={[
                ["", "choose…"],
                ...(chart.data?.accounts.map((a): [string, string] => [
                  String(a.id),
                  `${a.code} ${a.name}`,
                ]) ?? []),
              ]}
              choose={(account) => line(at, { account })}
            />
            <FigureField
              label="Share, %"
              named={`Share ${at + 1}, %`}
              text={one.percent}
              type={(percent) => line(at, { percent })}
              valid={figure(one.percent) !== null}
            />
            <FigureField
              label="Tax in it, %"
              named={`Tax in share ${at + 1}, %`}
              text={one.tax}
              type={(tax) => line(at, { tax })}
              valid={figure(one.tax || "0") !== null}
            />
            <TextField
              label="What it is"
              value={one.words}
              onChange={(event) => line(at, { words: event.target.value })}
              slotProps={{ htmlInput: { maxLength: 200 } }}
            />
            <Button
              color="inherit"
              disabled={typed.lines.length === 1}
              onClick={() => put({ lines: typed.lines.filter((_, n) => n !== at) })}
              sx={{ fontWeight: 400 }}
            >
              take out
            </Button>
          </Box>
        ))}
        <Box>
          <Button
            onClick={() =>
              put({ lines: [...typed.lines, { account: "", percent: "", tax: "0", words: "" }] })
            }
          >
            Another account
          </Button>
        </Box>
        <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1.5 }}>
          <Choice
            shown
            label="How far it goes"
            value={typed.way}
            options={Object.entries(WAY)}
            choose={(way) => put({ way: way as RuleSent["way"] })}
          />
          <FigureField
            label="Never more than"
            text={typed.cap}
            type={(cap) => put({ cap })}
            valid={bound(typed.cap)}
          />
        </Box>
        {keep.error && (
          <Alert severity="error" variant="outlined">
            {keep.error.message}
          </Alert>
        )}
        <Box sx={{ display: "flex", gap: 1 }}>
          <Button
            type="submit"
            variant="contained"
            disabled={sent === null || sent.name === "" || keep.isPending || !trial.data}
            onClick={() => sent && keep.mutate(sent, { onSuccess: close })}
          >
            Keep this treatment
          </Button>
          <Button color="inherit" onClick={close}>
            Cancel
          </Button>
        </Box>
      </Box>
      <TrialOfRule
        trial={sent === null ? undefined : trial.data}
        error={sent === null ? null : trial.error}
        way={typed.way}
      />
    </Box>
  );
}
