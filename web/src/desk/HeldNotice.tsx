import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { useBooks } from "../access/session";
import { atMoment } from "../shared/dates";
import { AskWords } from "./AskWords";
import type { HeldDraft } from "./drafts";

interface Props {
  held: HeldDraft;
  /** Whether what was changed last is still on its way. */
  unsent?: boolean;
  takeOver: () => void;
  startOver: () => void;
  decide: (approved: boolean, note: string) => void;
}

/** Who works on a draft, and what passes between clerk and supervisor. Nothing where it is simply one's own. */
export function HeldNotice({ held, unsent, takeOver, startOver, decide }: Props) {
  const books = useBooks();
  const [returning, setReturning] = useState(false);
  const mine = held.by === books.user;
  const handed = held.state === "HANDED";
  const said = held.note && (
    <>
      {" "}
      “{held.note}”{held.notedBy && held.notedBy !== held.by && ` (${held.notedBy})`}
    </>
  );
  if (mine && held.state === "OPEN") {
    return (
      <Box sx={{ display: "flex", alignItems: "center", mb: -1.25, color: "text.secondary", fontSize: 12.5 }}>
        <Box component="span" role="status" sx={{ flex: 1 }}>
          {unsent ? "Keeping your draft…" : "Kept as your draft"}
        </Box>
        <Button color="inherit" onClick={startOver} sx={{ fontWeight: 400, py: 0, minWidth: 0 }}>
          Start over
        </Button>
      </Box>
    );
  }
  return (
    <Box
      role="status"
      sx={{
        display: "flex",
        alignItems: "center",
        gap: 1,
        border: 1,
        borderLeft: 4,
        borderColor: held.state !== "OPEN" ? "primary.main" : "divider",
        borderRadius: 1,
        px: 1.25,
        py: 0.5,
        fontSize: 13,
      }}
    >
      <Typography variant="body2" sx={{ flex: 1 }}>
        {handed
          ? mine
            ? "Handed to a supervisor."
            : `${held.by} asks a supervisor to approve this.`
          : held.state === "RETURNED"
            ? "Returned by the supervisor."
            : held.state === "REFUSED"
              ? "A run could not post this draft."
              : `${held.by} works on this since ${atMoment(held.since)}.`}
        {said}
      </Typography>
      {handed && !mine && books.supervisor && (
        <>
          <Button variant="contained" onClick={() => decide(true, "")}>
            Approve and post
          </Button>
          <Button color="inherit" onClick={() => setReturning(true)}>
            Return…
          </Button>
        </>
      )}
      {!mine && books.mayPost && (
        <Button color="inherit" onClick={takeOver}>
          Take over
        </Button>
      )}
      {mine && (
        <Button color="inherit" onClick={startOver} sx={{ fontWeight: 400 }}>
          Start over
        </Button>
      )}
      {returning && (
        <AskWords
          title={`Return the draft to ${held.by}`}
          explains="The draft stays as it is; the note says what is to be done otherwise."
          label="Note"
          doing="Return it"
          needed
          act={(note) => decide(false, note)}
          close={() => setReturning(false)}
        />
      )}
    </Box>
  );
}
