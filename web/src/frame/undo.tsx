import { createContext, useContext, useState, type ReactNode } from "react";
import { api, data, Refusal } from "../api/client";

/** Something one has done that can be taken back, in words. */
export interface Step {
  kind: "settlement" | "shelving";
  /** The settlement's id, or that of the entry on the shelf. */
  id: number;
  words: string;
}

/** What taking a step back came to. */
export interface Undone {
  text: string;
  /** The entry that waits again. */
  entryId?: number | null;
}

interface Undo {
  steps: Step[];
  did: (step: Step) => void;
  /** Takes the last step back; nothing where there is none. */
  undo: () => Promise<Undone | undefined>;
}

const MOST = 20;

const UndoContext = createContext<Undo>({
  steps: [],
  did: () => undefined,
  undo: () => Promise.resolve(undefined),
});

export function useUndo(): Undo {
  return useContext(UndoContext);
}

async function takeBack(step: Step): Promise<Undone> {
  if (step.kind === "shelving") {
    await api.DELETE("/api/entries/{id}/shelving", { params: { path: { id: step.id } } });
    return { text: `Taken back from the shelf: ${step.words}.`, entryId: step.id };
  }
  const settlement = data(
    await api.POST("/api/settlements/{id}/reversal", {
      params: { path: { id: step.id } },
      body: { reason: "Undone" },
    }),
  );
  return { text: `Reversed: ${step.words}.`, entryId: settlement.entryId };
}

/** Keeps the steps of this window, last first, over a reload too. */
export function UndoSteps({ user, children }: { user: string; children: ReactNode }) {
  const place = `steps of ${user}`;
  const [steps, setSteps] = useState<Step[]>(() => JSON.parse(sessionStorage.getItem(place) ?? "[]"));
  const keep = (next: Step[]) => {
    sessionStorage.setItem(place, JSON.stringify(next));
    setSteps(next);
  };
  const undo = async () => {
    const [last, ...rest] = steps;
    if (!last) {
      return undefined;
    }
    try {
      const undone = await takeBack(last);
      keep(rest);
      return rest[0] ? { ...undone, text: `${undone.text} U again: ${rest[0].words}.` } : undone;
    } catch (error) {
      // what is taken back already, or can no longer be, must not stand before the steps under it
      if (error instanceof Refusal && error.status > 0) {
        keep(rest);
      }
      throw error;
    }
  };
  return (
    <UndoContext.Provider value={{ steps, did: (step) => keep([step, ...steps].slice(0, MOST)), undo }}>
      {children}
    </UndoContext.Provider>
  );
}
