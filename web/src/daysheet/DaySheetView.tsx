import { Box, Button, GlobalStyles, Typography } from "@mui/material";
import { useState } from "react";
import { useSearchParams } from "react-router";
import { useBooks } from "../access/session";
import { ViewActions } from "../frame/ViewActions";
import { DayField } from "../shared/DayField";
import { onWeekday } from "../shared/dates";
import { Failed, Loading } from "../shared/States";
import { Behind } from "./Behind";
import { Days, Hours, Waited, Waiting } from "./MoneyPanels";
import { useDaySheet } from "./queries";
import { Ageing, Differences, Hands, Holders, Outstanding } from "./StatePanels";
import { daysAfter, type Figure, type Open } from "./words";

/** The day in pictures, the figures under them; each leads to what it is made of. */
export default function DaySheetView() {
  const books = useBooks();
  const [params, setParams] = useSearchParams();
  const on = params.get("on") ?? "";
  const sheet = useDaySheet(on);
  const [shown, setShown] = useState<{ of: Figure; title: string } | null>(null);
  const go = (day: string) => setParams(day === "" ? {} : { on: day });
  if (sheet.error) {
    return <Failed error={sheet.error} retry={() => go("")} />;
  }
  if (!sheet.data) {
    return <Loading rows={12} />;
  }
  const s = sheet.data;
  const open: Open = (of, title) => setShown({ of, title });
  return (
    <Box sx={{ px: 3, pt: 1.5, pb: 4, "@media print": { p: 0 } }}>
      <GlobalStyles styles={{ "@page": { size: "A4 landscape", margin: "10mm" } }} />
      <ViewActions>
        <Button onClick={() => window.print()}>Print</Button>
      </ViewActions>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2, mb: 1.5 }}>
        <Typography variant="h1">
          {onWeekday(s.on)}
          {s.past ? "" : ", so far"}
        </Typography>
        <Typography color="textSecondary">
          {books.companyName}, {s.currency}
        </Typography>
        <Box sx={{ ml: "auto", display: "flex", gap: 1, alignItems: "center", displayPrint: "none" }}>
          <Button onClick={() => go(daysAfter(s.on, -1))}>Day before</Button>
          <DayField label="Day" value={s.on} set={go} />
          <Button disabled={!s.past} onClick={() => go(daysAfter(s.on, 1))}>
            Day after
          </Button>
          <Button disabled={!s.past} onClick={() => go("")}>
            Today
          </Button>
        </Box>
      </Box>
      <Box sx={{ display: "grid", gridTemplateColumns: "repeat(4, minmax(0, 1fr))", gap: 1.5 }}>
        <Days of={s} go={go} open={open} />
        <Hours of={s} open={open} />
        <Hands of={s} open={open} />
        <Waiting of={s} open={open} />
        <Waited of={s} open={open} />
        <Ageing of={s} open={open} />
        <Outstanding of={s} />
        <Differences of={s} open={open} />
        <Holders of={s} open={open} />
      </Box>
      <Behind of={shown?.of ?? null} title={shown?.title ?? ""} on={on} close={() => setShown(null)} />
    </Box>
  );
}
