/** A file that another view could not take in and that waits here to be explained. */
let waiting: File | null = null;

export function explainNext(file: File) {
  waiting = file;
}

/** The file that waits, once. */
export function nextSample(): File | null {
  const file = waiting;
  waiting = null;
  return file;
}
