import { Box, Link } from "@mui/material";
import { keepPreviousData, useInfiniteQuery } from "@tanstack/react-query";
import { Link as RouterLink, useSearchParams } from "react-router";
import { useBooks } from "../access/session";
import { api, data } from "../api/client";
import { Files } from "../books/Files";
import { fileAt } from "../books/queries";
import { Choice } from "../shared/Choice";
import { DayField } from "../shared/DayField";
import { atMoment } from "../shared/dates";
import { lookedAt } from "../shared/live";
import { PagedList } from "../shared/PagedList";
import { KIND, placeOf, WHAT, type AuditRecord } from "./words";

const COLUMNS = "112px 128px 210px minmax(0, 1fr)";

/** Who did what to which thing, when, from where, with before and after. */
export default function AuditView() {
  const books = useBooks();
  const [params, setParams] = useSearchParams();
  const asked = {
    q: params.get("q") ?? "",
    what: params.get("what") ?? "",
    thing: params.get("thing") ?? "",
    from: params.get("from") ?? "",
    until: params.get("until") ?? "",
  };
  const ask = (changed: Partial<typeof asked>) =>
    setParams(
      Object.entries({ ...asked, ...changed }).filter(([, value]) => value !== ""),
      { replace: true },
    );
  const given = Object.fromEntries(Object.entries(asked).filter(([, value]) => value !== ""));
  const trail = useInfiniteQuery({
    queryKey: ["audit", books.company, given],
    refetchInterval: lookedAt,
    placeholderData: keepPreviousData,
    initialPageParam: undefined as string | undefined,
    queryFn: async ({ pageParam }) =>
      data(
        await api.GET("/api/audit-records", {
          params: { query: { company: books.company, ...given, cursor: pageParam, limit: 60 } },
        }),
      ),
    getNextPageParam: (page) => page.next ?? undefined,
  });
  const at = (ending: string) => fileAt(`/api/audit-records.${ending}`, { company: books.company, ...asked });
  return (
    <PagedList
      label="Audit trail"
      q={asked.q}
      search={(q) => ask({ q })}
      searchHint="a name, a number, a value…"
      aside={
        <>
          <Box sx={{ width: 190 }}>
            <Choice
              shown
              label="Of"
              value={asked.what}
              options={[["", "everything"], ...Object.entries(WHAT)]}
              choose={(what) => ask({ what, thing: "" })}
            />
          </Box>
          <DayField label="From" value={asked.from} set={(from) => ask({ from })} />
          <DayField label="Until" value={asked.until} set={(until) => ask({ until })} />
          <Files
            name="Audit trail"
            of={[
              ["CSV", at("csv")],
              ["XLSX", at("xlsx")],
            ]}
          />
        </>
      }
      head={<Box sx={{ borderBottom: 1, borderColor: "divider" }} />}
      rows={trail.data?.pages.flatMap((page) => page.rows)}
      rowKey={(record) => record.id}
      estimate={58}
      error={trail.error}
      retry={() => void trail.refetch()}
      hasMore={trail.hasNextPage}
      loading={trail.isFetchingNextPage}
      loadMore={() => void trail.fetchNextPage()}
      empty="No change fits this"
      row={(record) => <RecordLine of={record} only={(thing) => ask(thing)} />}
    />
  );
}

const MOMENT = /^\d{4}-\d\d-\d\dT\d\d:\d\d/;

/** A value as one reads it. */
function said(value: string): string {
  return value === "" ? "nothing" : MOMENT.test(value) ? atMoment(value) : value;
}

function RecordLine({
  of,
  only,
}: {
  of: AuditRecord;
  only: (thing: { what: string; thing: string }) => void;
}) {
  const place = placeOf(of);
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: COLUMNS,
        gap: 1.5,
        py: 0.75,
        borderBottom: 1,
        borderColor: "divider",
        fontSize: 13,
      }}
    >
      <span>{atMoment(of.at)}</span>
      <Box sx={{ overflowWrap: "anywhere" }}>
        {of.actor}
        <Box sx={{ color: "text.secondary", fontSize: 12 }}>from {of.source}</Box>
      </Box>
      <Box>
        {WHAT[of.what] ?? of.what}{" "}
        {place ? (
          <Link component={RouterLink} to={place} className="figure">
            {of.thing}
          </Link>
        ) : (
          <span className="figure">{of.thing}</span>
        )}
        , {KIND[of.kind]}
        <Box sx={{ fontSize: 12 }}>
          <Link
            component="button"
            onClick={() => only({ what: of.what, thing: of.thing })}
            sx={{ fontSize: 12 }}
          >
            all of it
          </Link>
        </Box>
      </Box>
      <Box sx={{ minWidth: 0, overflowWrap: "anywhere" }}>
        <Box component="span" sx={{ display: "inline-flex", flexWrap: "wrap", columnGap: 2 }}>
          {of.values
            .filter((value) => of.kind === "CHANGED" || value.before !== "" || value.after !== "")
            .map((value) => (
              <span key={value.name}>
                <Box component="span" sx={{ color: "text.secondary" }}>
                  {value.name}
                </Box>{" "}
                {of.kind === "CHANGED" && (
                  <>
                    {said(value.before)} <span aria-label="became">→</span>{" "}
                  </>
                )}
                {said(of.kind === "REMOVED" ? value.before : value.after)}
              </span>
            ))}
        </Box>
        <Box sx={{ color: "text.secondary", fontSize: 12 }}>{of.call}</Box>
      </Box>
    </Box>
  );
}
