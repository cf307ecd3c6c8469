import { Box, Button, ButtonBase, Link } from "@mui/material";
import { useState } from "react";
import { Link as RouterLink } from "react-router";
import { Amount } from "../shared/Amount";
import { Choice } from "../shared/Choice";
import { ColumnLine } from "../shared/Columns";
import { onDay } from "../shared/dates";
import { isZero } from "../shared/money";
import { Answers } from "./Answers";
import { Otherwise } from "./Otherwise";
import type { Item, ItemType, Kind } from "./queries";
import { about, belongs, TYPE } from "./words";

export const COLUMNS = "52px minmax(0, 1fr) 84px 70px 84px minmax(0, 170px)";

interface Props {
  item: Item;
  mayDecide: boolean;
  belongsTo: (kind: Kind, target?: number) => void;
  is: (type: ItemType) => void;
}

/** One item of a payout; where somebody is asked what it is or belongs to, the answers stand under it. */
export function ItemLine({ item, mayDecide, belongsTo, is }: Props) {
  const [otherwise, sayOtherwise] = useState(false);
  const asks = item.asked !== "" || item.type === "UNKNOWN" || otherwise;
  const may = mayDecide && (item.type === "SALE" || item.type === "REFUND" || Boolean(item.concerns));
  return (
    <>
      <ColumnLine columns={COLUMNS} sx={{ alignItems: "baseline", ...(asks ? { borderBottom: 0 } : {}) }}>
        <span>{item.on ? onDay(item.on) : ""}</span>
        <Box sx={{ minWidth: 0, overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" }}>
          {item.type === "UNKNOWN" ? `“${item.word}”` : TYPE[item.type]}
          <Box component="span" sx={{ color: "text.secondary" }}>
            {about(item) && ` ${about(item)}`}
          </Box>
        </Box>
        <Box sx={{ textAlign: "right" }}>{!isZero(item.gross) && <Amount of={item.gross} />}</Box>
        <Box sx={{ textAlign: "right" }}>{!isZero(item.fee) && <Amount of={item.fee} />}</Box>
        <Box sx={{ textAlign: "right" }}>
          <Amount of={item.net} />
        </Box>
        <Box sx={{ minWidth: 0, overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" }}>
          {item.join.kind === "INVOICE" && item.join.target ? (
            <Link component={RouterLink} to={`/posted/items/${item.join.target}`} className="figure">
              {item.join.name}
            </Link>
          ) : (
            <Box component="span" sx={{ color: item.asked ? "primary.main" : "text.secondary" }}>
              {belongs(item)}
            </Box>
          )}
          {may && (
            <ButtonBase
              aria-label={`Say otherwise of line ${item.line}`}
              aria-expanded={otherwise}
              onClick={() => sayOtherwise(!otherwise)}
              sx={{ px: 0.5, ml: 0.25, fontSize: 13, color: "text.secondary" }}
            >
              …
            </ButtonBase>
          )}
          {item.decidedBy && (
            <Box component="span" sx={{ color: "text.secondary", fontSize: 11.5 }}>
              {" "}
              {item.decidedBy}
            </Box>
          )}
        </Box>
      </ColumnLine>
      {item.asked && (
        <Answers sentence={item.asked}>
          {item.candidates.map((one) => (
            <Button
              key={`${one.kind} ${one.target ?? ""}`}
              variant="outlined"
              disabled={!mayDecide}
              onClick={() => belongsTo(one.kind, one.target ?? undefined)}
            >
              {one.kind === "RECEIPT"
                ? `It is ${one.name}, recorded already`
                : one.kind === "INVOICE"
                  ? `It pays ${one.name}`
                  : one.kind === "NEW"
                    ? "It is a new sale"
                    : `It is about ${one.name}`}
            </Button>
          ))}
        </Answers>
      )}
      {otherwise && (
        <Otherwise
          item={item}
          belongsTo={(kind, target) => {
            sayOtherwise(false);
            belongsTo(kind, target);
          }}
        />
      )}
      {item.type === "UNKNOWN" && (
        <Answers sentence="Nobody has said what that means.">
          <Meaning item={item} mayDecide={mayDecide} is={is} />
        </Answers>
      )}
    </>
  );
}

const MEANINGS: [ItemType, string][] = (Object.entries(TYPE) as [ItemType, string][]).filter(
  ([type]) => type !== "UNKNOWN" && type !== "TRANSFER",
);

function Meaning({ item, mayDecide, is }: { item: Item; mayDecide: boolean; is: (type: ItemType) => void }) {
  const [type, setType] = useState<ItemType>("ADJUSTMENT");
  return (
    <>
      <Box sx={{ width: 180 }}>
        <Choice
          label={`What “${item.word}” is`}
          value={type}
          options={MEANINGS}
          disabled={!mayDecide}
          choose={(chosen) => setType(chosen as ItemType)}
        />
      </Box>
      <Button variant="outlined" disabled={!mayDecide} onClick={() => is(type)}>
        It is that
      </Button>
    </>
  );
}
