import type { APIContext } from 'astro';
import { LONGEST_ms } from '~/server/store/repositories/sessions';

/** What a browser that is signed in holds; no script reads it. */
export const SESSION_COOKIE = 'ithermon_session';

const kept = (context: APIContext) => ({
  path: '/',
  httpOnly: true,
  sameSite: 'lax' as const,
  secure: context.url.protocol === 'https:',
});

export const setCookie = (context: APIContext, token: string): void =>
  context.cookies.set(SESSION_COOKIE, token, { ...kept(context), maxAge: LONGEST_ms / 1000 });

export const dropCookie = (context: APIContext): void =>
  context.cookies.delete(SESSION_COOKIE, kept(context));
