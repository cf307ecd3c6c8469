import { Alert, Box, Button, TextField } from "@mui/material";
import { useMutation } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { api, data, Refusal, type Schemas } from "../api/client";
import { useBooks } from "../access/session";
import { taxOptions, useChart } from "../desk/queries";
import { useSoon } from "../frame/useSoon";
import { Choice } from "../shared/Choice";
import { FigureField } from "../shared/FigureField";
import { grouped, isZero, minor, typedAmount, zero } from "../shared/money";
import { ChequePicture } from "./ChequePicture";
import { useLookup, usePouchRefresh } from "./queries";
import { Quiet } from "./Quiet";
import { Pays, Recorded } from "./RecordedSoFar";
import { ScanCheque } from "./ScanCheque";
import { METHODS, type Method } from "./words";
import { WouldPay } from "./WouldPay";

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
  const [picture, setPicture] = useState<number>();
  const [sale, setSale] = useState({ on: false, taxCode: "" });
  const [sold, setSold] = useState<Schemas["TakingsView"] | null>(null);
  const first = useRef<HTMLInputElement>(null);
  const put = (part: Partial<typeof EMPTY>) => setForm((before) => ({ ...before, ...part }));

  const chart = useChart(sale.on);
  const lookup = useLookup(sale.on ? "" : form.invoices.trim(), receivedOn);
  const found = form.invoices.trim() === "" || sale.on ? undefined : lookup.data;
  const nothing = zero(books.currency);
  const typed = form.amount.trim() === "" ? null : typedAmount(form.amount, nothing);
  const amount = typed ?? (form.amount.trim() === "" && found && !isZero(found.net) ? found.net : null);
  const payer = found?.payer ?? undefined;

  const emptied = () => {
    setForm(EMPTY);
    setAhead(false);
    setRouting({ routing: "", account: "" });
    setPicture(undefined);
    first.current?.focus();
    void refresh();
  };
  const send = useMutation({
    mutationFn: async (again: boolean) =>
      data(
        await api.POST("/api/receipts", {
          params: { query: { company: books.company } },
          body: {
            method,
            receivedOn,
            amount: amount ?? nothing,
            from: form.from.trim(),
            customerId: payer?.customerId,
            reference: form.number.trim(),
            text: form.invoices.trim(),
            routing: routing.routing,
            drawerAccount: routing.account,
            heldUntil: form.dated || undefined,
            itemIds: found?.items.map((item) => item.itemId) ?? [],
            pictureId: picture,
            again,
          },
        }),
      ),
    onSuccess: (result) => {
      setSold(null);
      setRecorded(result);
      emptied();
    },
  });
  const sell = useMutation({
    mutationFn: async () =>
      data(
        await api.POST("/api/takings", {
          params: { query: { company: books.company } },
          body: {
            on: receivedOn,
            name: form.invoices.trim() || "A sale on the spot",
            sales: [{ amount: amount ?? nothing, taxCode: sale.taxCode || undefined }],
            paid: [
              { method, amount: amount ?? nothing, reference: form.number.trim(), from: form.from.trim() },
            ],
          },
        }),
      ),
    onSuccess: (result) => {
      setRecorded(null);
      setSold(result);
      emptied();
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
  const named = sale.on || form.invoices.trim() === "";
  const ready = amount !== null && minor(amount) > 0 && (named || found !== undefined) && !codeLine;
  const sending = send.isPending || sell.isPending;
  // pressed before the numbers were looked up, it records as soon as they are
  const record = useSoon(form.invoices, ready && !sending, () =>
    sale.on ? sell.mutate() : send.mutate(false),
  );
  const go = () => {
    if (codeLine) {
      readCode.mutate(form.number);
    } else if (ready || (!named && found === undefined)) {
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
          label={sale.on ? "What was sold" : "Invoices it pays"}
          value={form.invoices}
          onChange={(event) => put({ invoices: event.target.value })}
          slotProps={{ htmlInput: { className: sale.on ? undefined : "figure" } }}
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
        <Button type="submit" variant="contained" disabled={sending} sx={{ minHeight: 34 }}>
          Record
        </Button>
      </Box>
      <Box sx={{ display: "flex", gap: 2, alignItems: "center", mt: 1, minHeight: 28, fontSize: 13 }}>
        {method === "CHEQUE" &&
          !sale.on &&
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
            <Quiet onClick={() => setAhead(true)}>Dated ahead…</Quiet>
          ))}
        {method !== "TRANSFER" &&
          (sale.on ? (
            <>
              <Choice
                label="Tax in the sale"
                value={sale.taxCode}
                options={taxOptions(chart.data, "no tax in it")}
                choose={(taxCode) => setSale({ on: true, taxCode })}
              />
              <Quiet onClick={() => setSale({ on: false, taxCode: "" })}>Not a sale</Quiet>
            </>
          ) : (
            <Quiet onClick={() => setSale({ on: true, taxCode: sale.taxCode })}>A sale on the spot…</Quiet>
          ))}
        {method === "CHEQUE" && (
          <ScanCheque
            scanned={(cheque) => {
              setPicture(cheque.pictureId);
              put({ number: cheque.codeLine });
              readCode.mutate(cheque.codeLine);
            }}
          />
        )}
        <Box role="status" sx={{ flex: 1, color: "text.secondary" }}>
          {found ? (
            <Pays found={found} amount={amount} />
          ) : sold ? (
            `Booked as sold: ${grouped(sold.sold)}, ${sold.name}${isZero(sold.tax) ? "" : `, ${grouped(sold.tax)} tax in it`}.`
          ) : recorded ? (
            <Recorded recorded={recorded} />
          ) : sale.on ? (
            "Enter books the sale and its receipt in one."
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
      {named && !sale.on && (
        <WouldPay
          amount={form.amount.trim() === "" ? null : typed}
          on={receivedOn}
          from={form.from.trim()}
          drawerAccount={routing.account}
          take={(numbers) => put({ invoices: numbers.join(" ") })}
        />
      )}
      {picture !== undefined && <ChequePicture id={picture} of="the cheque on the scanner" />}
      {(send.error ?? sell.error ?? readCode.error) && (
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
          {(send.error ?? sell.error ?? readCode.error)?.message}
        </Alert>
      )}
    </Box>
  );
}
