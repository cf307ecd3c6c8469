const day = new Intl.DateTimeFormat(undefined, { day: "numeric", month: "short", timeZone: "UTC" });
const weekday = new Intl.DateTimeFormat(undefined, {
  weekday: "short",
  day: "numeric",
  month: "short",
  timeZone: "UTC",
});
const moment = new Intl.DateTimeFormat(undefined, {
  day: "numeric",
  month: "short",
  hour: "numeric",
  minute: "2-digit",
  timeZone: "UTC",
});

/** An ISO date as a day of this year, such as 28 May. */
export function onDay(iso: string): string {
  return day.format(new Date(iso));
}

const dayOfYear = new Intl.DateTimeFormat(undefined, {
  day: "numeric",
  month: "short",
  year: "numeric",
  timeZone: "UTC",
});

/** An ISO date with its year, where it may be of any age. */
export function onDayOfYear(iso: string): string {
  return dayOfYear.format(new Date(iso));
}

/** An ISO date with its weekday. */
export function onWeekday(iso: string): string {
  return weekday.format(new Date(iso));
}

/** A moment with its time of day. */
export function atMoment(iso: string): string {
  return moment.format(new Date(iso));
}

/** A count with its noun. */
export function count(n: number, one: string, many = `${one}s`): string {
  return `${n.toLocaleString()} ${n === 1 ? one : many}`;
}
