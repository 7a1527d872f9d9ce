/** Day and time in the class's zone, by the clock of its country where that is known; the day is left out today. */
export function clock(time: string | number | Date, zone: string, language: string): string {
  const d = new Date(time);
  const day = (x: Date) =>
    new Intl.DateTimeFormat('en-CA', { timeZone: zone, dateStyle: 'short' }).format(x);
  const today = day(d) === day(new Date());
  return new Intl.DateTimeFormat(language, {
    timeZone: zone,
    hour: '2-digit',
    minute: '2-digit',
    ...(language.includes('-') ? {} : { hourCycle: 'h23' }),
    ...(today ? {} : { weekday: 'short', day: 'numeric', month: 'short' }),
  }).format(d);
}

/** Time left, in hours and minutes from one hour on, else in minutes and seconds. */
export function left(ms: number): string {
  const s = Math.max(0, Math.ceil(ms / 1000));
  const h = Math.floor(s / 3600);
  const m = Math.floor((s % 3600) / 60);
  if (h > 0) return `${h} h ${m} min`;
  return m > 0 ? `${m} min ${String(s % 60).padStart(2, '0')} s` : `${s} s`;
}

/** A day such as 2027-07-31 in words. */
export function dayWords(day: string, language: string): string {
  return new Intl.DateTimeFormat(language, {
    timeZone: 'UTC',
    day: 'numeric',
    month: 'long',
    year: 'numeric',
  }).format(new Date(`${day}T00:00:00Z`));
}

/** Seconds since midnight by the wall clock of a zone. */
export function sinceMidnight(time: number, zone: string): number {
  const parts = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
    hourCycle: 'h23',
  }).formatToParts(new Date(time));
  const part = (type: string) => Number(parts.find((p) => p.type === type)?.value ?? 0);
  return 3600 * part('hour') + 60 * part('minute') + part('second');
}
