import { Box, Tab, Tabs } from "@mui/material";
import { Link as RouterLink, useParams } from "react-router";
import { AgeingTab } from "./AgeingTab";
import { AgreementTab } from "./AgreementTab";
import { ClaimsTab } from "./ClaimsTab";
import { DifferencesTab } from "./DifferencesTab";
import { StatementsTab } from "./StatementsTab";
import { TrialBalanceTab } from "./TrialBalanceTab";
import { UnappliedTab } from "./UnappliedTab";

const TABS = {
  "trial-balance": ["Trial balance", TrialBalanceTab],
  agreement: ["Items and ledger", AgreementTab],
  ageing: ["Ageing", AgeingTab],
  unapplied: ["Not applied", UnappliedTab],
  claims: ["Claims", ClaimsTab],
  differences: ["What differences cost", DifferencesTab],
  statements: ["Statements", StatementsTab],
} as const;

type Key = keyof typeof TABS;

/** The books: what stands on the accounts, and what explains it. */
export default function BooksView() {
  const { tab } = useParams();
  const chosen = tab !== undefined && tab in TABS ? (tab as Key) : "trial-balance";
  const Chosen = TABS[chosen][1];
  return (
    <Box sx={{ px: 3, pt: 1, pb: 4 }}>
      <Tabs value={chosen} aria-label="Books" sx={{ mb: 2, borderBottom: 1, borderColor: "divider" }}>
        {(Object.keys(TABS) as Key[]).map((key) => (
          <Tab
            key={key}
            value={key}
            label={TABS[key][0]}
            component={RouterLink}
            to={`/posted/books/${key}`}
            sx={{ minWidth: 0, px: 1.5 }}
          />
        ))}
      </Tabs>
      <Chosen />
    </Box>
  );
}
