import { Link } from "@mui/material";
import { Link as RouterLink } from "react-router";
import { onDayOfYear } from "../shared/dates";

/** Says that no rate counts on a day, and leads to where one is typed or taken in. */
export function NoRate({ on }: { on: string }) {
  return (
    <Link component={RouterLink} to="/posted/books/rates" underline="always">
      no rate counts on {onDayOfYear(on)}; type one
    </Link>
  );
}
