import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { useBooks, useSession } from "../access/session";
import { Choice } from "../shared/Choice";
import { atMoment, onDay, onDayOfYear } from "../shared/dates";
import { FigureField } from "../shared/FigureField";
import { grouped, isZero, typedAmount, zero } from "../shared/money";
import { Failed, Loading } from "../shared/States";
import { ClosedOnes } from "./ClosedOnes";
import { CloseDialog, ErrorDialog, RightDialog } from "./Dialogs";
import { Ladders } from "./Ladders";
import { Leads } from "./Leads";
import { Opening } from "./Opening";
import { useTieOut, type Account, type Way } from "./queries";

const OTHER = "other";

/** One account tied out at the end of a day. */
export function AccountTieOut({ account }: { account: Account }) {
  const books = useBooks();
  const session = useSession();
  const today = session.data?.businessDate ?? "";
  const [day, setDay] = useState(account.balances[0]?.on ?? OTHER);
  const [otherDay, setOtherDay] = useState(today);
  const [text, setText] = useState("");
  const [asking, setAsking] = useState<"close" | "error" | Way | null>(null);
  const like = zero(account.currency);
  const said = account.balances.find((b) => b.on === day);
  const typed = text.trim() === "" ? undefined : (typedAmount(text, like) ?? undefined);
  const asOf = day === OTHER ? otherDay || undefined : day;
  const known = said !== undefined || typed !== undefined;
  const tieOut = useTieOut(account.bankAccountId, known ? asOf : undefined, typed);
  const last = account.closed.find((c) => !c.reopenedAt);
  const closedAlready = last !== undefined && asOf !== undefined && asOf <= last.asOf;
  const figures = tieOut.data?.figures;
  return (
    <Box sx={{ flex: 1, minWidth: 0, p: 3, overflow: "auto" }}>
      <Typography variant="h1">{account.name}</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 2 }}>
        {account.bank}, <span className="figure">{account.number}</span>, {account.currency}
        {last
          ? ` · last closed ${onDayOfYear(last.asOf)} by ${last.closedBy}, ${atMoment(last.closedAt)}`
          : account.opening
            ? ` · begins with ${grouped(account.opening.amount)} at the end of ${onDay(account.opening.on)}`
            : ""}
      </Typography>
      {!account.opening && <Opening account={account} />}
      {account.opening && (
        <>
          <Box sx={{ display: "flex", gap: 2, alignItems: "start", flexWrap: "wrap" }}>
            <Box sx={{ width: 250 }}>
              <Choice
                shown
                label="At the end of"
                value={day}
                options={[
                  ...account.balances.map((b): [string, string] => [
                    b.on,
                    `${onDayOfYear(b.on)}, by the statement`,
                  ]),
                  [OTHER, "another day…"],
                ]}
                choose={setDay}
              />
            </Box>
            {day === OTHER && (
              <TextField
                type="date"
                label="Day"
                value={otherDay}
                onChange={(event) => setOtherDay(event.target.value)}
                slotProps={{ inputLabel: { shrink: true }, htmlInput: { max: today } }}
              />
            )}
            <FigureField
              label="The bank shows"
              text={text}
              type={setText}
              valid={text.trim() === "" || typed !== undefined}
              hint={said ? grouped(said.amount) : "from the bank's paper"}
              width={190}
            />
            <Box sx={{ ml: "auto", display: "flex", gap: 1 }}>
              {figures && (
                <Button
                  component="a"
                  target="_blank"
                  href={`/api/bank-accounts/${account.bankAccountId}/tie-out/paper?asOf=${figures.asOf}${typed ? `&balance=${typed.amount}` : ""}`}
                >
                  As PDF
                </Button>
              )}
              {books.mayPost && figures && !closedAlready && (
                <Button onClick={() => setAsking("error")}>Write an error down…</Button>
              )}
              {books.supervisor && figures && !closedAlready && (
                <Button
                  variant="contained"
                  disabled={!isZero(figures.gap)}
                  onClick={() => setAsking("close")}
                >
                  Close {onDay(figures.asOf)}…
                </Button>
              )}
            </Box>
          </Box>
          {closedAlready && last && (
            <Alert
              severity="info"
              icon={false}
              variant="outlined"
              sx={{ mt: 2, borderColor: "divider", color: "text.primary" }}
            >
              {onDay(asOf ?? "")} is closed; this is how it stands today. What was closed stands below, as it
              was.
            </Alert>
          )}
          {!known && (
            <Typography color="textSecondary" sx={{ mt: 3 }}>
              No statement says what stood there that day. Type what the bank&apos;s paper shows, and the way
              from it to the books appears.
            </Typography>
          )}
          {known && tieOut.error && <Failed error={tieOut.error} retry={() => void tieOut.refetch()} />}
          {known && tieOut.isPending && !tieOut.error && <Loading rows={6} />}
          {known && figures && tieOut.data && (
            <>
              {tieOut.data.startsFrom && (
                <Typography variant="body2" color="textSecondary" sx={{ mt: 1.5 }}>
                  It starts from the one closed {onDay(tieOut.data.startsFrom.asOf)}, at{" "}
                  <span className="figure">{grouped(tieOut.data.startsFrom.statement)}</span>.
                </Typography>
              )}
              <Ladders figures={figures} right={books.mayPost ? (way) => setAsking(way) : undefined} />
              {!isZero(figures.gap) && <Leads leads={tieOut.data.leads} />}
            </>
          )}
        </>
      )}
      <ClosedOnes account={account} />
      {asking === "close" && figures && (
        <CloseDialog account={account} figures={figures} typed={typed} close={() => setAsking(null)} />
      )}
      {asking === "error" && figures && (
        <ErrorDialog account={account} figures={figures} close={() => setAsking(null)} />
      )}
      {asking !== null && typeof asking === "object" && (
        <RightDialog way={asking} today={today} close={() => setAsking(null)} />
      )}
    </Box>
  );
}
