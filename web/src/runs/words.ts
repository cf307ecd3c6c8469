import { atMoment, count } from "../shared/dates";
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
  if (run.state === "CALLED_OFF") {
    return "called off; nothing was posted";
  }
  if (run.state === "WAITS") {
    return [
      run.needsRelease &&
        (run.releasedBy ? `released by ${run.releasedBy}` : "waits for a second person to release it"),
      run.notBefore && `not before ${atMoment(run.notBefore)}`,
    ]
      .filter(Boolean)
      .join("; ");
  }
  return `${done}${refused}${run.releasedBy ? `; released by ${run.releasedBy}` : ""}`;
}
