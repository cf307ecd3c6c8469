import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { useMutation } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { api, data, type Schemas } from "../api/client";
import { useBooks } from "../access/session";
import { taxOptions, useChart } from "../desk/queries";
import { useKeys } from "../frame/keys";
import { JournalLines } from "../journal/JournalLines";
import { Choice } from "../shared/Choice";
import { FigureField } from "../shared/FigureField";
import { grouped, minor, ofMinor, typedAmount, zero } from "../shared/money";
import { usePouchRefresh, useTakingsPreview } from "./queries";

type Call = Schemas["RecordTakings"];
type Paid = { reference: string; from: string; amount: string };

const NONE: Paid = { reference: "", from: "", amount: "" };
const EMPTY = { sold: "", tax: "", taxCode: "", tillCash: "", counted: "" };

/** The report of a till, typed: what it says was sold and paid, and what is here of it. */
export function TakingsForm({
  today,
  booked,
}: {
  today: string;
  booked: (it: Schemas["TakingsView"]) => void;
}) {
  const books = useBooks();
  const chart = useChart(true);
  const refresh = usePouchRefresh();
  const [on, setOn] = useState(today);
  const [name, setName] = useState("Till 1");
  const [form, setForm] = useState(EMPTY);
  const [cheques, setCheques] = useState([NONE]);
  const [cards, setCards] = useState([NONE]);
  const first = useRef<HTMLInputElement>(null);
  const put = (part: Partial<typeof EMPTY>) => setForm((before) => ({ ...before, ...part }));

  const nothing = zero(books.currency);
  const typed = (text: string) => (text.trim() === "" ? null : typedAmount(text, nothing));
  const sold = typed(form.sold);
  const tax = typed(form.tax);
  const tillCash = typed(form.tillCash);
  // what was not counted is as the till says
  const counted = form.counted.trim() === "" ? tillCash : typed(form.counted);
  const paid: Call["paid"] = [
    ...(counted && minor(counted) > 0 ? [{ method: "CASH" as const, amount: counted }] : []),
    ...rows(cheques, "CHEQUE"),
    ...rows(cards, "CARD"),
  ];
  function rows(list: Paid[], method: "CHEQUE" | "CARD"): Call["paid"] {
    return list.flatMap(({ reference, from, amount: text }) => {
      const amount = typed(text);
      return amount ? [{ method, amount, reference: reference.trim(), from: from.trim() }] : [];
    });
  }
  const amounts = [
    form.sold,
    form.tax,
    form.tillCash,
    form.counted,
    ...[...cheques, ...cards].map((r) => r.amount),
  ];
  const readable = amounts.every((text) => text.trim() === "" || typed(text) !== null);
  const call: Call | null =
    sold && readable && paid.length > 0 && on !== "" && name.trim() !== ""
      ? {
          on,
          name: name.trim(),
          sales: [
            { amount: sold, tax: tax ?? undefined, taxCode: tax ? undefined : form.taxCode || undefined },
          ],
          tillCash: tillCash ?? nothing,
          paid,
        }
      : null;
  const preview = useTakingsPreview(call);
  const book = useMutation({
    mutationFn: async (body: Call) =>
      data(await api.POST("/api/takings", { params: { query: { company: books.company } }, body })),
    onSuccess: (done) => {
      setForm(EMPTY);
      setCheques([NONE]);
      setCards([NONE]);
      first.current?.focus();
      void refresh();
      booked(done);
    },
  });
  const ready = call !== null && preview.data !== undefined && !preview.isFetching && !book.isPending;
  const go = () => ready && book.mutate(call);
  useKeys({ "Ctrl+Enter": go });
  const gap = tillCash && counted ? minor(counted) - minor(tillCash) : 0;
  return (
    <Box
      component="section"
      aria-label="A till’s day"
      sx={{
        display: "grid",
        gridTemplateColumns: "minmax(560px, 1.5fr) minmax(320px, 1fr)",
        gap: 4,
        px: 2.5,
        pt: 2,
        pb: 2,
        borderBottom: 1,
        borderColor: "divider",
        bgcolor: "background.paper",
      }}
    >
      <Box>
        <Box sx={{ display: "grid", gridTemplateColumns: "150px 1fr 130px 140px 110px", gap: 1, mb: 2 }}>
          <TextField
            label="Day"
            type="date"
            value={on}
            onChange={(event) => setOn(event.target.value)}
            slotProps={{ inputLabel: { shrink: true }, htmlInput: { max: today } }}
          />
          <TextField
            label="Till"
            value={name}
            onChange={(event) => setName(event.target.value)}
            slotProps={{ htmlInput: { maxLength: 100 } }}
          />
          <FigureField
            label="Sold, tax included"
            text={form.sold}
            type={(text) => put({ sold: text })}
            valid={form.sold.trim() === "" || sold !== null}
            autoFocus
            strong
          />
          <Choice
            shown
            label="Tax in it"
            value={form.taxCode}
            options={taxOptions(chart.data, "as typed")}
            choose={(taxCode) => put({ taxCode })}
          />
          <FigureField
            label="Tax"
            text={form.tax}
            type={(text) => put({ tax: text })}
            valid={form.tax.trim() === "" || tax !== null}
            hint={form.taxCode && form.tax.trim() === "" ? "by the code" : undefined}
          />
        </Box>
        <Box sx={{ display: "grid", gridTemplateColumns: "130px 1fr 1fr", gap: 2.5, alignItems: "start" }}>
          <Box role="group" aria-label="Cash">
            <Heading>Cash</Heading>
            <FigureField
              label="By the till"
              text={form.tillCash}
              type={(text) => put({ tillCash: text })}
              valid={form.tillCash.trim() === "" || tillCash !== null}
            />
            <Box sx={{ height: 8 }} />
            <FigureField
              label="Counted"
              text={form.counted}
              type={(text) => put({ counted: text })}
              valid={form.counted.trim() === "" || counted !== null}
              hint={tillCash ? grouped(tillCash) : undefined}
              says={
                gap === 0
                  ? undefined
                  : `${grouped(ofMinor(Math.abs(gap), nothing))} ${gap > 0 ? "over" : "short"}`
              }
            />
          </Box>
          <PaidRows
            heading="Cheques"
            rows={cheques}
            change={setCheques}
            readable={(text) => typed(text) !== null}
            reference="Cheque number"
            payer
          />
          <PaidRows
            heading="Cards"
            rows={cards}
            change={setCards}
            readable={(text) => typed(text) !== null}
            reference="Card batch"
          />
        </Box>
      </Box>
      <Box>
        <Heading>What it writes</Heading>
        <Box aria-live="polite" sx={{ minHeight: 150 }}>
          {call === null ? (
            <Typography variant="body2" color="textSecondary">
              What was sold and how it was paid make one entry in the books. Cash and cheques are in the pouch
              then, cards with the acquirer.
            </Typography>
          ) : preview.error ? (
            <Alert severity="error" variant="outlined">
              {preview.error.message}
            </Alert>
          ) : (
            preview.data && <JournalLines lines={preview.data} />
          )}
        </Box>
        {book.error && (
          <Alert severity="error" variant="outlined" sx={{ mb: 1 }}>
            {book.error.message}
          </Alert>
        )}
        <Button variant="contained" disabled={!ready} onClick={go}>
          Book the day&nbsp;<span className="figure">Ctrl ↵</span>
        </Button>
      </Box>
    </Box>
  );
}

function Heading({ children }: { children: string }) {
  return <Typography sx={{ fontWeight: 700, fontSize: 13, mb: 1.25 }}>{children}</Typography>;
}

/** Cheques or card batches, a line each; behind the last there is always an empty one. */
function PaidRows({
  heading,
  rows,
  change,
  readable,
  reference,
  payer,
}: {
  heading: string;
  rows: Paid[];
  change: (rows: Paid[]) => void;
  readable: (text: string) => boolean;
  reference: string;
  /** Whether each has a payer of its own. */
  payer?: boolean;
}) {
  const put = (n: number, part: Partial<Paid>) => {
    const next = rows.map((row, k) => (k === n ? { ...row, ...part } : row));
    const last = next[next.length - 1];
    change(last && last.amount.trim() !== "" ? [...next, NONE] : next);
  };
  return (
    <Box role="group" aria-label={heading}>
      <Heading>{heading}</Heading>
      {rows.map((row, n) => (
        <Box
          key={n}
          sx={{ display: "grid", gridTemplateColumns: payer ? "1fr 1fr 96px" : "1fr 96px", gap: 0.75, mb: 1 }}
        >
          <TextField
            label={payer ? "Number" : "Batch"}
            value={row.reference}
            onChange={(event) => put(n, { reference: event.target.value })}
            slotProps={{
              htmlInput: { className: "figure", "aria-label": `${reference} ${n + 1}`, maxLength: 64 },
            }}
          />
          {payer && (
            <TextField
              label="From"
              value={row.from}
              onChange={(event) => put(n, { from: event.target.value })}
              slotProps={{ htmlInput: { "aria-label": `Cheque ${n + 1} from`, maxLength: 300 } }}
            />
          )}
          <FigureField
            label="Amount"
            named={`${payer ? "Cheque" : "Card batch"} amount ${n + 1}`}
            text={row.amount}
            type={(text) => put(n, { amount: text })}
            valid={row.amount.trim() === "" || readable(row.amount)}
          />
        </Box>
      ))}
    </Box>
  );
}
