import { Alert, Button } from "@mui/material";
import { Link as RouterLink } from "react-router";
import { onDay } from "../shared/dates";
import { useAtTheBank } from "./queries";

/** That an entry of the bank seems to be a payout that nobody has booked; nothing where it does not. */
export function SeemsPayout({ entryId }: { entryId: number }) {
  const seen = useAtTheBank().data?.find((one) => one.entryId === entryId);
  // what is booked is offered as what was sent
  if (!seen || seen.booked) {
    return null;
  }
  return (
    <Alert
      severity="info"
      icon={false}
      variant="outlined"
      sx={{ borderColor: "primary.main", color: "text.primary" }}
      action={
        <Button
          sx={{ whiteSpace: "nowrap" }}
          component={RouterLink}
          to={seen.payoutId ? `/waiting/payouts/${seen.payoutId}` : "/arrived/intake"}
        >
          {seen.payoutId ? "See the payout" : "Bring its file"}
        </Button>
      }
    >
      {seen.payoutId
        ? seen.whole
          ? `This is what ${seen.words} came to; it is not booked yet.`
          : `This may be a part of ${seen.words}, which came to more and is not booked yet.`
        : `This looks like a payout${seen.processor ? ` of ${seen.processor}` : ""} of ${onDay(seen.bookedOn)}, and no file tells what it is made of.`}{" "}
      Booked straight to sales, its sales could be counted twice.
    </Alert>
  );
}
