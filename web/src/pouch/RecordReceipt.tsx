import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { useMutation } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { api, data, Refusal, type Schemas } from "../api/client";
import { useBooks } from "../access/session";
import { useSoon } from "../frame/useSoon";
import { Amount } from "../shared/Amount";
import { Choice } from "../shared/Choice";
import { onDay } from "../shared/dates";
import { FigureField } from "../shared/FigureField";
import { grouped, isZero, minor, typedAmount } from "../shared/money";
import { useLookup, usePouchRefresh } from "./queries";
import { METHODS, type Method } from "./words";

type Found = Schemas["Looked"];

const EMPTY = { number: "", invoices: "", amount: "", from: "", dated: "" };

/**
 * One line to record a receipt after the other by the keyboard: its number, what it pays, Enter. The invoices make the
 * amount and name the payer; what is typed instead holds. Method and day stay for the next.
 */
export function RecordReceipt({ today }: { today: string }) {
  const books = useBooks();
  const refresh = usePouchRefresh();
  const [method, setMethod] = useState<Method>("CHEQUE");
  const [receivedOn, setReceivedOn] = useState(today);
  const [form, setForm] = useState(EMPTY);
  const [routing, setRouting] = useState({ routing: "", account: "" });
  const [recorded, setRecorded] = useState<Schemas["RecordedView"] | null>(null);
  const [ahead, setAhead] = useState(false);
  const first = useRef<HTMLInputElement>(null);
  const put = (part: Partial<typeof EMPTY>) => setForm((before) => ({ ...before, ...part }));

  const lookup = useLookup(form.invoices.trim(), receivedOn);
  const found = form.invoices.trim() === "" ? undefined : lookup.data;
  const zero = { amount: "0.00", currency: books.currency };
  const typed = form.amount.trim() === "" ? null : typedAmount(form.amount, zero);
  const amount = typed ?? (form.amount.trim() === "" && found && !isZero(found.net) ? found.net : null);
  const payer = found?.payer ?? undefined;

  const send = useMutation({
    mutationFn: async (again: boolean) =>
      data(
        await api.POST("/api/receipts", {
          params: { query: { company: books.company } },
          body: {
            method,
            receivedOn,
            amount: amount ?? zero,
            from: form.from.trim(),
            customerId: payer?.customerId,
            reference: form.number.trim(),
            text: form.invoices.trim(),
            routing: routing.routing,
            drawerAccount: routing.account,
            heldUntil: form.dated || undefined,
            itemIds: found?.items.map((item) => item.itemId) ?? [],
            again,
          },
        }),
      ),
    onSuccess: (result) => {
      setRecorded(result);
      setForm(EMPTY);
      setAhead(false);
      setRouting({ routing: "", account: "" });
      first.current?.focus();
      void refresh();
    },
  });
  const readCode = useMutation({
    mutationFn: async (text: string) =>
      data(await api.GET("/api/code-line", { params: { query: { text } } })),
    onSuccess: (line) => {
      put({ number: line.chequeNumber });
      setRouting({ routing: line.routing, account: line.account });
    },
  });
  const codeLine = method === "CHEQUE" && /[⑆⑈tu]/i.test(form.number);
  // numbers are looked up before anything is recorded by them
  const ready =
    amount !== null && minor(amount) > 0 && (form.invoices.trim() === "" || found !== undefined) && !codeLine;
  // pressed before the numbers were looked up, it records as soon as they are
  const record = useSoon(form.invoices, ready && !send.isPending, () => send.mutate(false));
  const go = () => {
    if (codeLine) {
      readCode.mutate(form.number);
    } else if (ready || (form.invoices.trim() !== "" && found === undefined)) {
      record();
    }
  };
  const double = send.error instanceof Refusal && send.error.code === "RECORDED_ALREADY";
  return (
    <Box
      component="form"
      aria-label="Record a receipt"
      onSubmit={(event) => {
        event.preventDefault();
        go();
      }}
      sx={{ px: 2.5, pt: 2, pb: 1.5, borderBottom: 1, borderColor: "divider", bgcolor: "background.paper" }}
    >
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: "104px 148px 150px minmax(170px, 1.4fr) minmax(150px, 1fr) 120px auto",
          gap: 1,
          alignItems: "start",
        }}
      >
        <Choice
          shown
          label="Method"
          value={method}
          options={METHODS}
          choose={(value) => setMethod(value as Method)}
        />
        <TextField
          label="Received"
          type="date"
          value={receivedOn}
          onChange={(event) => setReceivedOn(event.target.value)}
          slotProps={{ inputLabel: { shrink: true }, htmlInput: { max: today } }}
        />
        <TextField
          label={method === "CHEQUE" ? "Cheque number" : method === "CARD" ? "Batch or slip" : "Reference"}
          value={form.number}
          inputRef={first}
          autoFocus
          onChange={(event) => put({ number: event.target.value })}
          slotProps={{ htmlInput: { className: "figure" } }}
        />
        <TextField
          label="Invoices it pays"
          value={form.invoices}
          onChange={(event) => put({ invoices: event.target.value })}
          slotProps={{ htmlInput: { className: "figure" } }}
        />
        <TextField
          label="From"
          value={form.from}
          placeholder={payer?.name}
          onChange={(event) => put({ from: event.target.value })}
          slotProps={{ inputLabel: { shrink: payer !== undefined || undefined } }}
        />
        <FigureField
          label="Amount"
          text={form.amount}
          type={(text) => put({ amount: text })}
          valid={form.amount.trim() === "" || typed !== null}
          hint={found && !isZero(found.net) ? grouped(found.net) : undefined}
          strong
        />
        <Button type="submit" variant="contained" disabled={send.isPending} sx={{ minHeight: 34 }}>
          Record
        </Button>
      </Box>
      <Box sx={{ display: "flex", gap: 2, alignItems: "center", mt: 1, minHeight: 28, fontSize: 13 }}>
        {method === "CHEQUE" &&
          (ahead ? (
            <TextField
              label="Dated ahead"
              type="date"
              autoFocus
              value={form.dated}
              onChange={(event) => put({ dated: event.target.value })}
              slotProps={{ inputLabel: { shrink: true } }}
              sx={{ width: 150 }}
            />
          ) : (
            <Button
              color="inherit"
              onClick={() => setAhead(true)}
              sx={{ p: 0, minWidth: 0, fontWeight: 400, fontSize: 13 }}
            >
              Dated ahead…
            </Button>
          ))}
        <Box role="status" sx={{ flex: 1, color: "text.secondary" }}>
          {found ? (
            <Pays found={found} amount={amount} />
          ) : recorded ? (
            <Recorded recorded={recorded} />
          ) : (
            "Enter records it. Numbers of invoices make the amount; a code line gives number and account."
          )}
          {routing.routing && (
            <>
              {" "}
              Routing <span className="figure">{routing.routing}</span> checks, account{" "}
              <span className="figure">{routing.account}</span>.
            </>
          )}
        </Box>
      </Box>
      {(send.error ?? readCode.error) && (
        <Alert
          severity={double ? "warning" : "error"}
          variant="outlined"
          sx={{ mt: 1 }}
          action={
            double && (
              <Button color="inherit" onClick={() => send.mutate(true)}>
                It is another one
              </Button>
            )
          }
        >
          {(send.error ?? readCode.error)?.message}
        </Alert>
      )}
    </Box>
  );
}

/** What the numbers name, and whether the amount pays it. */
function Pays({ found, amount }: { found: Found; amount: Schemas["MoneyView"] | null }) {
  const discount = minor(found.open) - minor(found.net);
  const agrees =
    amount !== null && (minor(amount) === minor(found.net) || minor(amount) === minor(found.open));
  return (
    <>
      {found.items.map((item, n) => (
        <span key={item.itemId}>
          {n > 0 && ", "}
          <span className="figure">{item.number}</span> {grouped(item.open)} {item.customerName}
        </span>
      ))}
      {found.items.length > 0 && discount > 0 && (
        <>
          {" · "}
          {grouped(found.open)} less discount is <Amount of={found.net} />
        </>
      )}
      {found.items.length > 1 && discount === 0 && (
        <>
          {" · together "}
          <Amount of={found.open} />
        </>
      )}
      {found.unknown.length > 0 && (
        <Box component="span" sx={{ color: "error.main" }}>
          {found.items.length > 0 && " · "}
          {found.unknown.join(", ")} names nothing that is open
        </Box>
      )}
      {found.items.length > 0 && amount !== null && !agrees && (
        <Box component="span" sx={{ color: "primary.main" }}>
          {" · "}
          {grouped(amount)} is not that; it will wait on the desk
        </Box>
      )}
    </>
  );
}

function Recorded({ recorded }: { recorded: Schemas["RecordedView"] }) {
  const { receipt, left } = recorded;
  return (
    <>
      Recorded: {receipt.name} of {grouped(receipt.amount)} from {receipt.from}
      {receipt.settlementId ? `, pays ${receipt.pays.join(", ")}` : ", waits on the desk"}
      {receipt.heldUntil && `, held until ${onDay(receipt.heldUntil)}`}.{left && ` ${left}`}
    </>
  );
}

/** A sentence under the list: the books say the same. */
export function OnHand({ pouch }: { pouch: Schemas["PouchView"] }) {
  const same = pouch.onHand.amount === pouch.inBooks.amount;
  return (
    <Typography
      variant="body2"
      role={same ? undefined : "alert"}
      sx={{ color: same ? "text.secondary" : "error.main" }}
    >
      Receipts on hand in the books: <Amount of={pouch.inBooks} />
      {same ? ", the same as here." : `, though ${grouped(pouch.onHand)} is here.`}
    </Typography>
  );
}
