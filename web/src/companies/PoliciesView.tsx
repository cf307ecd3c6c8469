import {
  Alert,
  Box,
  Button,
  Checkbox,
  FormControlLabel,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  TextField,
  Typography,
} from "@mui/material";
import { useMutation, useQuery, useQueryClient, type UseMutationResult } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { api, data, type Money, type Schemas } from "../api/client";
import { useBooks, useSession } from "../access/session";
import { FigureField } from "../shared/FigureField";
import { grouped, typedAmount } from "../shared/money";
import { History } from "../settings/History";
import { Failed, Loading } from "../shared/States";
import { PolicyEffect } from "./PolicyEffect";

type Policy = Schemas["PolicyView"];
type Limits = Schemas["LimitsView"];
type Limit = Schemas["LimitView"];

const LIMITS: [keyof Limits, string, boolean, boolean][] = [
  ["writeOff", "Small write-off", true, true],
  ["fee", "Fee withheld", true, false],
  ["unearnedDiscount", "Discount granted late", true, false],
  ["refund", "Refund promised", false, true],
  ["exchange", "Exchange difference", true, true],
];
const WHO: ["clerk" | "supervisor", string][] = [
  ["clerk", "A clerk alone"],
  ["supervisor", "A supervisor"],
];

/** What the company allows in the currency one works in: who may decide how much, grace, usual fees, rounding. */
export default function PoliciesView() {
  const books = useBooks();
  const policy = useQuery({
    queryKey: ["policy", books.company, books.currency],
    queryFn: async () =>
      data(
        await api.GET("/api/policies/{currency}", {
          params: { path: { currency: books.currency }, query: { company: books.company } },
        }),
      ),
  });
  const queries = useQueryClient();
  // here and not in the form, which begins anew with every version that is decided
  const save = useMutation({
    mutationFn: async (decided: Policy) =>
      data(
        await api.PUT("/api/policies/{currency}", {
          params: { path: { currency: decided.currency }, query: { company: books.company } },
          body: decided,
        }),
      ),
    onSuccess: (decided) => {
      queries.setQueryData(["policy", books.company, books.currency], decided);
      ["preview", "entries", "entry", "policy-effect"].forEach(
        (key) => void queries.invalidateQueries({ queryKey: [key] }),
      );
    },
  });
  if (policy.error) {
    return <Failed error={policy.error} retry={() => void policy.refetch()} />;
  }
  return policy.data ? <Form key={policy.data.version} policy={policy.data} save={save} /> : <Loading />;
}

function Form({ policy, save }: { policy: Policy; save: UseMutationResult<Policy, Error, Policy> }) {
  const books = useBooks();
  const session = useSession();
  const [p, setPolicy] = useState(policy);
  const [fees, setFees] = useState(policy.usualFees.join("; "));
  const may = session.data?.role === "ADMINISTRATOR" || session.data?.role === "SUPERVISOR";
  const typed = useMemo(
    () => ({ ...p, usualFees: fees.split(";").flatMap((f) => (f.trim() ? [f.trim()] : [])) }),
    [p, fees],
  );
  const decide = () => save.mutate(typed);
  const limit = (who: "clerk" | "supervisor", kind: keyof Limits, part: Partial<Limit>) =>
    setPolicy((before) => ({
      ...before,
      [who]: { ...before[who], [kind]: { ...before[who][kind], ...part } },
    }));
  return (
    <Box sx={{ p: 3, maxWidth: 980 }}>
      <Typography variant="h1">Policies, {policy.currency}</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 2 }}>
        What {books.companyName} allows. A difference must be within the amount and the percentage; all of a
        kind in a draft count together. Above the clerk&apos;s limit a supervisor approves; above the
        supervisor&apos;s nobody does.
      </Typography>
      <Table size="small" aria-label="Limits">
        <TableHead>
          <TableRow>
            <TableCell />
            {WHO.map(([who, name]) => (
              <TableCell key={who} colSpan={3}>
                {name}
              </TableCell>
            ))}
          </TableRow>
          <TableRow>
            <TableCell>Difference</TableCell>
            {WHO.map(([who]) => (
              <Heads key={who} />
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {LIMITS.map(([kind, name, under, over]) => (
            <TableRow key={kind}>
              <TableCell>{name}</TableCell>
              {WHO.map(([who, whose]) => (
                <LimitCells
                  key={who}
                  name={`${name}, ${whose.toLowerCase()}`}
                  limit={p[who][kind]}
                  under={under}
                  over={over}
                  disabled={!may}
                  put={(part) => limit(who, kind, part)}
                />
              ))}
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <Box sx={{ display: "grid", gridTemplateColumns: "repeat(4, 1fr)", gap: 2, mt: 3 }}>
        <Figure
          label="Days of grace for a discount"
          value={p.discountGraceDays}
          disabled={!may}
          put={(days) => setPolicy((b) => ({ ...b, discountGraceDays: Math.round(days) }))}
        />
        <Figure
          label="Tax in a fee, %"
          value={p.feeTaxPercent}
          disabled={!may}
          put={(percent) => setPolicy((b) => ({ ...b, feeTaxPercent: percent }))}
        />
        <Sum
          label="Smallest coin"
          value={p.roundingStep}
          disabled={!may}
          put={(step) => setPolicy((b) => ({ ...b, roundingStep: step }))}
        />
        <Figure
          label="Clear from, in 1,000"
          value={Math.round(p.clearAt * 1e7) / 1e4}
          disabled={!may}
          put={(share) => setPolicy((b) => ({ ...b, clearAt: share / 1000 }))}
        />
        <Figure
          label="Torn within a factor of"
          value={p.tornWithin}
          disabled={!may}
          put={(factor) => setPolicy((b) => ({ ...b, tornWithin: factor }))}
        />
        <TextField
          label="Usual fees"
          value={fees}
          disabled={!may}
          helperText="such as 18; 2.9 % + 1"
          onChange={(event) => setFees(event.target.value)}
        />
      </Box>
      <FormControlLabel
        sx={{ mt: 1.5 }}
        control={
          <Checkbox
            size="small"
            checked={p.batchesReleased ?? false}
            disabled={!may}
            onChange={(event) => setPolicy((b) => ({ ...b, batchesReleased: event.target.checked }))}
          />
        }
        label="A second person releases what is posted of lockbox batches"
      />
      {save.error && (
        <Alert severity="error" variant="outlined" sx={{ mt: 2 }}>
          {save.error.message}
        </Alert>
      )}
      {save.isSuccess && !save.error && (
        <Typography role="status" variant="body2" sx={{ mt: 2 }}>
          Decided. It holds from the next draft on.
        </Typography>
      )}
      <Box sx={{ mt: 2 }}>
        {may ? (
          <Button variant="contained" disabled={save.isPending} onClick={decide}>
            Decide
          </Button>
        ) : (
          <Typography variant="body2" color="textSecondary">
            A supervisor or the administrator decides these.
          </Typography>
        )}
      </Box>
      {may && <PolicyEffect policy={typed} />}
      <History what="policy" may={session.data?.role === "ADMINISTRATOR"} />
    </Box>
  );
}

function Heads() {
  return (
    <>
      <TableCell align="right">Too little, up to</TableCell>
      <TableCell align="right">Too much, up to</TableCell>
      <TableCell align="right">and at most %</TableCell>
    </>
  );
}

function LimitCells({
  name,
  limit,
  under,
  over,
  disabled,
  put,
}: {
  name: string;
  limit: Limit;
  under: boolean;
  over: boolean;
  disabled: boolean;
  put: (part: Partial<Limit>) => void;
}) {
  return (
    <>
      <TableCell align="right">
        {under && (
          <Sum
            label={`${name}: too little`}
            value={limit.under}
            disabled={disabled}
            slim
            put={(amount) => put({ under: amount })}
          />
        )}
      </TableCell>
      <TableCell align="right">
        {over && (
          <Sum
            label={`${name}: too much`}
            value={limit.over}
            disabled={disabled}
            slim
            put={(amount) => put({ over: amount })}
          />
        )}
      </TableCell>
      <TableCell align="right">
        <Figure
          label={`${name}: per cent`}
          value={limit.percent}
          disabled={disabled}
          slim
          put={(percent) => put({ percent })}
        />
      </TableCell>
    </>
  );
}

/** A figure that is typed; what is none stays with a mark until it is one. */
function Typed<T>({
  label,
  value,
  write,
  read,
  put,
  disabled,
  slim,
  width,
}: {
  label: string;
  value: T;
  write: (value: T) => string;
  read: (text: string) => T | null;
  put: (value: T) => void;
  disabled: boolean;
  slim?: boolean;
  width?: number;
}) {
  const [text, setText] = useState(write(value));
  return (
    <FigureField
      label={label}
      text={text}
      disabled={disabled}
      valid={read(text) !== null}
      slim={slim}
      width={width}
      type={(typed) => {
        setText(typed);
        const figure = read(typed);
        if (figure !== null) {
          put(figure);
        }
      }}
    />
  );
}

interface FieldOf<T> {
  label: string;
  value: T;
  put: (value: T) => void;
  disabled: boolean;
  slim?: boolean;
}

function Sum(field: FieldOf<Money>) {
  return (
    <Typed
      {...field}
      write={grouped}
      read={(text) => typedAmount(text, field.value)}
      width={field.slim ? 90 : undefined}
    />
  );
}

function Figure(field: FieldOf<number>) {
  return (
    <Typed
      {...field}
      write={String}
      read={(text) => (/^\d+(\.\d{1,4})?$/.test(text) ? Number(text) : null)}
      width={field.slim ? 56 : undefined}
    />
  );
}
