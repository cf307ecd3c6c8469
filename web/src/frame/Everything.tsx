import { Box, Button, Dialog, InputBase, Typography } from "@mui/material";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState, type KeyboardEvent } from "react";
import { useNavigate } from "react-router";
import { useBooks } from "../access/session";
import { api, data, type Schemas } from "../api/client";
import { Amount } from "../shared/Amount";
import { onDayOfYear } from "../shared/dates";
import { useKeys } from "./keys";

type Thing = Schemas["Thing"];

const KINDS: Record<Thing["kind"], string> = {
  CUSTOMER: "Customers",
  ITEM: "Invoices and other items",
  ENTRY: "Entries",
  CHEQUE: "Cheques",
  DEPOSIT: "Deposits",
  PAYOUT: "Payouts",
  LOCKBOX_BATCH: "Lockbox batches",
  SETTLEMENT: "Settlements",
  JOURNAL_ENTRY: "Journal",
};

/** Where a thing is shown. */
export function placeOf({ kind, id, within }: Thing): string {
  switch (kind) {
    case "CUSTOMER":
      return `/posted/customers/${id}`;
    case "ITEM":
      return `/posted/items/${id}`;
    case "DEPOSIT":
      return `/pouch/deposits/${id}`;
    case "PAYOUT":
      return `/waiting/payouts/${id}`;
    case "LOCKBOX_BATCH":
      return `/waiting/lockbox/${id}`;
    case "SETTLEMENT":
      return `/posted/settlements/${id}`;
    case "JOURNAL_ENTRY":
      return `/posted/journal/${id}`;
    default:
      return within ? `/posted/settlements/${within}` : `/waiting/desk/${id}`;
  }
}

const MOST_KEPT = 8;

function keptUnder(company: number): string {
  return `found-${company}`;
}

function recent(company: number): Thing[] {
  try {
    return JSON.parse(localStorage.getItem(keptUnder(company)) ?? "[]") as Thing[];
  } catch {
    return [];
  }
}

function keep(company: number, thing: Thing) {
  const others = recent(company).filter((one) => one.kind !== thing.kind || one.id !== thing.id);
  localStorage.setItem(keptUnder(company), JSON.stringify([thing, ...others].slice(0, MOST_KEPT)));
}

/** One field for all that there is, from anywhere by one key; what was opened last stands there first. */
export function Everything() {
  const [open, setOpen] = useState(false);
  useKeys({ "/": () => setOpen(true) });
  return (
    <>
      <Button
        color="inherit"
        onClick={() => setOpen(true)}
        aria-label="Search"
        sx={{
          fontWeight: 400,
          border: 1,
          borderColor: "divider",
          whiteSpace: "nowrap",
          px: 1.25,
          minWidth: 0,
          flexShrink: 0,
        }}
      >
        <Box component="span" sx={{ display: { xs: "none", lg: "inline" }, mr: 1 }}>
          Search
        </Box>
        <Box component="kbd" className="figure" aria-hidden sx={{ color: "text.secondary" }}>
          /
        </Box>
      </Button>
      {open && <SearchDialog close={() => setOpen(false)} />}
    </>
  );
}

function SearchDialog({ close }: { close: () => void }) {
  const books = useBooks();
  const navigate = useNavigate();
  const [q, setQ] = useState("");
  const [chosen, setChosen] = useState(0);
  const asked = useDeferredValue(q.trim());
  const found = useQuery({
    queryKey: ["everything", books.company, asked],
    enabled: asked !== "",
    placeholderData: keepPreviousData,
    staleTime: 5_000,
    queryFn: async ({ signal }) =>
      data(
        await api.GET("/api/everything", { params: { query: { company: books.company, q: asked } }, signal }),
      ),
  });
  const things = asked === "" ? recent(books.company) : (found.data?.things ?? []);
  const current = Math.min(chosen, things.length - 1);
  const go = (thing: Thing) => {
    keep(books.company, thing);
    close();
    void navigate(placeOf(thing));
  };
  const onKey = (event: KeyboardEvent) => {
    const step = event.key === "ArrowDown" ? 1 : event.key === "ArrowUp" ? -1 : 0;
    const thing = things[current];
    if (step !== 0 && things.length > 0) {
      event.preventDefault();
      setChosen((current + step + things.length) % things.length);
    } else if (event.key === "Enter" && thing) {
      event.preventDefault();
      go(thing);
    }
  };
  return (
    <Dialog
      open
      onClose={close}
      fullWidth
      maxWidth="md"
      aria-label="Search everything"
      sx={{ "& .MuiDialog-container": { alignItems: "flex-start" } }}
    >
      <InputBase
        autoFocus
        value={q}
        onChange={(event) => {
          setQ(event.target.value);
          setChosen(0);
        }}
        onKeyDown={onKey}
        placeholder="a customer, a number, an amount, a word…"
        inputProps={{
          "aria-label": "Search everything",
          role: "combobox",
          "aria-expanded": things.length > 0,
          "aria-controls": "found-things",
          "aria-activedescendant": things[current] ? `found-${current}` : undefined,
          maxLength: 400,
        }}
        sx={{ px: 2, py: 1.25, fontSize: 18, borderBottom: 1, borderColor: "divider" }}
      />
      <Box sx={{ maxHeight: "62vh", overflow: "auto", pb: 1 }}>
        <Said q={asked} things={things.length} found={found} />
        <Box id="found-things" role="listbox" aria-label="What was found">
          {things.map((thing, n) => (
            <Box key={`${thing.kind} ${thing.id}`}>
              {asked !== "" && things[n - 1]?.kind !== thing.kind && (
                <Typography
                  role="presentation"
                  sx={{ px: 2, pt: 1.25, pb: 0.25, fontSize: 12, color: "text.secondary" }}
                >
                  {KINDS[thing.kind]}
                </Typography>
              )}
              <ThingLine id={`found-${n}`} of={thing} chosen={n === current} go={() => go(thing)} />
            </Box>
          ))}
        </Box>
      </Box>
    </Dialog>
  );
}

/** What is to be said beside the things: nothing yet, nothing at all, what was not understood. */
function Said({
  q,
  things,
  found,
}: {
  q: string;
  things: number;
  found: { data?: Schemas["Things"]; error: Error | null; isPending: boolean };
}) {
  const words =
    q === ""
      ? things === 0
        ? "Everything of any age is searched. What you open from here stands here the next time."
        : "Opened last"
      : found.error
        ? found.error.message
        : [
            ...(found.data?.problems ?? []),
            ...(things === 0 && !found.isPending ? ["Nothing fits this."] : []),
          ].join(" ");
  return (
    <Typography
      role="status"
      color={found.error && q !== "" ? "error" : "textSecondary"}
      sx={{ px: 2, pt: words ? 1.25 : 0, fontSize: 13 }}
    >
      {words}
    </Typography>
  );
}

function ThingLine({ id, of, chosen, go }: { id: string; of: Thing; chosen: boolean; go: () => void }) {
  return (
    <Box
      id={id}
      role="option"
      aria-selected={chosen}
      onClick={go}
      ref={(line: HTMLElement | null) => {
        if (chosen) {
          line?.scrollIntoView?.({ block: "nearest" });
        }
      }}
      sx={{
        display: "grid",
        gridTemplateColumns: "minmax(0, 5fr) minmax(0, 6fr) 104px 120px",
        gap: 1.5,
        px: 2,
        py: 0.5,
        fontSize: 13.5,
        cursor: "pointer",
        bgcolor: chosen ? "chosenTint" : undefined,
        "& > *": { overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" },
        "&:hover": { bgcolor: "chosenTint" },
      }}
    >
      <b>{of.title}</b>
      <Box component="span" sx={{ color: "text.secondary" }}>
        {[of.words, of.state].filter((words) => words !== "").join(" · ")}
      </Box>
      <Box component="span" sx={{ color: "text.secondary", textAlign: "right" }}>
        {of.on && onDayOfYear(of.on)}
      </Box>
      <Box sx={{ textAlign: "right" }}>{of.amount && <Amount of={of.amount} />}</Box>
    </Box>
  );
}
