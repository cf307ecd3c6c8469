import type { Schemas } from "../api/client";

/** Why something is on the shelf. */
export const SHELVED: Record<Schemas["Shelve"]["reason"], string> = {
  DUPLICATE: "duplicate",
  PRIVATE: "private",
  OTHER_COMPANY: "another company's",
  NOT_OURS: "not ours",
};
