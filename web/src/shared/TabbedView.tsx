import { Box, Tab, Tabs } from "@mui/material";
import type { ReactNode } from "react";
import { Link as RouterLink, useParams } from "react-router";

interface Props<K extends string> {
  label: string;
  /** Where the views are; the tab's key follows. */
  at: string;
  tabs: Record<K, string>;
  /** Which stands there where the address names none. */
  first: K;
  children: (chosen: K) => ReactNode;
}

/** Views of one subject beside each other, each under an address of its own. */
export function TabbedView<K extends string>({ label, at, tabs, first, children }: Props<K>) {
  const { tab } = useParams();
  const chosen = tab !== undefined && tab in tabs ? (tab as K) : first;
  return (
    <Box sx={{ px: 3, pt: 1, pb: 4 }}>
      <Tabs value={chosen} aria-label={label} sx={{ mb: 2, borderBottom: 1, borderColor: "divider" }}>
        {(Object.entries(tabs) as [K, string][]).map(([key, name]) => (
          <Tab
            key={key}
            value={key}
            label={name}
            component={RouterLink}
            to={`${at}/${key}`}
            sx={{ minWidth: 0, px: 1.5 }}
          />
        ))}
      </Tabs>
      {children(chosen)}
    </Box>
  );
}
