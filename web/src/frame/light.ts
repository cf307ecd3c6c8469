import { createContext } from "react";

/** Paper, ink, or what the system says. */
export type Light = "system" | "light" | "dark";

export const LightContext = createContext<{ light: Light; choose: (light: Light) => void }>({
  light: "system",
  choose: () => undefined,
});
