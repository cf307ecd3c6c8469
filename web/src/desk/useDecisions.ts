import { api, data, Refusal, type Schemas } from "../api/client";
import { useUndo } from "../frame/undo";
import { grouped } from "../shared/money";
import type { Notice } from "./DeskNotice";
import type { Entry } from "./drafts";
import { usePost, useRefresh } from "./queries";
import type { Work } from "./useWork";

function inWords(settlement: Schemas["SettlementView"]): string {
  const side = (of: "debit" | "credit") =>
    (settlement.lines ?? []).flatMap((line) => {
      const amount = line[of];
      return amount ? [`${line.account} ${grouped(amount)}`] : [];
    });
  return `Posted ${grouped(settlement.received)} from ${settlement.payer}: ${side("debit").join(", ")} to ${side("credit").join(", ")}.`;
}

interface Surroundings {
  work: Work;
  entry: Entry | undefined;
  say: (notice: Notice) => void;
  /** Goes on to what comes next once this one is decided. */
  goOn: () => void;
  go: (entryId: number) => void;
  handOver: () => void;
  /** Fetches anew what a refusal was about. */
  lookAgain: () => void;
}

/** What ends the work on a receipt: posted, approved or returned, shelved; and the last posting taken back. */
export function useDecisions({ work, entry, say, goOn, go, handOver, lookAgain }: Surroundings) {
  const posting = usePost();
  const steps = useUndo();
  const refresh = useRefresh();
  const refused = (error: unknown) => say({ severity: "error", text: (error as Error).message });

  return {
    posting: posting.isPending,
    async post() {
      const { draft, preview } = work;
      const counted = !preview.isPlaceholderData ? preview.data : undefined;
      if (!draft || posting.isPending || !work.mayChange) {
        return;
      }
      if (counted?.needsApproval) {
        handOver();
        return;
      }
      // what is not counted yet is sent all the same: whoever types fast loses no key, and the server refuses what is wrong
      if (counted?.refusal) {
        return;
      }
      try {
        await work.stopKeeping();
        const settlement = await posting.mutateAsync(draft);
        work.posted();
        steps.did({
          kind: "settlement",
          id: settlement.id,
          words: `${grouped(settlement.received)} from ${settlement.payer}`,
        });
        say({ severity: "success", text: inWords(settlement), undo: true });
        goOn();
      } catch (error) {
        // sent before it was counted that it is above one's limit: asked the same as after
        if (error instanceof Refusal && error.code === "NEEDS_APPROVAL") {
          handOver();
          return;
        }
        // a refused draft keeps everything that was typed; what changed underneath is fetched anew
        refused(error);
        lookAgain();
      }
    },
    async decide(approved: boolean, note: string) {
      if (await work.decide(approved, note)) {
        say({
          severity: "info",
          text: approved ? "Approved and posted." : `Returned to ${work.held?.by ?? "the clerk"}.`,
        });
        if (approved) {
          work.posted();
          goOn();
        }
      }
    },
    async shelve(note: string, reason: string) {
      if (!entry) {
        return;
      }
      try {
        await work.stopKeeping();
        data(
          await api.POST("/api/entries/{id}/shelving", {
            params: { path: { id: entry.id } },
            body: { reason: reason as Schemas["Shelve"]["reason"], note },
          }),
        );
        say({
          severity: "info",
          text: `Shelved ${grouped(entry.amount)} from ${entry.payer}. It can be taken back under Shelved.`,
          undo: true,
        });
        steps.did({
          kind: "shelving",
          id: entry.id,
          words: `${grouped(entry.amount)} from ${entry.payer}, shelved`,
        });
        goOn();
        void refresh();
      } catch (error) {
        refused(error);
      }
    },
    async undo() {
      try {
        const undone = await steps.undo();
        if (!undone) {
          return;
        }
        void refresh();
        say({ severity: "info", text: undone.text });
        if (undone.entryId) {
          go(undone.entryId);
        }
      } catch (error) {
        refused(error);
        void refresh();
      }
    },
  };
}
