import { Box, Button, Drawer, Link, Typography } from "@mui/material";
import { Link as RouterLink } from "react-router";
import type { Schemas } from "../api/client";
import { Amount } from "../shared/Amount";
import { onDay } from "../shared/dates";
import { Empty, Failed, Loading } from "../shared/States";
import { useBehind } from "./queries";
import type { Figure } from "./words";

type Line = Schemas["Behind"];

/** Where a line leads. */
export function placeOf({ kind, id, settlementId }: Line): string {
  return settlementId
    ? `/posted/settlements/${settlementId}`
    : kind === "ITEM"
      ? `/posted/items/${id}`
      : `/waiting/desk/${id}`;
}

/** What a figure is made of, beside the sheet; each line leads to what it is. */
export function Behind({
  of,
  title,
  on,
  close,
}: {
  of: Figure | null;
  title: string;
  on: string;
  close: () => void;
}) {
  const behind = useBehind(of, on);
  return (
    <Drawer
      anchor="right"
      open={of !== null}
      onClose={close}
      transitionDuration={0}
      slotProps={{
        paper: { sx: { width: 440, p: 2, displayPrint: "none" }, "aria-label": title, role: "dialog" },
      }}
    >
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 2, mb: 1 }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          {title}
        </Typography>
        <Button onClick={close}>Close</Button>
      </Box>
      {behind.error && <Failed error={behind.error} retry={() => void behind.refetch()} />}
      {!behind.data && !behind.error && <Loading rows={8} />}
      {behind.data?.rows.length === 0 && <Empty title="Nothing is behind this figure" />}
      {behind.data?.rows.map((line, n) => (
        <Box
          key={n}
          sx={{
            display: "grid",
            gridTemplateColumns: "56px minmax(0, 1fr) auto",
            gap: 1.5,
            py: 0.75,
            borderBottom: 1,
            borderColor: "divider",
            fontSize: 13.5,
          }}
        >
          <span>{onDay(line.on)}</span>
          <Box sx={{ minWidth: 0 }}>
            <Link component={RouterLink} to={placeOf(line)}>
              {line.who || line.words || "Nobody named"}
            </Link>
            {line.who && (
              <Box
                sx={{
                  color: "text.secondary",
                  fontSize: 12.5,
                  overflow: "hidden",
                  textOverflow: "ellipsis",
                  whiteSpace: "nowrap",
                }}
              >
                {line.words}
              </Box>
            )}
          </Box>
          <Amount of={line.amount} />
        </Box>
      ))}
      {behind.data?.more && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          The first 200 of them.
        </Typography>
      )}
    </Drawer>
  );
}
