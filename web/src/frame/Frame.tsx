import { Box, Divider, IconButton, Link, ListSubheader, Menu, MenuItem, Typography } from "@mui/material";
import { useContext, useMemo, useState, type ReactNode } from "react";
import { Link as RouterLink, useLocation, useNavigate } from "react-router";
import { BooksContext, useSignOut, type Books, type Me } from "../access/session";
import { IntakeNotice } from "../intake/OnItsWay";
import { TakeIn } from "../intake/TakeIn";
import { onWeekday } from "../shared/dates";
import { Everything } from "./Everything";
import { FlowStrip } from "./FlowStrip";
import { KeysDialog } from "./KeysDialog";
import { LightContext, type Light } from "./light";
import { Mark } from "./Mark";
import { useKeys } from "./keys";
import { UndoSteps } from "./undo";
import { UndoKey } from "./UndoKey";
import { Asked } from "../notes/Asked";
import { ActionsPlace } from "./ViewActions";

const VIEWS: Record<string, { to: string; name: string; demo?: boolean }[]> = {
  arrived: [
    { to: "/arrived/intake", name: "Intake" },
    { to: "/arrived/profiles", name: "Profiles" },
    { to: "/arrived/outside", name: "Simulated outside", demo: true },
  ],
  waiting: [
    { to: "/waiting/desk", name: "Desk" },
    { to: "/waiting/lockbox", name: "Lockbox" },
    { to: "/waiting/payouts", name: "Payouts" },
    { to: "/waiting/from-us", name: "Money from us" },
    { to: "/waiting/find", name: "Find" },
    { to: "/waiting/shelved", name: "Shelved" },
    { to: "/waiting/score", name: "How right it was" },
  ],
  pouch: [
    { to: "/pouch", name: "Receipts in hand" },
    { to: "/pouch/takings", name: "Over the counter" },
    { to: "/pouch/deposits", name: "Deposits" },
  ],
  posted: [
    { to: "/posted/customers", name: "Customers" },
    { to: "/posted/settlements", name: "Settlements" },
    { to: "/posted/journal", name: "Journal" },
    { to: "/posted/books", name: "Books" },
    { to: "/posted/exports", name: "Exports" },
    { to: "/posted/runs", name: "Runs" },
    { to: "/posted/unattended", name: "Without a hand" },
  ],
  "tied-out": [
    { to: "/tied-out/accounts", name: "Tie-out by account" },
    { to: "/tied-out/cent-trail", name: "Cent trail" },
    { to: "/tied-out/day", name: "Day sheet" },
    { to: "/tied-out/periods", name: "Closed periods" },
  ],
  "house-rules": [{ to: "/house-rules", name: "House rules" }],
  audit: [{ to: "/audit", name: "Audit trail" }],
  settings: [{ to: "/settings", name: "Settings" }],
  start: [{ to: "/start", name: "First steps" }],
  "money-rules": [{ to: "/money-rules", name: "The money rules" }],
  users: [{ to: "/users", name: "Users" }],
  policies: [{ to: "/policies", name: "Policies" }],
};

const LIGHTS: Record<Light, string> = { system: "As the system", light: "Paper", dark: "Ink" };

/** What stands around every view: the flow strip, the views of its tile, company, day and user. */
export function Frame({ me, children }: { me: Me; children: ReactNode }) {
  const location = useLocation();
  const tile = location.pathname.split("/")[1] ?? "";
  const [chosen, setChosen] = useState(() => Number(localStorage.getItem("company")));
  const [keysShown, setKeysShown] = useState(false);
  const [actions, setActions] = useState<HTMLElement | null>(null);
  const company = me.companies.find((c) => c.id === chosen) ?? me.companies[0];
  const [currencies, setCurrencies] = useState<Record<number, string>>(() =>
    JSON.parse(localStorage.getItem("currencies") ?? "{}"),
  );
  const wanted = currencies[company?.id ?? 0];
  const currency =
    company?.currencies.find((code) => code === wanted) ?? company?.currencies[0] ?? company?.currency;
  const books = useMemo<Books>(
    () => ({
      company: company?.id ?? 0,
      companyName: company?.name ?? "",
      currency: currency ?? "USD",
      mayPost: me.role === "CLERK" || me.role === "SUPERVISOR",
      user: me.user,
      supervisor: me.role === "SUPERVISOR",
      group: me.companies.map(({ id, name }) => ({ id, name })),
    }),
    [company, currency, me.role, me.user, me.companies],
  );
  const choose = (id: number) => {
    localStorage.setItem("company", String(id));
    setChosen(id);
  };
  const chooseCurrency = (code: string) => {
    const next = { ...currencies, [books.company]: code };
    localStorage.setItem("currencies", JSON.stringify(next));
    setCurrencies(next);
  };
  useKeys({ "?": () => setKeysShown(true) });
  const views = (VIEWS[tile] ?? []).filter((view) => !view.demo || me.demo);
  // of two whose addresses begin alike the longer one
  const current = views
    .filter((view) => location.pathname.startsWith(view.to))
    .reduce((longest, view) => (view.to.length > longest.length ? view.to : longest), "");

  return (
    <BooksContext.Provider value={books}>
      <UndoSteps user={me.user}>
        <Box
          sx={{
            height: "100vh",
            display: "flex",
            flexDirection: "column",
            "@media print": { height: "auto", display: "block" },
          }}
        >
          <Box
            component="header"
            sx={{
              display: "flex",
              alignItems: "center",
              gap: { xs: 1.25, lg: 3 },
              px: 2,
              height: 74,
              borderBottom: 1,
              borderColor: "divider",
              flexShrink: 0,
              displayPrint: "none",
            }}
          >
            <Mark />
            <Box sx={{ flex: 1, minWidth: 0 }}>{company && <FlowStrip tile={tile} />}</Box>
            {company && <Everything />}
            <Asked />
            <UserCorner
              me={me}
              books={books}
              choose={choose}
              chooseCurrency={chooseCurrency}
              showKeys={() => setKeysShown(true)}
            />
          </Box>
          <Box
            component="nav"
            aria-label="Views"
            id="views"
            sx={{
              display: "flex",
              alignItems: "center",
              gap: 3,
              px: 2,
              height: 34,
              borderBottom: 1,
              borderColor: "divider",
              flexShrink: 0,
              displayPrint: "none",
            }}
          >
            {views.map((view) => {
              const here = view.to === current;
              return (
                <Link
                  key={view.to}
                  component={RouterLink}
                  to={view.to}
                  aria-current={here ? "page" : undefined}
                  sx={{
                    color: here ? "text.primary" : "text.secondary",
                    fontWeight: here ? 700 : 400,
                    textDecoration: "none",
                    py: 0.75,
                    borderBottom: 2,
                    borderColor: here ? "primary.main" : "transparent",
                  }}
                >
                  {view.name}
                </Link>
              );
            })}
            <Box ref={setActions} sx={{ ml: "auto" }} />
          </Box>
          <Box
            component="main"
            sx={{ flex: 1, minHeight: 0, overflow: "auto", "@media print": { overflow: "visible" } }}
            key={`${books.company} ${books.currency}`}
          >
            <TakeIn>
              <ActionsPlace.Provider value={actions}>{children}</ActionsPlace.Provider>
              <IntakeNotice />
            </TakeIn>
          </Box>
        </Box>
        <KeysDialog path={location.pathname} open={keysShown} close={() => setKeysShown(false)} />
        <UndoKey />
      </UndoSteps>
    </BooksContext.Provider>
  );
}

function UserCorner({
  me,
  books,
  choose,
  chooseCurrency,
  showKeys,
}: {
  me: Me;
  books: Books;
  choose: (id: number) => void;
  chooseCurrency: (code: string) => void;
  showKeys: () => void;
}) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const { light, choose: chooseLight } = useContext(LightContext);
  const navigate = useNavigate();
  const signOut = useSignOut();
  const close = () => setAnchor(null);
  const currencies = me.companies.find((c) => c.id === books.company)?.currencies ?? [];
  return (
    <>
      <IconButton
        aria-label={`${me.fullName}, ${books.companyName}: company, light, keys, sign out`}
        onClick={(event) => setAnchor(event.currentTarget)}
        sx={{ borderRadius: 1, textAlign: "right", display: "block", py: 0.5 }}
      >
        <Typography component="span" sx={{ display: "block", color: "text.primary", fontSize: 13 }}>
          {books.companyName === ""
            ? "No company yet"
            : `${books.companyName.replace(/ Ltd$/, "")}, ${books.currency}`}
        </Typography>
        <Typography component="span" color="textSecondary" sx={{ display: "block", fontSize: 13 }}>
          {onWeekday(me.businessDate)} · {me.user}
        </Typography>
      </IconButton>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={close}>
        <ListSubheader>Company</ListSubheader>
        {me.companies.map((c) => (
          <MenuItem
            key={c.id}
            selected={c.id === books.company}
            onClick={() => {
              choose(c.id);
              close();
            }}
          >
            {c.name}
          </MenuItem>
        ))}
        {currencies.length > 1 && <ListSubheader>Figures in</ListSubheader>}
        {currencies.length > 1 &&
          currencies.map((code) => (
            <MenuItem
              key={code}
              selected={code === books.currency}
              onClick={() => {
                chooseCurrency(code);
                close();
              }}
            >
              {code}
            </MenuItem>
          ))}
        <Divider />
        <ListSubheader>Light</ListSubheader>
        {(Object.keys(LIGHTS) as Light[]).map((l) => (
          <MenuItem
            key={l}
            selected={l === light}
            onClick={() => {
              chooseLight(l);
              close();
            }}
          >
            {LIGHTS[l]}
          </MenuItem>
        ))}
        <Divider />
        {me.role === "ADMINISTRATOR" && (
          <MenuItem
            onClick={() => {
              void navigate("/users");
              close();
            }}
          >
            Users
          </MenuItem>
        )}
        <MenuItem
          onClick={() => {
            void navigate("/house-rules");
            close();
          }}
        >
          House rules
        </MenuItem>
        <MenuItem
          onClick={() => {
            void navigate("/policies");
            close();
          }}
        >
          Policies
        </MenuItem>
        <MenuItem
          onClick={() => {
            void navigate("/audit");
            close();
          }}
        >
          Audit trail
        </MenuItem>
        <MenuItem
          onClick={() => {
            void navigate("/settings");
            close();
          }}
        >
          Settings
        </MenuItem>
        <MenuItem
          onClick={() => {
            void navigate("/money-rules");
            close();
          }}
        >
          The money rules
        </MenuItem>
        <MenuItem
          onClick={() => {
            void navigate("/start");
            close();
          }}
        >
          First steps
        </MenuItem>
        <MenuItem
          onClick={() => {
            showKeys();
            close();
          }}
        >
          Keys
        </MenuItem>
        <MenuItem onClick={() => void signOut()}>Sign out {me.fullName}</MenuItem>
      </Menu>
    </>
  );
}
