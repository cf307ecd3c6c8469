/* eslint-disable react-hooks/incompatible-library -- the virtual list measures itself anew; nothing of it is memoised */
import {
  Box,
  Button,
  Checkbox,
  Link,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  TextField,
  Typography,
  useMediaQuery,
} from "@mui/material";
import { useVirtualizer } from "@tanstack/react-virtual";
import { useRef, useState, type RefObject } from "react";
import { Link as RouterLink } from "react-router";
import { BooksContext, useBooks } from "../access/session";
import type { Money } from "../api/client";
import { Amount } from "../shared/Amount";
import { count, onDay } from "../shared/dates";
import { FigureField } from "../shared/FigureField";
import { grouped, typedAmount } from "../shared/money";
import { Failed, Loading } from "../shared/States";
import { ITEM } from "../settle/words";
import { ITEM_DRAGGED } from "../tally/TallyBar";
import { leaving, taking, takingAmount, type Draft, type Item } from "./drafts";
import { Lookup } from "./Lookup";
import { useCustomer } from "./queries";

/** How far below the top of the pane the first row stands, about; rows in sight are reckoned from there. */
const ABOVE_ROWS = 110;
const COLUMNS = 5;

/** So many items can be looked through without being narrowed. */
const IN_SIGHT = 20;

/** How many characters of a number its column has room for. */
const FITS = 12;
const FITS_NARROW = 8;
const NARROW = "(max-width:1150px)";

export interface AccountProps {
  customerId: number | undefined;
  draft: Draft;
  change: (draft: Draft, numbers?: ReadonlyMap<number, string>) => void;
  /** Of another company one only looks at the account: its customer has none where the money came. */
  choosePayer: (customerId: number, item?: Item, foreign?: boolean) => void;
  searchField: RefObject<HTMLInputElement | null>;
  readOnly: boolean;
  /** What arrived, against which the sum of what fits stands. */
  received: Money | undefined;
}

/** The account of the payer, or of whomever is looked for: open items to tick, with what the draft takes of each. */
export function AccountPane(props: AccountProps) {
  const { customerId, draft, change, choosePayer, searchField, readOnly } = props;
  const [q, setQ] = useState("");
  const books = useBooks();
  const account = useCustomer(customerId);
  const scroller = useRef<HTMLElement>(null);
  const [onlyTaken, setOnlyTaken] = useState(false);
  const takenHere = (items: Item[]) =>
    items.filter((item) => draft.applications.some((a) => a.itemId === item.id));
  // once nothing is taken any more there is nothing to be narrowed to
  const shown = (items: Item[]) => (onlyTaken && takenHere(items).length > 0 ? takenHere(items) : items);
  const [owner, setOwner] = useState<number>();
  const of = books.group.find((c) => c.id === owner);
  const pick = (id: number, item?: Item) => {
    setQ("");
    choosePayer(id, item, of !== undefined && of.id !== books.company);
  };
  const whose = books.group.find((c) => c.id === account.data?.companyId && c.id !== books.company);
  return (
    <Box
      component="section"
      aria-label="Account"
      ref={scroller}
      sx={{
        width: { xs: 344, lg: 376 },
        flexShrink: 0,
        borderLeft: 1,
        borderColor: "divider",
        overflow: "auto",
        px: 1.75,
        py: 1.5,
      }}
    >
      {/* before the field, from which Tab leads to what was found */}
      {books.group.length > 1 && (
        <TextField
          select
          fullWidth
          variant="standard"
          value={String(of?.id ?? books.company)}
          onChange={(event) => setOwner(Number(event.target.value))}
          slotProps={{
            select: { native: true },
            htmlInput: { "aria-label": "In whose books to look" },
            input: { disableUnderline: true, sx: { fontSize: 13, color: "text.secondary" } },
          }}
          sx={{ mb: 0.5 }}
        >
          {books.group.map((c) => (
            <option key={c.id} value={c.id}>
              in the books of {c.name}
            </option>
          ))}
        </TextField>
      )}
      <TextField
        fullWidth
        placeholder="another payer, number or amount…"
        value={q}
        inputRef={searchField}
        onChange={(event) => setQ(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Escape") {
            setQ("");
            searchField.current?.blur();
          }
        }}
        slotProps={{ htmlInput: { "aria-label": "Look for a payer, an item or an amount" } }}
        sx={{ mb: 1.25 }}
      />
      {q.trim().length > 1 ? (
        <BooksContext.Provider value={of ? { ...books, company: of.id, companyName: of.name } : books}>
          <Lookup q={q.trim()} pick={pick} {...props} />
        </BooksContext.Provider>
      ) : customerId === undefined ? (
        <Typography color="textSecondary">
          Nobody is known to have sent this. Look for the payer above.
        </Typography>
      ) : account.error ? (
        <Failed error={account.error} retry={() => void account.refetch()} />
      ) : !account.data ? (
        <Loading rows={5} />
      ) : (
        <>
          <Link
            component={RouterLink}
            to={`/posted/customers/${customerId}`}
            underline="hover"
            color="inherit"
          >
            <Typography variant="h3" component="span">
              {account.data.name}
            </Typography>
          </Link>
          {whose && (
            <Typography variant="body2" sx={{ fontWeight: 700 }}>
              of {whose.name}
            </Typography>
          )}
          <Typography variant="body2" color="textSecondary" sx={{ mb: 0.75 }}>
            {account.data.owes.length === 0 && "owes nothing"}
            {account.data.owes.map((owed) => (
              <span key={owed.currency}>
                owes <Amount of={owed} />
                {owed.currency === books.currency ? " " : ` ${owed.currency} `}
              </span>
            ))}
            · {account.data.openItems.length} open
            {account.data.branches.length > 0 &&
              ` · pays for ${count(account.data.branches.length, "branch", "branches")}`}
            {account.data.oldestFirst && " · pays oldest first"}
          </Typography>
          {account.data.openItems.length > IN_SIGHT && takenHere(account.data.openItems).length > 0 && (
            <Button
              aria-pressed={onlyTaken}
              onClick={() => setOnlyTaken(!onlyTaken)}
              sx={{ px: 0, fontWeight: 400 }}
            >
              {onlyTaken
                ? `Show all ${account.data.openItems.length}`
                : `Show only the ${takenHere(account.data.openItems).length} taken`}
            </Button>
          )}
          <Items
            items={shown(account.data.openItems)}
            draft={draft}
            change={change}
            owner={customerId}
            readOnly={readOnly}
            scroller={scroller}
          />
          <Discounts items={account.data.openItems} />
          {account.data.settledItems.slice(0, 3).map((item) => (
            <Typography key={item.id} variant="body2" color="textSecondary" sx={{ fontSize: 12.5, mt: 0.5 }}>
              Paid before: <span className="figure">{item.number}</span>, <Amount of={item.total} />
              {item.settledOn && ` on ${onDay(item.settledOn)}`}
            </Typography>
          ))}
        </>
      )}
    </Box>
  );
}

function Items({
  items,
  draft,
  change,
  owner,
  readOnly,
  scroller,
}: {
  items: Item[];
  draft: Draft;
  change: AccountProps["change"];
  owner: number;
  readOnly: boolean;
  scroller: RefObject<HTMLElement | null>;
}) {
  const virtual = useVirtualizer({
    count: items.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 31,
    scrollMargin: ABOVE_ROWS,
    overscan: 12,
    getItemKey: (n) => items[n]?.id ?? n,
  });
  if (items.length === 0) {
    return <Typography color="textSecondary">Nothing is open on this account.</Typography>;
  }
  const places = virtual.getVirtualItems();
  const above = (places[0]?.start ?? ABOVE_ROWS) - ABOVE_ROWS;
  const below = virtual.getTotalSize() + ABOVE_ROWS - (places.at(-1)?.end ?? ABOVE_ROWS);
  return (
    <Table
      size="small"
      aria-label="Open items"
      aria-rowcount={items.length + 1}
      sx={{ tableLayout: "fixed", "& td, & th": { px: 0.5 } }}
    >
      <TableHead>
        <TableRow>
          <TableCell sx={{ width: 28 }} />
          <TableCell>Item</TableCell>
          <TableCell sx={{ width: 50 }}>Due</TableCell>
          <TableCell align="right" sx={{ width: 80 }}>
            Open
          </TableCell>
          <TableCell align="right" sx={{ width: 80 }}>
            Takes
          </TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        <Gap height={above} />
        {places.map(({ index }) => {
          const item = items[index];
          return (
            item && (
              <ItemRow
                key={item.id}
                index={index}
                measure={virtual.measureElement}
                item={item}
                draft={draft}
                change={change}
                foreign={item.customerId !== owner}
                readOnly={readOnly}
              />
            )
          );
        })}
        <Gap height={below} />
      </TableBody>
    </Table>
  );
}

/** The room of the rows that are out of sight. */
function Gap({ height }: { height: number }) {
  return height > 0 ? (
    <tr aria-hidden>
      <td colSpan={COLUMNS} style={{ height, padding: 0 }} />
    </tr>
  ) : null;
}

function ItemRow({
  index,
  measure,
  item,
  draft,
  change,
  foreign,
  readOnly,
}: {
  index: number;
  measure: (row: Element | null) => void;
  item: Item;
  draft: Draft;
  change: AccountProps["change"];
  foreign: boolean;
  readOnly: boolean;
}) {
  const { currency } = useBooks();
  const taken = draft.applications.find((a) => a.itemId === item.id);
  // a number that has no room in its column takes the next one too: it is never cut
  const narrow = useMediaQuery(NARROW);
  const wide = item.number.length > (narrow ? FITS_NARROW : FITS);
  const due = (
    <Box
      component="span"
      title={item.daysOverdue > 0 ? `${count(item.daysOverdue, "day")} overdue` : "not due"}
      sx={{ color: item.daysOverdue > 0 ? "text.primary" : "text.secondary", whiteSpace: "nowrap" }}
    >
      {onDay(item.dueOn)}
    </Box>
  );
  return (
    <TableRow
      ref={measure}
      data-index={index}
      aria-rowindex={index + 2}
      draggable={!readOnly && taken === undefined}
      onDragStart={(event) => {
        event.dataTransfer.setData(ITEM_DRAGGED, String(item.id));
        event.dataTransfer.effectAllowed = "copy";
      }}
      sx={{ bgcolor: taken ? "chosenTint" : undefined }}
    >
      <TableCell>
        <Checkbox
          size="small"
          checked={taken !== undefined}
          disabled={readOnly || item.kind === "REFUND"}
          onChange={() =>
            change(taken ? leaving(draft, item.id) : taking(draft, item), new Map([[item.id, item.number]]))
          }
          slotProps={{ input: { "aria-label": `Take ${item.number}` } }}
          sx={{ p: 0 }}
        />
      </TableCell>
      <TableCell
        colSpan={wide ? 2 : 1}
        sx={{ overflow: "hidden", overflowWrap: "anywhere", whiteSpace: "normal" }}
      >
        <Box component="span" className="figure" sx={{ whiteSpace: "normal" }}>
          {item.number}
        </Box>
        {wide && <Box sx={{ fontSize: 11.5 }}>{due}</Box>}
        {(foreign || item.kind !== "INVOICE") && (
          <Box
            component="span"
            title={item.customerName}
            sx={{
              display: "block",
              fontSize: 11.5,
              color: "text.secondary",
              overflow: "hidden",
              textOverflow: "ellipsis",
              whiteSpace: "nowrap",
            }}
          >
            {[
              item.kind !== "INVOICE" && ITEM[item.kind],
              item.kind === "ON_ACCOUNT" && item.orderReference && `prepayment for ${item.orderReference}`,
              foreign && item.customerName,
            ]
              .filter(Boolean)
              .join(", ")}
          </Box>
        )}
      </TableCell>
      {!wide && <TableCell>{due}</TableCell>}
      <TableCell align="right">
        <Amount of={item.open} />
        {item.open.currency !== currency && (
          <Box sx={{ fontSize: 11.5, color: "text.secondary" }}>{item.open.currency}</Box>
        )}
      </TableCell>
      <TableCell align="right">
        {taken && (
          <TakenField
            key={taken.amount.amount}
            item={item}
            draft={draft}
            change={change}
            readOnly={readOnly}
          />
        )}
      </TableCell>
    </TableRow>
  );
}

function TakenField({
  item,
  draft,
  change,
  readOnly,
}: {
  item: Item;
  draft: Draft;
  change: (d: Draft) => void;
  readOnly: boolean;
}) {
  const taken = draft.applications.find((a) => a.itemId === item.id);
  const [text, setText] = useState(taken ? grouped(taken.amount) : "");
  const amount = typedAmount(text, item.open);
  const settle = () => {
    if (amount && taken && amount.amount !== taken.amount.amount) {
      change(takingAmount(draft, item.id, amount));
    }
  };
  return (
    <FigureField
      label={`Amount taken of ${item.number}`}
      text={text}
      type={setText}
      valid={amount !== null}
      settle={settle}
      disabled={readOnly}
      slim
      strong
    />
  );
}

function Discounts({ items }: { items: Item[] }) {
  return items
    .filter((item) => item.discountAvailable && item.discountUntil)
    .slice(0, 3)
    .map((item) => (
      <Typography key={item.id} variant="body2" color="textSecondary" sx={{ fontSize: 12.5, mt: 0.5 }}>
        Discount until {onDay(item.discountUntil ?? "")} on <span className="figure">{item.number}</span> (
        {item.discountAvailable && <Amount of={item.discountAvailable} />})
      </Typography>
    ));
}
