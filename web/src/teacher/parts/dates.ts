import { say } from '../words';

/** How dates are written: in the language of the page, as in Britain where that is English. */
export const dated = () =>
  document.documentElement.lang === 'en' ? 'en-GB' : document.documentElement.lang;
export const time = (s: string, zone?: string) =>
  new Intl.DateTimeFormat(dated(), {
    weekday: 'short',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
    timeZone: zone,
  }).format(new Date(s));
/** After a number of homes. */
export const homesHave = (n: number) => say('parts.homes-have', { count: n });
/** "31 July 2027". */
export const longDay = (s: string) =>
  new Intl.DateTimeFormat(dated(), {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  }).format(new Date(s));
/** "Tue 2 Feb" and "10:40", apart. */
export const dayOf = (s: string, zone?: string) =>
  new Intl.DateTimeFormat(dated(), {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    timeZone: zone,
  }).format(new Date(s));
export const clockOf = (s: string, zone?: string) =>
  new Intl.DateTimeFormat(dated(), {
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
    timeZone: zone,
  }).format(new Date(s));
export const day = (s: string, zone?: string) =>
  new Intl.DateTimeFormat(dated(), {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
    timeZone: zone,
  }).format(new Date(s));
