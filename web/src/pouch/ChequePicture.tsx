import { Box } from "@mui/material";
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

/** The picture of a receipt that was recorded in the office, where there is one. */
export function PictureOf({ entry }: { entry: { id: number; recorded: boolean } }) {
  const held = useReceiptOf(entry.id, entry.recorded);
  return held.data?.pictureId ? <ChequePicture id={held.data.pictureId} of={held.data.name} /> : null;
}
