import { createContext, useContext, type ReactNode } from "react";
import { createPortal } from "react-dom";

/** The right end of the row that names the views. */
export const ActionsPlace = createContext<HTMLElement | null>(null);

/** Puts a view's own actions there. */
export function ViewActions({ children }: { children: ReactNode }) {
  const place = useContext(ActionsPlace);
  return place && createPortal(children, place);
}
