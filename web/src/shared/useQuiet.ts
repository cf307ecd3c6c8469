import { useEffect, useState } from "react";

/** A value as it is once it has not changed for a moment: what is typed is asked for when the typing rests. */
export function useQuiet<T>(value: T, milliseconds = 250): T {
  const [quiet, setQuiet] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setQuiet(value), milliseconds);
    return () => clearTimeout(timer);
  }, [value, milliseconds]);
  return quiet;
}
