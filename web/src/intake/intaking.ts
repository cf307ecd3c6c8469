import { createContext, useContext } from "react";
import type { Outcome, Progress } from "./send";

/** A file that waits, is on its way, or has come through. */
export interface Item {
  key: number;
  file: File;
  progress?: Progress;
  outcome?: Outcome;
}

/** What is being taken in, wherever on the page it was dropped. */
export interface Intaking {
  items: Item[];
  /** Around: the lines of a table that cannot be read are left out, to be put right later. */
  take: (files: File[], around?: boolean) => void;
  /** Stops what is on its way; what waits behind it is not begun. */
  stop: () => void;
  /** Forgets what has come through. */
  clear: () => void;
  /** The bank account that files are for, where they do not say; empty for the one they name. */
  bankAccount: string;
  forAccount: (bankAccount: string) => void;
  /** Whether files are held over the page. */
  over: boolean;
}

export const IntakingContext = createContext<Intaking | null>(null);

export function useIntaking(): Intaking {
  const intaking = useContext(IntakingContext);
  if (!intaking) {
    throw new Error("nothing is taken in outside the frame");
  }
  return intaking;
}
