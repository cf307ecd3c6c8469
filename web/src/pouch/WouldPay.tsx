import { Box, Button } from "@mui/material";
import type { Schemas } from "../api/client";
import { useQuiet } from "../shared/useQuiet";
import { useWouldPay } from "./queries";

const SHORTEST_NAME = 3;

/** What a receipt would pay whose payer and amount are typed, and no numbers; one press takes the numbers. */
export function WouldPay({
  amount,
  on,
  from,
  drawerAccount,
  take,
}: {
  amount: Schemas["MoneyView"] | null;
  on: string;
  from: string;
  drawerAccount: string;
  take: (numbers: string[]) => void;
}) {
  const known = from.length >= SHORTEST_NAME || drawerAccount !== "";
  const asked = useQuiet(
    amount && known && on !== "" ? JSON.stringify([amount.amount, on, from, drawerAccount]) : "",
  );
  const [about = "", day = "", payer = "", account = ""] = (
    asked === "" ? [] : JSON.parse(asked)
  ) as string[];
  const proposed = useWouldPay(
    asked === "" ? null : { amount: about, on: day, from: payer, drawerAccount: account },
  );
  if (asked === "" || !proposed.data) {
    return null;
  }
  const said = proposed.data.filter((one) => one.numbers.length > 0);
  return (
    <Box
      role="group"
      aria-label="What it may pay"
      sx={{ display: "flex", gap: 1.5, flexWrap: "wrap", mt: 0.5, fontSize: 13, alignItems: "baseline" }}
    >
      {said.length === 0 ? (
        <span>{sentence(proposed.data[0]?.says)}</span>
      ) : (
        said.map((one) => (
          <Box key={one.numbers.join(" ")} title={one.says}>
            <Button
              variant="outlined"
              onClick={() => take(one.numbers)}
              className="figure"
              aria-label={`It pays ${one.numbers.join(", ")}`}
              sx={{ py: 0, mr: 0.75 }}
            >
              {one.numbers.join(" + ")}
            </Button>
            {one.odds}
            {!one.whole && ", not to the cent"}
          </Box>
        ))
      )}
    </Box>
  );
}

/** Why nothing that is open is proposed, as far as the engine says. */
function sentence(says: string | undefined): string {
  return says ? `${says.charAt(0).toUpperCase()}${says.slice(1)}.` : "Nothing that is open comes to this.";
}
