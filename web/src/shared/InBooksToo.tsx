import { Checkbox, FormControlLabel } from "@mui/material";
import { DayField } from "./DayField";

interface Props {
  /** What stands in the currency of the books as well. */
  label: string;
  asked: boolean;
  ask: (asked: boolean) => void;
  /** ISO; the day whose rate it is. */
  ratesOn: string;
  setRatesOn: (day: string) => void;
}

/** Whether figures stand in the currency of the books too, and at the rate of which day. */
export function InBooksToo({ label, asked, ask, ratesOn, setRatesOn }: Props) {
  return (
    <>
      <FormControlLabel
        control={<Checkbox size="small" checked={asked} onChange={(_, on) => ask(on)} />}
        label={label}
        sx={{ whiteSpace: "nowrap", mr: 0 }}
      />
      {asked && <DayField label="Rate of" value={ratesOn} set={setRatesOn} />}
    </>
  );
}
