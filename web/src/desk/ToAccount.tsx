import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Money, type Schemas } from "../api/client";
import { Amount } from "../shared/Amount";
import { AskDialog } from "../shared/AskDialog";
import { Choice } from "../shared/Choice";
import { FigureField } from "../shared/FigureField";
import { grouped, isNegative, isZero, negated, positive } from "../shared/money";
import { Failed, Loading } from "../shared/States";
import { takingAll, withDifferences, type Draft } from "./drafts";
import { taxOptions, useChart } from "./queries";

type Finding = Schemas["Finding"];
interface Line {
  account: string;
  /** An amount, a share such as 40 %, or blank for what the others leave. */
  part: string;
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
  const whole = positive(left);
  // what goes out is a charge to the account, what comes in a credit
  const signed = (amount: Money) => (isNegative(left) ? amount : negated(amount));
  const findings = useQuery({
    queryKey: ["double-counting", draft.entryId],
    enabled: draft.entryId !== undefined && draft.entryId !== null && !isNegative(left),
    staleTime: 0,
    queryFn: async () =>
      data(
        await api.GET("/api/entries/{id}/double-counting", {
          params: { path: { id: draft.entryId ?? 0 } },
        }),
      ),
  });
  const [lines, setLines] = useState<Line[]>([{ account: "", part: "", tax: "", text: "" }]);
  const [despite, setDespite] = useState("");
  const warned = (findings.data?.length ?? 0) > 0;
  const parts = lines.map((line) => line.part);
  const split = useQuery({
    queryKey: ["split", whole, parts],
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    queryFn: async () => data(await api.POST("/api/splits", { body: { whole, parts } })),
  });
  const booked = lines.map((line, at) => ({ ...line, ...split.data?.[at] }));
  const complete =
    !split.isPlaceholderData &&
    booked.every((line) => line.account !== "" && line.amount) &&
    (!warned || despite.trim() !== "");
  const put = (at: number, part: Partial<Line>) =>
    setLines((all) => all.map((line, n) => (n === at ? { ...line, ...part } : line)));
  const book = () => {
    change({
      ...withDifferences(draft, [
        ...draft.adjustments,
        ...booked.flatMap((line) =>
          line.amount
            ? [
                {
                  kind: "TO_ACCOUNT" as const,
                  amount: signed(line.amount),
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
    <AskDialog
      title={`${grouped(whole)} to an account, without a customer`}
      wide
      error={split.error}
      doing={isNegative(left) ? "Book it" : "Put into the draft"}
      ready={complete}
      go={book}
      close={close}
    >
      {findings.isLoading || chart.isPending ? (
        <Loading rows={3} />
      ) : findings.error || chart.error ? (
        <Failed error={findings.error ?? chart.error ?? new Error()} />
      ) : (
        <>
          {findings.data && warned && (
            <Warning findings={findings.data} take={takeInstead} despite={despite} setDespite={setDespite} />
          )}
          {lines.map((line, at) => (
            <Box
              key={at}
              sx={{
                display: "grid",
                gridTemplateColumns: "2fr 150px 1.2fr 2fr auto",
                gap: 1,
                mt: 2,
                alignItems: "start",
              }}
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
              <FigureField
                label="Amount or share"
                text={line.part}
                type={(part) => put(at, { part })}
                valid={!booked[at]?.refusal}
                says={saying(booked[at])}
                hint="what is left"
              />
              <Choice
                shown
                label="Tax in it"
                value={line.tax}
                options={taxOptions(chart.data, "no tax")}
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
            onClick={() => setLines((all) => [...all, { account: "", part: "", tax: "", text: "" }])}
          >
            Another account
          </Button>
        </>
      )}
    </AskDialog>
  );
}

/** What a line comes to, where that is not simply what was typed. */
function saying(line: Partial<Schemas["PartRead"]> | undefined): string | undefined {
  return line?.refusal || (line?.amount && !isZero(line.amount) ? grouped(line.amount) : undefined);
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
