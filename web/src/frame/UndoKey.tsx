import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useLocation } from "react-router";
import { DeskNotice, type Notice } from "../desk/DeskNotice";
import { useKeys } from "./keys";
import { useUndo } from "./undo";

/** The key that takes the last step back, on every view but the desk, which shows what waits again itself. */
export function UndoKey() {
  const { undo } = useUndo();
  const queries = useQueryClient();
  const atDesk = useLocation().pathname.startsWith("/waiting/desk");
  const [notice, say] = useState<Notice | null>(null);
  const back = async () => {
    try {
      const undone = await undo();
      say({ severity: "info", text: undone?.text ?? "Nothing to undo in this window." });
      void queries.invalidateQueries();
    } catch (error) {
      say({ severity: "error", text: (error as Error).message });
    }
  };
  useKeys(atDesk ? {} : { u: () => void back() });
  return <DeskNotice notice={notice} undo={() => undefined} putAway={() => say(null)} />;
}
