import { RatesTab } from "../rates/RatesTab";
import { TabbedView } from "../shared/TabbedView";
import { AgeingTab } from "./AgeingTab";
import { AgreementTab } from "./AgreementTab";
import { ClaimsTab } from "./ClaimsTab";
import { DifferencesTab } from "./DifferencesTab";
import { StatementsTab } from "./StatementsTab";
import { TrialBalanceTab } from "./TrialBalanceTab";
import { UnrealisedTab } from "./UnrealisedTab";
import { TogetherTab } from "./TogetherTab";
import { UnappliedTab } from "./UnappliedTab";

const NAMES = {
  "trial-balance": "Trial balance",
  agreement: "Items and ledger",
  ageing: "Ageing",
  unapplied: "Not applied",
  claims: "Claims",
  differences: "What differences cost",
  statements: "Statements",
  together: "All currencies",
  unrealised: "Unrealised",
  rates: "Rates",
};

const VIEWS = {
  "trial-balance": TrialBalanceTab,
  agreement: AgreementTab,
  ageing: AgeingTab,
  unapplied: UnappliedTab,
  claims: ClaimsTab,
  differences: DifferencesTab,
  statements: StatementsTab,
  together: TogetherTab,
  unrealised: UnrealisedTab,
  rates: RatesTab,
};

/** The books: what stands on the accounts, and what explains it. */
export default function BooksView() {
  return (
    <TabbedView label="Books" at="/posted/books" tabs={NAMES} first="trial-balance">
      {(chosen) => {
        const Chosen = VIEWS[chosen];
        return <Chosen />;
      }}
    </TabbedView>
  );
}
