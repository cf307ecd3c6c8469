import { count } from "../shared/dates";
import type { Run } from "./queries";

/** Where a run is, in a sentence. */
export function inWords(run: Run): string {
  const done = `${run.posted.toLocaleString()} of ${run.total.toLocaleString()} posted`;
  const refused = run.refused > 0 ? `, ${count(run.refused, "refusal")}` : "";
  if (run.state === "RUNNING") {
    return `${done}${refused}${run.stopping ? "; stops after the line it is at" : ""}`;
  }
  if (run.state === "STOPPED") {
    const left = run.total - run.posted - run.refused;
    return `Stopped: ${done}${refused}, ${left.toLocaleString()} left`;
  }
  return `${done}${refused}`;
}
