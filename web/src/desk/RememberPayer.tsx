import { Box, Radio, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { api, data, type Schemas } from "../api/client";
import { count } from "../shared/dates";
import type { Draft, Entry, Preview } from "./drafts";

type Offer = Schemas["Offer"];

/** The one customer whose items the draft pays, where nothing told that this payer pays for him. */
function unknownPayerOf(entry: Entry, preview: Preview | undefined) {
  const only = preview?.customers.length === 1 ? preview.customers[0] : undefined;
  const told = entry.proposals.some(
    (p) =>
      (p.customerId === only?.customerId || p.payerId === only?.customerId) &&
      p.evidence.some((e) => e.code.startsWith("payer.") && e.weight > 0),
  );
  return told ? undefined : only;
}

/** Where a hand says who paid, it is offered to remember it, with what that would explain now and would have before. */
export function RememberPayer({
  entry,
  draft,
  preview,
  change,
  readOnly,
}: {
  entry: Entry;
  draft: Draft;
  preview: Preview | undefined;
  change: (draft: Draft) => void;
  readOnly: boolean;
}) {
  const customer = unknownPayerOf(entry, preview);
  const offers = useQuery({
    queryKey: ["alias-offers", entry.id, customer?.customerId],
    enabled: customer !== undefined && !readOnly,
    queryFn: async () =>
      data(
        await api.GET("/api/entries/{id}/alias-offers", {
          params: { path: { id: entry.id }, query: { customer: customer?.customerId ?? 0 } },
        }),
      ),
  });
  if (!customer || !offers.data || offers.data.length === 0 || readOnly) {
    return null;
  }
  const chosen = draft.remember ?? "";
  const ways: [string, string, string][] = [
    ["", "Only this once", ""],
    ...offers.data.map((offer): [string, string, string] => [
      offer.what,
      `Always, for ${whatOf(offer)}`,
      wouldDo(offer),
    ]),
  ];
  return (
    <Box
      component="fieldset"
      sx={{ border: 1, borderColor: "divider", borderRadius: 1, px: 1.5, py: 0.75, m: 0 }}
    >
      <Typography component="legend" variant="body2" color="textSecondary" sx={{ px: 0.5 }}>
        Remember that this payer pays for {customer.name}?
      </Typography>
      {ways.map(([key, words, effect]) => (
        <Box
          key={key}
          component="label"
          sx={{ display: "flex", alignItems: "baseline", gap: 0.5, cursor: "pointer", fontSize: 13.5 }}
        >
          <Radio
            size="small"
            name="remember"
            checked={chosen === key}
            onChange={() => change({ ...draft, remember: key === "" ? undefined : (key as Offer["what"]) })}
            sx={{ p: 0.25, alignSelf: "center" }}
          />
          <span>
            {words}
            {effect && (
              <Box component="span" sx={{ color: "text.secondary" }}>
                {" · "}
                {effect}
              </Box>
            )}
          </span>
        </Box>
      ))}
    </Box>
  );
}

function whatOf(offer: Offer): string {
  return offer.what === "TEXT" ? `the name “${offer.written}”` : `account ${offer.written}`;
}

function wouldDo({ explainsNow, clearNow, rightBefore, wrongBefore }: Offer): string {
  const now =
    explainsNow === null || explainsNow === undefined
      ? undefined
      : explainsNow === 0
        ? "explains nothing else that waits"
        : `also explains ${explainsNow.toLocaleString()} more that ${explainsNow === 1 ? "waits" : "wait"}${
            clearNow ? `, ${clearNow.toLocaleString()} of them clear` : ""
          }`;
  const before =
    rightBefore + wrongBefore === 0
      ? undefined
      : `of the last 90 days right for ${rightBefore.toLocaleString()}${
          wrongBefore > 0 ? `, wrong for ${count(wrongBefore, "receipt")}` : ""
        }`;
  return [now, before].filter(Boolean).join("; ");
}
