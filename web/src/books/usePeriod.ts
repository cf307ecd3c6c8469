import { useSearchParams } from "react-router";
import type { Period } from "./queries";

/** The period that stands in the address, so that it can be sent to somebody. */
export function usePeriod(): [Period, (changed: Partial<Period>) => void] {
  const [params, setParams] = useSearchParams();
  const period = { from: params.get("from") ?? "", until: params.get("until") ?? "" };
  const set = (changed: Partial<Period>) =>
    setParams(
      (before) => {
        const next = new URLSearchParams(before);
        for (const [key, value] of Object.entries(changed)) {
          if (value === "") {
            next.delete(key);
          } else {
            next.set(key, value);
          }
        }
        return next;
      },
      { replace: true },
    );
  return [period, set];
}
