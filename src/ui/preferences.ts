import { atom } from 'nanostores';

export const THEMES = ['daylight', 'lamp-off'] as const;
export type Theme = (typeof THEMES)[number];

/** What this screen remembers about whoever sits at it, in cookies so that the server draws it right. */
export const COOKIES = {
  theme: 'ithermon_theme',
  by: 'ithermon_by',
  mute: 'ithermon_mute',
  speak: 'ithermon_speak',
} as const;

export const $by = atom('');

/** Whether whoever is at the bench signed in: initials are theirs then, and nobody else's. */
export const $signedIn = atom(false);
export const $muted = atom(false);

/** Whether steps are read aloud. */
export const $spoken = atom(false);

/** Takes over what the server drew with; `person` are the initials of whoever signed in, null where nobody does. */
export function readPreferences(person: string | null): void {
  $signedIn.set(person !== null);
  $by.set(person ?? readCookie(COOKIES.by));
  $muted.set(readCookie(COOKIES.mute) === '1');
  $spoken.set(readCookie(COOKIES.speak) === '1');
}

export function setBy(by: string): void {
  $by.set(by);
  writeCookie(COOKIES.by, by);
}

export function setMuted(muted: boolean): void {
  $muted.set(muted);
  writeCookie(COOKIES.mute, muted ? '1' : '0');
}

export function setSpoken(spoken: boolean): void {
  $spoken.set(spoken);
  writeCookie(COOKIES.speak, spoken ? '1' : '0');
}

export function toggleTheme(): Theme {
  const next: Theme = document.documentElement.dataset['theme'] === 'lamp-off' ? 'daylight' : 'lamp-off';
  document.documentElement.dataset['theme'] = next;
  writeCookie(COOKIES.theme, next);
  return next;
}

function readCookie(name: string): string {
  const pair = document.cookie.split('; ').find((part) => part.startsWith(`${name}=`));
  return pair ? decodeURIComponent(pair.slice(name.length + 1)) : '';
}

function writeCookie(name: string, value: string): void {
  document.cookie = `${name}=${encodeURIComponent(value)}; path=/; max-age=31536000; samesite=strict`;
}

/** What is said to someone who would write without initials. */
export const SIGN_FIRST =
  'Give your initials at the top first (key @), so that the record says who did this.';
