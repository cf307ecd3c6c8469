import { useEffect, useRef } from "react";

/**
 * An action that a key may ask for before it can be done: it is done as soon as `ready`, as often as it was asked for,
 * and forgotten when somebody goes on to something else (`about`) meanwhile.
 */
export function useSoon(about: string | number | undefined, ready: boolean, act: () => void) {
  const early = useRef({ about, times: 0 });
  useEffect(() => {
    if (early.current.about !== about) {
      early.current = { about, times: 0 };
    }
    // one a time: each changes what the next one finds
    if (ready && early.current.times > 0) {
      early.current.times -= 1;
      act();
    }
  });
  return () => {
    if (ready) {
      act();
    } else {
      early.current.times += 1;
    }
  };
}
