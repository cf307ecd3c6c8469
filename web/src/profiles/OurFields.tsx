import { Box, Checkbox, FormControlLabel, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { useSession, useBooks } from "../access/session";
import type { Schemas } from "../api/client";
import { Choice } from "../shared/Choice";
import { count } from "../shared/dates";
import {
  CHARACTER_SETS,
  CONSTANTS,
  fieldWord,
  MARKS,
  ORDERS,
  SEPARATORS,
  SUBJECTS,
  TYPES,
  ZONES,
  type ProfileDocument,
} from "./words";

interface Props {
  profile: ProfileDocument;
  /** The words in a payout's column of types, and what each means. */
  words: Schemas["TypeWordView"][];
  subject?: Schemas["SubjectView"];
  /** Says one thing more. */
  say: (more: ProfileDocument) => void;
  /** Says something after which the columns are others. */
  sayAnew: (more: ProfileDocument) => void;
}

/** How the file is written and which of its columns holds which of our fields. */
export function OurFields({ profile, words, subject, say, sayAnew }: Props) {
  const columns = profile.columns ?? {};
  const dated = (subject?.fields ?? []).filter((f) => f.kind === "DATE" && columns[f.word]);
  const orders = [...new Set(dated.map((f) => profile.dates?.[f.word] ?? ""))];
  return (
    <Box component="section" aria-label="Our fields">
      <Typography variant="h3" sx={{ mb: 1 }}>
        How it is written
      </Typography>
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1.25 }}>
        <Choice
          shown
          label="It holds"
          value={profile.subject ?? "statement"}
          options={SUBJECTS}
          choose={(word) => sayAnew({ subject: word, headingLine: profile.headingLine })}
        />
        {profile.sheet ? (
          <TextField label="Sheet" value={profile.sheet} disabled />
        ) : (
          <Choice
            shown
            label="Cells are separated by"
            value={profile.separator ?? ","}
            options={SEPARATORS}
            choose={(separator) => sayAnew({ separator })}
          />
        )}
        {!profile.sheet && (
          <Choice
            shown
            label="Character set"
            value={profile.characterSet ?? "UTF-8"}
            options={withOwn(CHARACTER_SETS, profile.characterSet)}
            choose={(characterSet) => sayAnew({ characterSet, headingLine: profile.headingLine })}
          />
        )}
        <Choice
          shown
          label="Dates are"
          value={orders.length === 1 ? (orders[0] ?? "") : ""}
          options={
            orders.length === 1 && orders[0]
              ? ORDERS
              : [["", orders.length > 1 ? "not all the same" : "choose…"], ...ORDERS]
          }
          disabled={dated.length === 0}
          choose={(order) => say({ dates: Object.fromEntries(dated.map((f) => [f.word, order])) })}
        />
        <Choice
          shown
          label="Amounts are like"
          value={profile.decimalMark ?? ""}
          options={profile.decimalMark ? MARKS : [["", "choose…"], ...MARKS]}
          choose={(decimalMark) => say({ decimalMark })}
        />
        {profile.subject !== "customers" && columns.amount && (
          <Choice
            shown
            label="Money to us is"
            value={profile.signsReversed ? "reversed" : "signed"}
            options={[
              ["signed", "positive"],
              ["reversed", "negative"],
            ]}
            choose={(sign) => say({ signsReversed: sign === "reversed" })}
          />
        )}
        {columns.direction && (
          <Words
            label="Words for a debit"
            value={(profile.debitWords ?? []).join(", ")}
            say={(typed) =>
              say({
                debitWords: typed
                  .split(",")
                  .map((word) => word.trim().toLowerCase())
                  .filter((word) => word !== ""),
              })
            }
          />
        )}
      </Box>
      {profile.subject === "payout" && columns.date && (
        <Box sx={{ mt: 1.25 }}>
          <Choice
            shown
            label="Times with an offset count in"
            value={profile.zone ?? ""}
            options={[["", "the day as it is written"], ...ZONES]}
            choose={(zone) => say({ zone })}
          />
        </Box>
      )}
      <FormControlLabel
        control={
          <Checkbox
            size="small"
            checked={profile.passOverIncomplete ?? false}
            onChange={(event) => say({ passOverIncomplete: event.target.checked })}
          />
        }
        label="Pass over lines without a date or an amount, such as totals, and tell of them"
        slotProps={{ typography: { variant: "body2" } }}
      />
      {words.length > 0 && (
        <Meanings words={words} said={profile.typeWords ?? {}} say={(typeWords) => say({ typeWords })} />
      )}
      <Typography variant="h3" sx={{ mt: 1.5 }}>
        What the columns hold
      </Typography>
      <Typography variant="caption" color="textSecondary">
        Needed: {subject?.needs}.
      </Typography>
      <Box sx={{ mt: 0.5 }}>
        {(subject?.fields ?? []).map((field) => (
          <Field
            key={field.word}
            field={field}
            profile={profile}
            put={(at) => say({ columns: { ...columns, [field.word]: at } })}
            always={(value) => say({ constants: { ...profile.constants, [field.word]: value } })}
          />
        ))}
      </Box>
    </Box>
  );
}

/** What the words in the column of types mean; one that nobody knows is asked. */
function Meanings({
  words,
  said,
  say,
}: {
  words: Schemas["TypeWordView"][];
  said: Record<string, string>;
  say: (said: Record<string, string>) => void;
}) {
  return (
    <>
      <Typography variant="h3" sx={{ mt: 1.5 }}>
        What its words for items mean
      </Typography>
      <Box sx={{ mt: 0.5 }}>
        {words.map((one) => (
          <Box
            key={one.word}
            sx={{
              display: "flex",
              alignItems: "baseline",
              gap: 1,
              py: 0.5,
              borderTop: 1,
              borderColor: "divider",
            }}
          >
            <Box sx={{ width: 158, flexShrink: 0, fontSize: 13, overflowWrap: "anywhere" }}>
              {one.word}
              <Box component="span" sx={{ color: "text.secondary" }}>
                {" "}
                in {count(one.rows, "row")}
              </Box>
            </Box>
            <Box sx={{ flex: 1, minWidth: 0, "& .MuiTextField-root": { width: "100%" } }}>
              <Choice
                label={`What “${one.word}” means`}
                value={said[one.word] ?? one.meaning}
                options={one.meaning ? TYPES : [["", "not known yet"], ...TYPES]}
                choose={(type) => say({ ...said, [one.word]: type })}
              />
            </Box>
          </Box>
        ))}
      </Box>
    </>
  );
}

function Field({
  field,
  profile,
  put,
  always,
}: {
  field: Schemas["FieldView"];
  profile: ProfileDocument;
  put: (columns: number[]) => void;
  always: (value: string) => void;
}) {
  const at = profile.columns?.[field.word] ?? [];
  const headings = profile.headings ?? [];
  const options: [string, string][] = [
    ["", "—"],
    ...headings.map((heading, n): [string, string] => [String(n + 1), `${n + 1}  ${heading}`]),
  ];
  const several = field.kind === "TEXTS";
  return (
    <Box sx={{ borderTop: 1, borderColor: "divider", py: 0.5 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 1 }}>
        <Box
          sx={{
            width: 158,
            flexShrink: 0,
            fontSize: 13,
            color: at.length ? "text.primary" : "text.secondary",
          }}
        >
          {fieldWord(field.word)}
        </Box>
        <Box sx={{ flex: 1, minWidth: 0, "& .MuiTextField-root": { width: "100%" } }}>
          {at.map((column, n) => (
            <Choice
              key={n}
              label={n === 0 ? fieldWord(field.word) : `${fieldWord(field.word)}, column ${n + 1}`}
              value={String(column)}
              options={options}
              choose={(value) =>
                put(value ? at.map((c, k) => (k === n ? Number(value) : c)) : at.filter((_, k) => k !== n))
              }
            />
          ))}
          {(several || at.length === 0) && (
            <Choice
              label={at.length === 0 ? fieldWord(field.word) : `${fieldWord(field.word)}, one more column`}
              value=""
              options={options}
              choose={(value) => value && put([...at, Number(value)])}
            />
          )}
        </Box>
      </Box>
      {at.length === 0 && CONSTANTS.includes(field.word) && (
        <Constant field={field.word} value={profile.constants?.[field.word] ?? ""} say={always} />
      )}
    </Box>
  );
}

/** What a field is in every row; our accounts are offered, other values are typed. */
function Constant({ field, value, say }: { field: string; value: string; say: (value: string) => void }) {
  const books = useBooks();
  const session = useSession();
  const accounts = session.data?.companies.find((c) => c.id === books.company)?.bankAccounts ?? [];
  const label = `${fieldWord(field)} of every row`;
  return (
    <Box sx={{ pl: "166px" }}>
      {field === "account" ? (
        <Choice
          label={label}
          value={value}
          options={[
            ["", "said by the file, or when it is taken in"],
            ...accounts.map((a): [string, string] => [a.number, `always ${a.name}`]),
          ]}
          choose={say}
        />
      ) : (
        <Words label={label} value={value} say={say} placeholder="always the same" />
      )}
    </Box>
  );
}

/** Words that are typed; they count when the field is left or Enter is pressed. */
function Words({
  label,
  value,
  say,
  placeholder,
}: {
  label: string;
  value: string;
  say: (typed: string) => void;
  placeholder?: string;
}) {
  const [typed, setTyped] = useState(value);
  const done = () => typed !== value && say(typed);
  return (
    <TextField
      label={placeholder ? undefined : label}
      placeholder={placeholder}
      variant={placeholder ? "standard" : "outlined"}
      value={typed}
      fullWidth
      onChange={(event) => setTyped(event.target.value)}
      onBlur={done}
      onKeyDown={(event) => {
        if (event.key === "Enter") {
          event.preventDefault();
          done();
        }
      }}
      slotProps={{ htmlInput: { "aria-label": label } }}
    />
  );
}

function withOwn(options: [string, string][], own?: string): [string, string][] {
  return !own || options.some(([word]) => word === own) ? options : [...options, [own, own]];
}
