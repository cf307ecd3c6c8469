import { Box, Button } from "@mui/material";
import { useState } from "react";
import { useBooks } from "../access/session";
import { useReceiptOf } from "./queries";

/** The picture of a cheque, as a scanner or a mail room took it. */
export function ChequePicture({ id, of, width = 460 }: { id: number; of: string; width?: number }) {
  const books = useBooks();
  return (
    <Box
      component="img"
      src={`/api/receipts/pictures/${id}?company=${books.company}`}
      alt={`Picture of ${of}`}
      sx={{ width, maxWidth: "100%", display: "block", mt: 1, borderRadius: 1 }}
    />
  );
}

/** The picture of a receipt, where there is one: as a scanner in the office took it, or the bank's mail room. */
export function PictureOf({ entry }: { entry: { id: number; recorded: boolean } }) {
  const held = useReceiptOf(entry.id, entry.recorded).data;
  if (held?.lockboxBatchId) {
    return <MailedPicture key={entry.id} id={entry.id} of={held.name} />;
  }
  return held?.pictureId ? <ChequePicture id={held.pictureId} of={held.name} /> : null;
}

/** The mail room shows the cheque as long as it can be reached. */
function MailedPicture({ id, of }: { id: number; of: string }) {
  const [attempt, setAttempt] = useState(0);
  const [missing, setMissing] = useState(false);
  const [large, setLarge] = useState(false);
  return missing ? (
    <Box role="status" sx={{ fontSize: 13, color: "text.secondary" }}>
      The mail room shows no picture of {of.replace("Cheque", "cheque")}.
      <Button
        onClick={() => {
          setMissing(false);
          setAttempt(attempt + 1);
        }}
        sx={{ ml: 1, py: 0 }}
      >
        Ask again
      </Button>
    </Box>
  ) : (
    <Box
      component="button"
      type="button"
      aria-label={large ? "Make the picture small again" : "Enlarge the picture"}
      aria-pressed={large}
      onClick={() => setLarge(!large)}
      sx={{
        all: "unset",
        cursor: large ? "zoom-out" : "zoom-in",
        width: large ? "100%" : 330,
        maxWidth: "100%",
        flexShrink: 0,
        alignSelf: "flex-start",
        borderRadius: 1,
        "&:focus-visible": { outline: 2, outlineColor: "primary.main" },
      }}
    >
      <Box
        component="img"
        src={`/api/entries/${id}/cheque-picture${attempt > 0 ? `?attempt=${attempt}` : ""}`}
        alt={`Picture of ${of}`}
        onError={() => setMissing(true)}
        sx={{ width: "100%", display: "block" }}
      />
    </Box>
  );
}
