import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
  Typography,
} from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Money, type Schemas } from "../api/client";
import { Amount } from "../shared/Amount";
import { grouped, minor, negated, typedAmount } from "../shared/money";
import { Failed, Loading } from "../shared/States";
import { Choice } from "./Differences";
import { takingAll, withDifferences, type Draft } from "./drafts";
import { useChart } from "./queries";

type Finding = Schemas["Finding"];
interface Line {
  account: string;
  amount: string;
  tax: string;
  text: string;
}

/**
 * Money that is no customer's goes to an account, or to several. Where open items or an earlier settlement speak against
 * it, those stand in the way first.
 */
export function ToAccount({
  draft,
  left,
  change,
  close,
}: {
  draft: Draft;
  left: Money;
  change: (draft: Draft, numbers?: Map<number, string>) => void;
  close: () => void;
}) {
  const chart = useChart(true);
  const findings = useQuery({
    queryKey: ["double-counting", draft.entryId],
    enabled: draft.entryId !== undefined && draft.entryId !== null,
    staleTime: 0,
    queryFn: async () =>
      data(
        await api.GET("/api/entries/{id}/double-counting", {
          params: { path: { id: draft.entryId ?? 0 } },
        }),
      ),
  });
  const [lines, setLines] = useState<Line[]>([{ account: "", amount: grouped(left), tax: "", text: "" }]);
  const [despite, setDespite] = useState("");
  const warned = (findings.data?.length ?? 0) > 0;
  const read = lines.map((line) => ({ ...line, money: typedAmount(line.amount, left) }));
  const complete =
    read.every((line) => line.account !== "" && line.money !== null && minor(line.money) !== 0) &&
    (!warned || despite.trim() !== "");
  const put = (at: number, part: Partial<Line>) =>
    setLines((all) => all.map((line, n) => (n === at ? { ...line, ...part } : line)));
  const book = () => {
    change({
      ...withDifferences(draft, [
        ...draft.adjustments,
        ...read.flatMap((line) =>
          line.money
            ? [
                {
                  kind: "TO_ACCOUNT" as const,
                  amount: negated(line.money),
                  accountId: Number(line.account),
                  taxCode: line.tax || undefined,
                  text: line.text,
                },
              ]
            : [],
        ),
      ]),
      despite: despite.trim() || undefined,
    });
    close();
  };
  const takeInstead = (finding: Finding) => {
    change(
      takingAll(
        { ...draft, adjustments: [], applications: [], onAccount: undefined },
        finding.items.map((item) => ({
          itemId: item.itemId,
          amount: item.open,
          itemVersion: item.itemVersion,
        })),
      ),
      new Map(finding.items.map((item) => [item.itemId, item.number])),
    );
    close();
  };
  return (
    <Dialog open onClose={close} maxWidth="md" fullWidth>
      <DialogTitle>To an account, without a customer</DialogTitle>
      <DialogContent>
        {findings.isPending || chart.isPending ? (
          <Loading rows={3} />
        ) : findings.error || chart.error ? (
          <Failed error={findings.error ?? chart.error ?? new Error()} />
        ) : (
          <>
            {warned && (
              <Warning
                findings={findings.data}
                take={takeInstead}
                despite={despite}
                setDespite={setDespite}
              />
            )}
            {lines.map((line, at) => (
              <Box
                key={at}
                sx={{ display: "grid", gridTemplateColumns: "2fr 110px 1.2fr 2fr auto", gap: 1, mt: 2 }}
              >
                <Choice
                  shown
                  label="Account"
                  value={line.account}
                  options={[
                    ["", "choose…"],
                    ...(chart.data?.accounts.map(
                      (a) => [String(a.id), `${a.code} ${a.name}`] as [string, string],
                    ) ?? []),
                  ]}
                  choose={(account) => put(at, { account })}
                />
                <TextField
                  label="Amount"
                  value={line.amount}
                  error={read[at]?.money === null}
                  onChange={(event) => put(at, { amount: event.target.value })}
                  slotProps={{ htmlInput: { className: "figure", style: { textAlign: "right" } } }}
                />
                <Choice
                  shown
                  label="Tax in it"
                  value={line.tax}
                  options={[
                    ["", "no tax"],
                    ...(chart.data?.taxes
                      .filter((t) => t.percent > 0)
                      .map((t) => [t.code, t.name] as [string, string]) ?? []),
                  ]}
                  choose={(tax) => put(at, { tax })}
                />
                <TextField
                  label="What it is"
                  value={line.text}
                  onChange={(event) => put(at, { text: event.target.value })}
                  slotProps={{ htmlInput: { maxLength: 400 } }}
                />
                <Button
                  color="inherit"
                  disabled={lines.length === 1}
                  onClick={() => setLines((all) => all.filter((_, n) => n !== at))}
                  sx={{ fontWeight: 400 }}
                >
                  take out
                </Button>
              </Box>
            ))}
            <Button
              sx={{ mt: 1 }}
              onClick={() => setLines((all) => [...all, { account: "", amount: "", tax: "", text: "" }])}
            >
              Another account
            </Button>
          </>
        )}
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={close}>
          Cancel
        </Button>
        <Button variant="contained" disabled={!complete} onClick={book}>
          Put into the draft
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function Warning({
  findings,
  take,
  despite,
  setDespite,
}: {
  findings: Finding[];
  take: (finding: Finding) => void;
  despite: string;
  setDespite: (why: string) => void;
}) {
  return (
    <Alert
      severity="warning"
      variant="outlined"
      icon={false}
      sx={{ "& .MuiAlert-message": { width: "100%" } }}
    >
      <Typography sx={{ fontWeight: 700 }}>This may count income twice</Typography>
      <Typography variant="body2" sx={{ mb: 1 }}>
        An invoice counts as income when it is written. Money that pays it is not income again.
      </Typography>
      {findings.map((finding) => (
        <Box
          key={finding.sentence}
          sx={{
            display: "flex",
            alignItems: "center",
            gap: 2,
            py: 0.5,
            borderTop: 1,
            borderColor: "divider",
          }}
        >
          <Box sx={{ flex: 1 }}>
            {finding.sentence}
            {finding.items.length === 1 && ` ${finding.items[0]?.customer}.`}
          </Box>
          {finding.items.length > 0 && finding.items.length <= 20 && (
            <Button variant="contained" onClick={() => take(finding)} sx={{ whiteSpace: "nowrap" }}>
              Take {finding.items.length === 1 ? "it" : "them"} instead,&nbsp;
              <Amount of={finding.amount} />
            </Button>
          )}
        </Box>
      ))}
      <TextField
        label="Why it is something else"
        fullWidth
        value={despite}
        onChange={(event) => setDespite(event.target.value)}
        sx={{ mt: 1.5 }}
        slotProps={{ htmlInput: { maxLength: 400 } }}
      />
    </Alert>
  );
}
