import { lazy, Suspense } from "react";
import { Navigate, Route, Routes } from "react-router";
import { SignIn } from "./access/SignIn";
import { useSession } from "./access/session";
import { DeskView } from "./desk/DeskView";
import { Frame } from "./frame/Frame";
import { Failed, Loading } from "./shared/States";

const IntakeView = lazy(() => import("./intake/IntakeView"));
const IntakeSheet = lazy(() => import("./intake/IntakeSheet"));
const ProfilesView = lazy(() => import("./profiles/ProfilesView"));
const OutsideView = lazy(() => import("./outside/OutsideView"));
const CustomersView = lazy(() => import("./customers/CustomersView"));
const CustomerView = lazy(() => import("./customers/CustomerView"));
const SettlementsView = lazy(() => import("./settle/SettlementsView"));
const ItemView = lazy(() => import("./settle/ItemView"));
const SettlementSheet = lazy(() => import("./settle/SettlementSheet"));
const FindView = lazy(() => import("./find/FindView"));
const JournalView = lazy(() => import("./journal/JournalView"));
const BooksView = lazy(() => import("./books/BooksView"));
const LedgerView = lazy(() => import("./books/LedgerView"));
const ExportsView = lazy(() => import("./exports/ExportsView"));
const DaySheetView = lazy(() => import("./daysheet/DaySheetView"));
const SettingsView = lazy(() => import("./settings/SettingsView"));
const StartView = lazy(() => import("./start/StartView"));
const MoneyRulesView = lazy(() => import("./help/MoneyRulesView"));
const AuditView = lazy(() => import("./audit/AuditView"));
const CentTrailView = lazy(() => import("./tieout/CentTrailView"));
const BatchesView = lazy(() => import("./lockbox/BatchesView"));
const BatchView = lazy(() => import("./lockbox/BatchView"));
const PayoutsView = lazy(() => import("./payouts/PayoutsView"));
const ProcessorsView = lazy(() => import("./payouts/ProcessorsView"));
const PayoutView = lazy(() => import("./payouts/PayoutView"));
const PouchView = lazy(() => import("./pouch/PouchView"));
const DepositsView = lazy(() => import("./pouch/DepositsView"));
const TakingsView = lazy(() => import("./pouch/TakingsView"));
const DepositView = lazy(() => import("./pouch/DepositView"));
const PoliciesView = lazy(() => import("./companies/PoliciesView"));
const MoneyFromUsView = lazy(() => import("./treat/MoneyFromUsView"));
const HouseRulesView = lazy(() => import("./treat/HouseRulesView"));
const TieOutView = lazy(() => import("./tieout/TieOutView"));
const ClosedPeriodsView = lazy(() => import("./tieout/ClosedPeriodsView"));
const ShelvedView = lazy(() => import("./desk/ShelvedView"));
const ScoreView = lazy(() => import("./score/ScoreView"));
const RunsView = lazy(() => import("./runs/RunsView"));
const RunView = lazy(() => import("./runs/RunView"));
const PrepareRunView = lazy(() => import("./runs/PrepareRunView"));
const UnattendedView = lazy(() => import("./runs/UnattendedView"));
const UsersView = lazy(() => import("./access/UsersView"));

/** The whole interface: sign-in, then every view under its own address. */
export function App() {
  const session = useSession();
  if (session.isPending) {
    return <Loading />;
  }
  if (session.error) {
    return <Failed error={session.error} retry={() => void session.refetch()} />;
  }
  if (!session.data) {
    return <SignIn />;
  }
  const me = session.data;
  // a company that has only begun is led through its first steps
  const begun = me.companies.some((c) => c.bankAccounts.length > 0);
  const home = !begun ? "/start" : me.role === "ADMINISTRATOR" ? "/users" : "/waiting/desk";
  return (
    <Frame me={me}>
      <Suspense fallback={<Loading />}>
        <Routes>
          <Route path="/arrived/intake" element={<IntakeView />} />
          <Route path="/arrived/intake/:intakeId" element={<IntakeSheet />} />
          <Route path="/arrived/profiles" element={<ProfilesView />} />
          {me.demo && <Route path="/arrived/outside" element={<OutsideView />} />}
          <Route path="/waiting/desk" element={<DeskView />} />
          <Route path="/waiting/desk/:entryId" element={<DeskView />} />
          <Route path="/waiting/desk/account/:accountId" element={<DeskView />} />
          <Route path="/waiting/find" element={<FindView />} />
          <Route path="/waiting/from-us" element={<MoneyFromUsView />} />
          <Route path="/waiting/from-us/:entryId" element={<MoneyFromUsView />} />
          <Route path="/waiting/shelved" element={<ShelvedView />} />
          <Route path="/waiting/score" element={<ScoreView />} />
          <Route path="/waiting/lockbox" element={<BatchesView />} />
          <Route path="/waiting/lockbox/:batchId" element={<BatchView />} />
          <Route path="/waiting/lockbox/:batchId/:entryId" element={<BatchView />} />
          <Route path="/waiting/payouts" element={<PayoutsView />} />
          <Route path="/waiting/payouts/processors" element={<ProcessorsView />} />
          <Route path="/waiting/payouts/:payoutId" element={<PayoutView />} />
          <Route path="/pouch" element={<PouchView />} />
          <Route path="/pouch/takings" element={<TakingsView />} />
          <Route path="/pouch/deposits" element={<DepositsView />} />
          <Route path="/pouch/deposits/:depositId" element={<DepositView />} />
          <Route path="/posted/customers" element={<CustomersView />} />
          <Route path="/posted/customers/:customerId" element={<CustomerView />} />
          <Route path="/posted/settlements" element={<SettlementsView />} />
          <Route path="/posted/settlements/:settlementId" element={<SettlementSheet />} />
          <Route path="/posted/items/:itemId" element={<ItemView />} />
          <Route path="/posted/runs" element={<RunsView />} />
          <Route path="/posted/runs/new" element={<PrepareRunView />} />
          <Route path="/posted/runs/:runId" element={<RunView />} />
          <Route path="/posted/unattended" element={<UnattendedView />} />
          <Route path="/posted/journal" element={<JournalView />} />
          <Route path="/posted/journal/:entryId" element={<JournalView />} />
          <Route path="/posted/books" element={<BooksView />} />
          <Route path="/posted/books/accounts/:accountId/:currency" element={<LedgerView />} />
          <Route path="/posted/books/:tab" element={<BooksView />} />
          <Route path="/posted/exports" element={<ExportsView />} />
          <Route path="/tied-out/accounts" element={<TieOutView />} />
          <Route path="/tied-out/accounts/:accountId" element={<TieOutView />} />
          <Route path="/tied-out/day" element={<DaySheetView />} />
          <Route path="/tied-out/periods" element={<ClosedPeriodsView />} />
          <Route path="/tied-out/cent-trail" element={<CentTrailView />} />
          <Route path="/house-rules" element={<HouseRulesView />} />
          <Route path="/settings" element={<SettingsView />} />
          <Route path="/settings/:tab" element={<SettingsView />} />
          <Route path="/start" element={<StartView />} />
          <Route path="/money-rules" element={<MoneyRulesView />} />
          <Route path="/audit" element={<AuditView />} />
          <Route path="/policies" element={<PoliciesView />} />
          <Route path="/users" element={<UsersView />} />
          <Route path="*" element={<Navigate to={home} replace />} />
        </Routes>
      </Suspense>
    </Frame>
  );
}
