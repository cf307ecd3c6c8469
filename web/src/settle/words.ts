import type { Schemas } from "../api/client";

/** What an adjustment is called in a sentence. */
export const KEPT: Record<Schemas["ProposedAdjustment"]["kind"], string> = {
  BANK_FEE: "bank fee",
  PROCESSING_FEE: "processing fee",
  WRITE_OFF: "written off",
};
