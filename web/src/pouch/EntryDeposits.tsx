import { Alert, Box, Button, Link, Typography } from "@mui/material";
import { Link as RouterLink, useNavigate } from "react-router";
import { useBooks } from "../access/session";
import { onDay } from "../shared/dates";
import { grouped, isZero } from "../shared/money";
import type { Schemas } from "../api/client";
import { Reasons } from "./Reasons";
import { useDepositsOf, useTie } from "./queries";

type Entry = Schemas["EntryDetail"];

/** Deposits that an entry of the bank may show, and receipts in the pouch that would make it; nothing where none do. */
export function EntryDeposits({ entry }: { entry: Entry }) {
  const books = useBooks();
  const navigate = useNavigate();
  const found = useDepositsOf(entry.id, entry.version);
  const tie = useTie();
  if (!found.data || found.data.length === 0) {
    return null;
  }
  return (
    <Box role="group" aria-label="Deposits it may show">
      {found.data.slice(0, 3).map((match, n) => (
        <Box
          key={n}
          sx={{
            border: 1,
            borderColor: n === 0 ? "primary.main" : "divider",
            borderLeft: n === 0 ? 4 : 1,
            borderLeftColor: n === 0 ? "primary.main" : "divider",
            borderRadius: 1,
            px: 1.5,
            py: 1,
            mb: 0.75,
          }}
        >
          <Typography sx={{ fontWeight: 700 }}>
            {match.kind === "IN_POUCH"
              ? "A deposit that nobody made"
              : match.deposits.map((d, k) => (
                  <span key={d.id}>
                    {k > 0 && " and "}
                    {d.payoutId ? (
                      <Link component={RouterLink} to={`/waiting/payouts/${d.payoutId}`} color="inherit">
                        payout {d.slip}, sent {onDay(d.on)}, {grouped(d.left)}
                      </Link>
                    ) : (
                      <Link component={RouterLink} to={`/pouch/deposits/${d.id}`} color="inherit">
                        deposit of {onDay(d.on)}, slip {d.slip}, {grouped(d.left)}
                      </Link>
                    )}
                  </span>
                ))}
          </Typography>
          <Reasons match={match} />
          {books.mayPost &&
            (match.kind === "IN_POUCH" ? (
              <Button
                variant="outlined"
                onClick={() =>
                  void navigate(
                    `/pouch/deposits/new?receipts=${match.receipts.map((r) => r.id).join(",")}&on=${entry.bookedOn}&account=${entry.bankAccountId}`,
                  )
                }
              >
                Make the deposit of {grouped(entry.amount)}
              </Button>
            ) : isZero(match.gap) ? (
              <Button
                variant={n === 0 ? "contained" : "outlined"}
                disabled={tie.isPending}
                onClick={() =>
                  tie.mutate({
                    depositIds: match.deposits.map((d) => d.id),
                    entryIds: match.entries.map((e) => e.entryId),
                    lines: [],
                  })
                }
              >
                Tie to the {match.deposits.every((d) => d.payoutId) ? "payout" : "deposit"}
              </Button>
            ) : (
              match.deposits[0] && (
                <Button
                  variant="outlined"
                  component={RouterLink}
                  to={`/pouch/deposits/${match.deposits[0].id}`}
                >
                  See {match.deposits[0].payoutId ? "what was sent" : "the deposit"}
                </Button>
              )
            ))}
        </Box>
      ))}
      {tie.error && (
        <Alert severity="error" variant="outlined">
          {tie.error.message}
        </Alert>
      )}
    </Box>
  );
}
